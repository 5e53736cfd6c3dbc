package pentacell.core.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.core.build.LayoutTest.CAN;
import static pentacell.core.build.LayoutTest.PARTS;
import static pentacell.core.build.LayoutTest.electric;
import static pentacell.core.build.LayoutTest.found;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Packing;

/// Layouts of packs that are not just flat and full: in layers, around places kept free, of units
/// of several cans; and what their bars drop.
final class LayersAndPlacesTest {
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

    @ParameterizedTest
    @CsvSource({
        // 20 mm from can to can: 7 x 10 of them in one layer take 138.5 x 198.5 mm
        "10, 210, 150, 75, 1",
        // four groups a layer take 8 x 5
        "10, 164, 104, 142, 2",
        // two groups a layer take 6 x 3; other ways round the box is too narrow
        "9, 124, 64, 281, 4"
    })
    void asManyLayersAsTheBoxAsksFor(
            int parallel, double length, double width, double height, int layers) {
        Box box = new Box(length, width, height);
        List<JudgedLayout> all = found(boxed(7, parallel, box), 10);
        assertFalse(all.isEmpty());
        for (JudgedLayout each : all) {
            Layout layout = each.layout();
            assertTrue(each.canBeBuilt(), each.words());
            assertEquals(layers, layout.grid().layers());
            for (List<Spot> group : layout.places())
                assertEquals(
                        1, group.stream().map(layout.grid()::layer).distinct().count(), "whole");
            assertEquals(
                    layers > 1,
                    each.remarks().stream().anyMatch(LayoutRemark.LayersFold.class::isInstance));
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
        List<JudgedLayout> all = found(boxed(7, 10, new Box(400, 400, 80), bracket), 10);
        assertFalse(all.isEmpty());
        for (JudgedLayout each : all) {
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
        JudgedLayout wrong =
                JudgedLayout.of(
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
        List<JudgedLayout> all = found(wish, 10);
        assertFalse(all.isEmpty());
        for (JudgedLayout each : all)
            assertEquals(0, LayoutCheck.unitsInPieces(each.layout(), wish).size(), each.words());
        Layout one = all.get(0).layout();
        Spot first = one.places().get(0).get(0);
        Spot far = one.places().get(groups - 1).get(0);
        JudgedLayout torn =
                JudgedLayout.of(
                        one.swapped(first, far),
                        "by hand",
                        wish,
                        electric(one.groupSizes(), 10, 0.05));
        assertTrue(
                torn.remarks().contains(new LayoutRemark.UnitsInPieces(1, 1)),
                () -> torn.remarks().toString());
        Layout swapped = one.groupsSwapped(0, 2);
        assertEquals(one.places().get(2), swapped.places().get(0));
        assertEquals(one, swapped.groupsSwapped(2, 0));
    }
}
