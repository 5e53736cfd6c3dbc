package pentacell.core.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.build.PackCurrents.Source;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.cell.CellFormat;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Packing;
import pentacell.core.plan.facts.Wiring;

/// Layouts that are found, their conductors and what flows through them.
final class LayoutTest {
    static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();
    static final WiringParts PARTS = WiringParts.of(Wiring.USUAL, 4, 69);

    private static LayoutWish wish(List<Integer> sizes, Optional<Box> box, LayoutWish.Ends ends) {
        return new LayoutWish(
                sizes,
                List.of(),
                CAN,
                Packing.USUAL,
                box,
                EnumSet.allOf(Grid.Pattern.class),
                ends,
                TakeOff.EDGE,
                List.of());
    }

    static JudgedLayout.Electric electric(List<Integer> sizes, double amps, double ohms) {
        return new JudgedLayout.Electric(
                PARTS,
                sizes.stream()
                        .map(size -> Collections.nCopies(size, new Source(3.7, ohms)))
                        .toList(),
                amps,
                20);
    }

    static List<JudgedLayout> found(LayoutWish wish, double amps) {
        return LayoutSearch.of(wish, electric(wish.groupSizes(), amps, 0.05), () -> false);
    }

    @RepeatedTest(40)
    void whatIsFoundCanBeBuilt(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<Integer> sizes = new ArrayList<>();
        int usual = random.nextInt(1, 13);
        int series = random.nextInt(1, 15);
        for (int i = 0; i < series; i++)
            sizes.add(Math.max(1, usual - (random.nextInt(4) == 0 ? 1 : 0)));
        List<JudgedLayout> all = found(wish(sizes, Optional.empty(), LayoutWish.Ends.ANYWHERE), 10);
        assertFalse(all.isEmpty(), () -> "none for " + sizes);
        for (JudgedLayout each : all) {
            assertEquals(sizes, each.layout().groupSizes());
            Set<Spot> places = new HashSet<>();
            each.layout().places().forEach(places::addAll);
            assertEquals(
                    sizes.stream().mapToInt(Integer::intValue).sum(), places.size(), "none twice");
            for (int group = 0; group + 1 < series; group++)
                assertTrue(touch(each.layout(), group), "neighbours touch in " + each.words());
            assertTrue(each.canBeBuilt(), () -> each.words() + each.remarks());
            balances(each.currents().orElseThrow());
        }
    }

    private static boolean touch(Layout layout, int group) {
        Grid grid = layout.grid();
        for (Spot one : layout.places().get(group))
            for (Spot other : layout.places().get(group + 1))
                if (Math.hypot(
                                grid.alongMillimetres(one) - grid.alongMillimetres(other),
                                grid.acrossMillimetres(one) - grid.acrossMillimetres(other))
                        < 1.001 * grid.pitchMillimetres()) return true;
        return false;
    }

    /// Currents of a group are the load, and what cells give is what arrives and what gets hot.
    private static void balances(PackCurrents now) {
        double given = 0;
        for (List<PackCurrents.Can> group : now.cans())
            assertEquals(
                    now.amps(), group.stream().mapToDouble(PackCurrents.Can::amps).sum(), 1e-6);
        for (List<PackCurrents.Can> group : now.cans())
            for (PackCurrents.Can can : group)
                given += can.amps() * (3.7 - can.amps() * (0.05 + PARTS.cellFuseOhms()));
        assertEquals(
                given,
                now.amps() * now.terminalVolts() + now.conductorWatts(),
                1e-6 * Math.abs(given));
    }

    @ParameterizedTest
    @EnumSource(Grid.Pattern.class)
    void beingBesideIsMutualAndAsFarAsThePitch(Grid.Pattern pattern) {
        Grid grid = new Grid(pattern, 20, 5, 4);
        for (int row = 0; row < 4; row++)
            for (int column = 0; column < 5; column++) {
                Spot spot = new Spot(column, row);
                Set<Spot> near = new HashSet<>();
                for (int r = 0; r < 4; r++)
                    for (int c = 0; c < 5; c++) {
                        Spot other = new Spot(c, r);
                        double apart =
                                Math.hypot(
                                        grid.alongMillimetres(spot) - grid.alongMillimetres(other),
                                        grid.acrossMillimetres(spot)
                                                - grid.acrossMillimetres(other));
                        if (apart > 0 && apart < 20.01) near.add(other);
                    }
                assertEquals(near, new HashSet<>(grid.beside(spot)), spot.toString());
            }
    }

