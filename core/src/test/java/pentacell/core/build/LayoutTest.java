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
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.assembly.Grid;
import pentacell.core.assembly.Layout;
import pentacell.core.assembly.Spot;
import pentacell.core.assembly.TakeOff;
import pentacell.core.build.PackCurrents.Source;
import pentacell.core.cell.CellFormat;
import pentacell.core.need.Box;
import pentacell.core.need.Packing;
import pentacell.core.need.Wiring;

/// Layouts that are found, their conductors and what flows through them.
final class LayoutTest {
    private static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();
    private static final WiringParts PARTS = WiringParts.of(Wiring.USUAL, 4, 69);

    /// A pack of equal groups in a box, where some places are kept free.
    private static LayoutWish boxed(int series, int parallel, Box box, Spot... free) {
        return new LayoutWish(
                Collections.nCopies(series, parallel),
                List.of(),
                CAN,
                Packing.USUAL,
                Optional.of(box),
                EnumSet.allOf(Grid.Pattern.class),
                LayoutWish.Ends.ANYWHERE,
                TakeOff.EDGE,
                List.of(free));
    }

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

    private static Arrangement.Electric electric(List<Integer> sizes, double amps, double ohms) {
        return new Arrangement.Electric(
                PARTS,
                sizes.stream()
                        .map(size -> Collections.nCopies(size, new Source(3.7, ohms)))
                        .toList(),
                amps,
                20);
    }

