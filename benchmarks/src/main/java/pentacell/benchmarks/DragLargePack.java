package pentacell.benchmarks;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Selection;
import pentacell.desktop.Workbench;
import pentacell.workshop.logbook.LogbookException;

/// A cell dragged over the skyline of 80 groups of 20, with what each swap would do: how long
/// frames take meanwhile, the first time and later ones.
public final class DragLargePack extends MeasuredWindow {
    private static final int SERIES = 80;
    private static final int PARALLEL = 20;
    private static final int STEPS = 200;

    /// Four fifths of what the cells of the book are rated.
    private static final double USABLE_MILLIAMP_HOURS = 1_760;

    /// Prints the figures.
    public static void main(String[] arguments) {
        launch(arguments);
    }

    @Override
    void measure(Workbench bench) throws IOException, LogbookException {
        LargeBook.open(bench, facts());
        UiThread.run(() ->
                bench.stations().stream()
                        .filter(station -> station.name().equals("Match"))
                        .forEach(bench.frame()::go));
        UiThread.lateness(4);
        Node skyline = bench.frame().scene().lookup("#skyline");
        Labeled effect = (Labeled) bench.frame().scene().lookup("#swap-effect");
        double width = skyline.getLayoutBounds().getWidth();
        double height = skyline.getLayoutBounds().getHeight();
        Hand hand = new Hand(skyline, MouseButton.PRIMARY);
        for (String time : List.of("first", "second", "third")) {
            hand.does(MouseEvent.MOUSE_PRESSED, width * 0.3, height * 0.4);
            int[] swapsTold = {0};
            Hand.Frames frames =
                    hand.drags(
                            STEPS,
                            at -> {
                                if (effect.getText().startsWith("Swap ")) swapsTold[0]++;
                                return new Point2D(
                                        width * (0.15 + 0.008 * (at % 100)),
                                        height * (0.3 + 0.04 * (at % 7)));
                            });
            System.out.printf("%s drag, %d swaps told: %s%n", time, swapsTold[0], frames);
            // let go over no cell, so that nothing is swapped
            hand.drags(1, at -> new Point2D(0, 0));
            hand.does(MouseEvent.MOUSE_RELEASED, 0, 0);
        }
    }

    /// Groups of cells that may be used, in the order of their numbers, and as many cells again.
    private static List<Fact> facts() {
        List<Fact> facts = new ArrayList<>(LargeBook.facts(2 * SERIES * PARALLEL));
        Map<CellId, Double> milliampHours = new LinkedHashMap<>();
        for (Fact fact : facts)
            if (fact instanceof CellFact.CapacityMeasured measured)
                milliampHours.put(measured.cell(), measured.milliampHours());
        List<CellId> cells =
                milliampHours.entrySet().stream()
                        .filter(each -> each.getValue() > USABLE_MILLIAMP_HOURS)
                        .map(Map.Entry::getKey)
                        .toList();
        facts.add(
                new PackFact.GroupsMatched(
                        "Large",
                        MatchRules.of(SERIES, PARALLEL, Selection.STRONGEST),
                        IntStream.range(0, SERIES)
                                .mapToObj(group ->
                                        cells.subList(group * PARALLEL, (group + 1) * PARALLEL))
                                .toList(),
                        Map.of()));
        return facts;
    }
}