    @ParameterizedTest
    @CsvSource({"7, 10", "4, 3", "5, 6", "3, 4", "13, 8", "1, 5"})
    void mirroredTwiceIsTheSame(int series, int parallel) {
        List<Integer> sizes = Collections.nCopies(series, parallel);
        for (JudgedLayout each :
                found(wish(sizes, Optional.empty(), LayoutWish.Ends.ANYWHERE), 10)) {
            Layout layout = each.layout();
            assertEquals(layout.places(), layout.mirrored().mirrored().places());
            assertEquals(layout.places(), layout.upsideDown().upsideDown().places());
            for (Layout turned : List.of(layout.mirrored(), layout.upsideDown())) {
                assertEquals(
                        LayoutCheck.bridges(layout), LayoutCheck.bridges(turned), each.words());
                assertEquals(
                        each.currents().orElseThrow().terminalVolts(),
                        electric(sizes, 10, 0.05).solve(turned).terminalVolts(),
                        0.01,
                        "but for where the lead is fixed, the same flows");
            }
        }
    }

    @Test
    @DisplayName("a ladder of one row: by Kirchhoff's laws, group after group in line")
    void oneStringByHand() {
        Layout layout =
                new Layout(
                        new Grid(Grid.Pattern.SQUARE, 20, 3, 1),
                        List.of(
                                List.of(new Spot(0, 0)),
                                List.of(new Spot(1, 0)),
                                List.of(new Spot(2, 0))),
                        TakeOff.EDGE);
        PackCurrents now = electric(List.of(1, 1, 1), 2, 0.05).solve(layout);
        double link = 7e-8 * 0.020 / (8e-3 * 0.15e-3);
        double lead = 1.7241e-8 * 0.5 / 4e-6;
        assertEquals(3 * (3.7 - 2 * 0.05) - 2 * 2 * link - 2 * 2 * lead, now.terminalVolts(), 1e-9);
        assertEquals(List.of(1, 1), LayoutCheck.bridges(layout));
        assertEquals(
                2, now.links().stream().filter(f -> f.link().kind() == Link.Kind.SERIES).count());
        // joint 1 is on top, joint 2 below, for groups alternate
        assertEquals(Face.TOP, series(now, 1).link().face());
        assertEquals(Face.BOTTOM, series(now, 2).link().face());
        assertEquals(2 * link, Math.abs(series(now, 1).volts()), 1e-9);
    }

    private static PackCurrents.Flowing series(PackCurrents now, int joint) {
        return now.links().stream()
                .filter(f -> f.link().kind() == Link.Kind.SERIES && f.link().joint() == joint)
                .findFirst()
                .orElseThrow();
    }

    @Test
    @DisplayName(
            "leads at one corner work the cans there hardest; a bar evens them (common practice)")
    void cornersAreWorkedHardest() {
        Layout block =
                new Bands(Grid.Pattern.SQUARE, 10, 1, Bands.Fill.WHOLE, 1)
                        .layout(
                                wish(
                                        Collections.nCopies(4, 10),
                                        Optional.empty(),
                                        LayoutWish.Ends.ANYWHERE))
                        .orElseThrow();
        JudgedLayout.Electric electric = electric(Collections.nCopies(4, 10), 30, 0.03);
        PackCurrents corner = electric.solve(block.with(TakeOff.CORNER));
        PackCurrents edge = electric.solve(block.with(TakeOff.EDGE));
        PackCurrents middle = electric.solve(block.with(TakeOff.MIDDLE));
        assertTrue(corner.worstShare() > middle.worstShare());
        assertTrue(middle.worstShare() > edge.worstShare());
        PackCurrents.Can hardest =
                corner.cans().stream()
                        .flatMap(List::stream)
                        .max(Comparator.comparingDouble(PackCurrents.Can::share))
                        .orElseThrow();
        assertEquals(0, hardest.spot().row(), "where the leads are");
        assertTrue(corner.conductorWatts() > edge.conductorWatts());
        List<TakeOffs.Compared> all = TakeOffs.of(block, electric);
        assertEquals(TakeOff.EDGE, all.get(0).takeOff());
        assertEquals(4, all.size());
        assertEquals(TakeOff.CORNER, all.get(3).takeOff());
    }

    @Test
    void whereTooMuchFlowsLayersAreStacked() {
        List<Integer> sizes = Collections.nCopies(3, 8);
        Layout thin =
                new Bands(Grid.Pattern.SQUARE, 2, 1, Bands.Fill.WHOLE, 1)
                        .layout(wish(sizes, Optional.empty(), LayoutWish.Ends.ANYWHERE))
                        .orElseThrow();
        PackCurrents now = electric(sizes, 20, 0.05).solve(thin);
        assertTrue(now.hot().isEmpty(), () -> now.hot().toString());
        int most = 0;
        for (PackCurrents.Flowing each : now.links()) {
            int layers = each.link().conductor().layers();
            if (each.link().kind() == Link.Kind.PARALLEL || each.link().kind() == Link.Kind.SERIES)
                most = Math.max(most, layers);
            assertTrue(
                    layers == 1
                            || Math.abs(each.amps()) > each.allowedAmps() * (layers - 2) / layers,
                    "no more than it takes, but for what moved while they grew");
        }
        assertTrue(most >= 2, "10 A a bridge take several layers of 0.15 mm nickel");
    }