    private static List<Arrangement> found(LayoutWish wish, double amps) {
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
        List<Arrangement> all = found(wish(sizes, Optional.empty(), LayoutWish.Ends.ANYWHERE), 10);
        assertFalse(all.isEmpty(), () -> "none for " + sizes);
        for (Arrangement each : all) {
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
        for (Arrangement each :
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
        Arrangement.Electric electric = electric(Collections.nCopies(4, 10), 30, 0.03);
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
        List<Arrangement> all = found(wish(Collections.nCopies(6, 6), Optional.empty(), ends), 10);
        assertFalse(all.isEmpty());
        for (Arrangement each : all) {
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
        List<Arrangement> all =
                found(
                        wish(Collections.nCopies(7, 6), Optional.of(box), LayoutWish.Ends.ANYWHERE),
                        10);
        assertFalse(all.isEmpty());
        for (Arrangement each : all) {
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
        assertTrue(
                remarks.stream()
                        .anyMatch(each -> each.sentence().startsWith("group 1 lies in 2 pieces")));
        Arrangement judged =
                Arrangement.of(
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
                        .anyMatch(each -> each.sentence().contains("wall of insulation")));
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
        List<Arrangement> all =
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

    @ParameterizedTest
    @CsvSource({
        // 19.5 mm from can to can: 7 x 10 of them in one layer take 135 x 193.5 mm
        "10, 210, 150, 75, 1",
        // four groups a layer take 8 x 5
        "10, 160, 101, 142, 2",
        // two groups a layer take 6 x 3; other ways round the box is too narrow
        "9, 120, 62, 281, 4"
    })
    void asManyLayersAsTheBoxAsksFor(
            int parallel, double length, double width, double height, int layers) {
        Box box = new Box(length, width, height);
        List<Arrangement> all = found(boxed(7, parallel, box), 10);
        assertFalse(all.isEmpty());
        for (Arrangement each : all) {
            Layout layout = each.layout();
            assertTrue(each.canBeBuilt(), each.words());
            assertEquals(layers, layout.grid().layers());
            for (List<Spot> group : layout.places())
                assertEquals(
                        1, group.stream().map(layout.grid()::layer).distinct().count(), "whole");
            assertEquals(
                    layers > 1,
                    each.remarks().stream()
                            .anyMatch(r -> r.sentence().contains("insulation goes in")));
            // layers lie on each other: the outer size is that of one
            assertTrue(each.lengthMillimetres() <= Math.max(length, Math.max(width, height)));
        }
    }

    @Test
    void aLinkGoesAroundLayersOutsideOfAFold() {
        // two groups of two, one on the other: the joint between them lies on the top face
        Layout layout =
                new Layout(
                        new Grid(Grid.Pattern.SQUARE, 20, 2, 2).folded(2),
                        List.of(
                                List.of(new Spot(0, 0), new Spot(0, 1)),
                                List.of(new Spot(1, 0), new Spot(1, 1))),
                        TakeOff.EDGE);
        assertEquals(Face.TOP, Folds.of(layout).inside(0), "folded so that links stay short");
        assertEquals(2, Folds.of(layout).layers());
        // top faces are one joint there: nothing between them
        assertEquals(0, Folds.of(layout).mostApart());
        List<Link> series =
                PackLinks.of(layout, PARTS).stream()
                        .filter(link -> link.kind() == Link.Kind.SERIES)
                        .toList();
        assertEquals(2, series.size());
        for (Link link : series) assertEquals(0.020, link.conductor().lengthMetres(), 1e-9);
        // three groups one on the other: the second fold closes the bottom, where joint 2 lies
        Layout three =
                new Layout(
                        new Grid(Grid.Pattern.SQUARE, 20, 3, 1).folded(3),
                        List.of(
                                List.of(new Spot(0, 0)),
                                List.of(new Spot(1, 0)),
                                List.of(new Spot(2, 0))),
                        TakeOff.EDGE);
        assertTrue(
                PackLinks.of(three, PARTS).stream()
                        .filter(link -> link.kind() == Link.Kind.SERIES)
                        .allMatch(link -> link.conductor().lengthMetres() < 0.021));
        // with two groups a layer both joints over the folds lie on the bottom: one is outside
        Layout pairs =
                new Layout(
                        new Grid(Grid.Pattern.SQUARE, 20, 6, 1).folded(3),
                        IntStream.range(0, 6).mapToObj(i -> List.of(new Spot(i, 0))).toList(),
                        TakeOff.EDGE);
        assertEquals(
                List.of(0.020, 0.020 + 2 * 0.069),
                PackLinks.of(pairs, PARTS).stream()
                        .filter(link -> link.kind() == Link.Kind.SERIES)
                        .map(link -> link.conductor().lengthMetres())
                        .distinct()
                        .sorted()
                        .toList());
        // bottom faces come together at the second fold: there lie joints 2 and 6
        assertEquals(Face.BOTTOM, Folds.of(pairs).inside(1));
        assertEquals(4, Folds.of(pairs).mostApart());
    }

    @Test
    void nothingStandsWhereThePlaceIsKeptFree() {
        Spot[] bracket = {new Spot(2, 1), new Spot(3, 1), new Spot(0, 0)};
        List<Arrangement> all = found(boxed(7, 10, new Box(400, 400, 80), bracket), 10);
        assertFalse(all.isEmpty());
        for (Arrangement each : all) {
            assertTrue(each.canBeBuilt(), each.words());
            for (Spot spot : bracket)
                assertTrue(each.layout().cansByPlace().at(spot).isEmpty(), each.words());
            assertEquals(
                    70, each.layout().places().stream().flatMap(List::stream).distinct().count());
        }
        Layout one = all.get(0).layout();
        Spot taken = one.places().get(3).get(0);
        Layout kept = one.grown(0, 1).keepingFree(taken).orElseThrow();
        assertTrue(kept.cansByPlace().at(taken).isEmpty(), "its can went elsewhere");
        assertEquals(one.groupSizes(), kept.groupSizes());
        assertTrue(kept.grid().keptFree().contains(taken));
        assertFalse(kept.blanks().contains(taken));
        Layout back = kept.keepingFree(taken).orElseThrow();
        assertFalse(back.grid().keptFree().contains(taken), "asked again it may be filled");
        // dragged onto a place kept free
        Arrangement wrong =
                Arrangement.of(
                        kept.swapped(kept.places().get(0).get(0), taken),
                        "by hand",
                        boxed(7, 10, new Box(400, 400, 80)),
                        electric(one.groupSizes(), 10, 0.05));
        assertFalse(wrong.canBeBuilt());
        assertEquals(kept.places(), kept.upsideDown().upsideDown().places());
        assertEquals(kept.grid().keptFree(), kept.upsideDown().upsideDown().grid().keptFree());
    }

    @Test
    @DisplayName("drop along a bar: by Ohm's law, strip by strip from the far end")
    void aBarDropsByWhatItCarries() {
        // one group of three in a row, leads at the middle: the outer cans give a third each
        Layout row =
                new Layout(
                        new Grid(Grid.Pattern.SQUARE, 20, 3, 1),
                        List.of(List.of(new Spot(0, 0), new Spot(1, 0), new Spot(2, 0))),
                        TakeOff.MIDDLE);
        PackCurrents now = electric(List.of(3), 9, 0.05).solve(row);
        for (BarDrop drop : BarDrop.of(row, now)) {
            double most =
                    now.links().stream()
                            .filter(each -> each.link().face() == drop.face())
                            .filter(each -> each.link().kind() == Link.Kind.PARALLEL)
                            .mapToDouble(each -> Math.abs(each.volts()))
                            .max()
                            .orElseThrow();
            assertTrue(most > 0.001);
            assertTrue(drop.volts() >= most - 1e-12 && drop.volts() <= 2 * most + 1e-12);
        }
        // with the lead at a corner all three flow through the first strip, two through the next
        PackCurrents corner = electric(List.of(3), 9, 0.05).solve(row.with(TakeOff.CORNER));
        for (BarDrop drop : BarDrop.of(row, corner)) {
            double whole =
                    corner.links().stream()
                            .filter(each -> each.link().face() == drop.face())
                            .filter(each -> each.link().kind() == Link.Kind.PARALLEL)
                            .mapToDouble(each -> Math.abs(each.volts()))
                            .sum();
            assertEquals(whole, drop.volts(), 1e-12);
        }
    }

    @ParameterizedTest
    @CsvSource({"4, 2", "6, 2", "6, 3", "12, 4"})
    void unitsOfSeveralCansStayTogether(int cans, int unit) {
        int groups = 5;
        LayoutWish wish =
                new LayoutWish(
                        Collections.nCopies(groups, cans),
                        Collections.nCopies(groups, Collections.nCopies(cans / unit, unit)),
                        CAN,
                        Packing.USUAL,
                        Optional.empty(),
                        EnumSet.allOf(Grid.Pattern.class),
                        LayoutWish.Ends.ANYWHERE,
                        TakeOff.EDGE,
                        List.of());
        List<Arrangement> all = found(wish, 10);
        assertFalse(all.isEmpty());
        for (Arrangement each : all)
            assertEquals(0, LayoutCheck.unitsInPieces(each.layout(), wish).size(), each.words());
        Layout one = all.get(0).layout();
        Spot first = one.places().get(0).get(0);
        Spot far = one.places().get(groups - 1).get(0);
        Arrangement torn =
                Arrangement.of(
                        one.swapped(first, far),
                        "by hand",
                        wish,
                        electric(one.groupSizes(), 10, 0.05));
        assertTrue(
                torn.remarks().stream()
                        .anyMatch(remark -> remark.sentence().startsWith("group 1: 1 unit lies")),
                () -> torn.remarks().toString());
        Layout swapped = one.groupsSwapped(0, 2);
        assertEquals(one.places().get(2), swapped.places().get(0));
        assertEquals(one, swapped.groupsSwapped(2, 0));
    }
}