    @ParameterizedTest
    @CsvSource({"SAME, true", "OPPOSITE, false"})
    void endsLieWhereTheyShall(LayoutWish.Ends ends, boolean same) {
        List<JudgedLayout> all = found(wish(Collections.nCopies(6, 6), Optional.empty(), ends), 10);
        assertFalse(all.isEmpty());
        for (JudgedLayout each : all) {
            double middle = (each.layout().grid().columns() - 1) / 2.0;
            double first = side(each.layout(), 0) - middle;
            double last = side(each.layout(), 6) - middle;
            assertEquals(same, first * last > 0, each.words());
        }
    }

    private static double side(Layout layout, int joint) {
        return PackLinks.outerEdge(layout, joint).stream()
                .mapToInt(Spot::column)
                .average()
                .orElseThrow();
    }

    @Test
    void aBoxIsKept() {
        Box box = new Box(215, 105, 80);
        List<JudgedLayout> all =
                found(
                        wish(Collections.nCopies(7, 6), Optional.of(box), LayoutWish.Ends.ANYWHERE),
                        10);
        assertFalse(all.isEmpty());
        for (JudgedLayout each : all) {
            double longer = Math.max(each.lengthMillimetres(), each.widthMillimetres());
            double shorter = Math.min(each.lengthMillimetres(), each.widthMillimetres());
            assertTrue(longer + 4 <= 215 && shorter + 4 <= 105, each.words());
        }
        assertTrue(
                found(
                                wish(
                                        Collections.nCopies(7, 20),
                                        Optional.of(box),
                                        LayoutWish.Ends.ANYWHERE),
                                10)
                        .isEmpty(),
                "140 cans do not go in");
    }

    @Test
    void aGroupInPiecesAndGroupsApartAreSaid() {
        Layout broken =
                new Layout(
                        new Grid(Grid.Pattern.SQUARE, 20, 5, 1),
                        List.of(
                                List.of(new Spot(0, 0), new Spot(4, 0)),
                                List.of(new Spot(2, 0), new Spot(3, 0))),
                        TakeOff.EDGE);
        List<LayoutRemark> remarks =
                LayoutCheck.of(
                        broken, wish(List.of(2, 2), Optional.empty(), LayoutWish.Ends.ANYWHERE));
        assertTrue(remarks.contains(new LayoutRemark.GroupInPieces(1, 2)), remarks::toString);
        JudgedLayout judged =
                JudgedLayout.of(
                        broken,
                        "by hand",
                        wish(List.of(2, 2), Optional.empty(), LayoutWish.Ends.ANYWHERE),
                        electric(List.of(2, 2), 1, 0.05));
        assertFalse(judged.canBeBuilt());
        assertTrue(judged.currents().isEmpty());
    }

    @Test
    void bandsBesideEachOtherAreToBeInsulated() {
        Layout folded =
                new Bands(Grid.Pattern.SQUARE, 1, 2, Bands.Fill.WHOLE, 1)
                        .layout(
                                wish(
                                        Collections.nCopies(6, 1),
                                        Optional.empty(),
                                        LayoutWish.Ends.ANYWHERE))
                        .orElseThrow();
        // 0 1 2 over 5 4 3: beside each other 0|5, 1|4 and, as the next in series, 2|3
        assertEquals(
                List.of(List.of(new Spot(0, 0), new Spot(0, 1))),
                pairs(folded, 5),
                "their ends on a face lie four joints apart and more");
        assertEquals(OptionalInt.of(5), folded.cansByPlace().group(new Spot(0, 1)));
        assertTrue(
                LayoutCheck.of(
                                folded,
                                wish(
                                        Collections.nCopies(6, 1),
                                        Optional.empty(),
                                        LayoutWish.Ends.ANYWHERE))
                        .stream()
                        .anyMatch(LayoutRemark.HighVoltageBeside.class::isInstance));
    }

    private static List<List<Spot>> pairs(Layout layout, int least) {
        return LayoutCheck.toInsulate(layout, Face.TOP).stream()
                .filter(pair -> {
                    int one = layout.cansByPlace().group(pair.get(0)).orElseThrow();
                    int other = layout.cansByPlace().group(pair.get(1)).orElseThrow();
                    return Math.abs(one - other) >= least;
                })
                .toList();
    }

    @Test
    void aLargePackIsLaidAndSolved() {
        List<Integer> sizes = Collections.nCopies(14, 193);
        List<JudgedLayout> all =
                LayoutSearch.of(
                        wish(sizes, Optional.empty(), LayoutWish.Ends.ANYWHERE),
                        electric(sizes, 100, 0.05),
                        afterOne());
        assertEquals(1, all.size(), "stopped after the first");
        assertEquals(sizes, all.get(0).layout().groupSizes());
        assertTrue(all.get(0).canBeBuilt(), all.get(0).words());
        balances(all.get(0).currents().orElseThrow());
    }

    /// Stops a search when one layout is solved.
    private static BooleanSupplier afterOne() {
        AtomicInteger asked = new AtomicInteger();
        return () -> asked.getAndIncrement() > 0;
    }
}
