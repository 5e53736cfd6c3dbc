package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchOutlook.InUse;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.Scrolled;
import pentacell.desktop.kit.Wrapping;
import pentacell.desktop.match.CompareModel.Choice;
import pentacell.desktop.match.CompareModel.Compared;
import pentacell.desktop.match.CompareModel.Side;

/// Two matches side by side: what each comes to, in a table with the difference, and the tops of
/// their groups on one scale.
final class ComparePane extends VBox {
    private final CompareModel compare;
    private final ComboBox<Choice> left = new ComboBox<>();
    private final ComboBox<Choice> right = new ComboBox<>();
    private final Label meaning = new Label();
    private final Button take = new Button("Use the second");
    private final FittedTable<Line> table =
            new FittedTable<>("compare-table", "Choose two matches to hold against each other.");
    private final PlotSurface tops;

    /// A line of the table.
    record Line(String figure, String first, String second, String difference) {}

    ComparePane(Desk desk, MatchModel match) {
        compare = new CompareModel(desk, match);
        tops =
                new PlotSurface((pen, width, height) ->
                        compare.comparedProperty()
                                .get()
                                .ifPresent(
                                        both -> new ComparedTops(pen, both).paint(width, height)));
        setId("compare-pane");
        meaning.setId("compare-meaning");
        meaning.getStyleClass().add("meaning");
        Wrapping.on(meaning);
        choice(left, "compare-first");
        choice(right, "compare-second");
        take.setId("compare-take");
        take.getStyleClass().add("primary");
        take.setOnAction(pressed -> Optional.ofNullable(right.getValue()).ifPresent(compare::take));
        table.column("", Line::figure)
                .number("First", Line::first)
                .number("Second", Line::second)
                .number("Second − first", Line::difference)
                .inThisOrder();
        tops.getStyleClass().add("compare-tops");
        tops.setId("compare-tops");
        ControlRow bar =
                ControlRow.of(
                        new Label("First"),
                        left,
                        new Label("Second"),
                        right,
                        ControlRow.gap(),
                        take);
        Label model =
                new Label(
                        "Ah, Wh, share and heat are simulated from full at half the capacity an hour. Cycles are a model, to compare and not to foretell: a cell loses 0.04 % of its capacity a cycle, more the harder it works and the hotter it runs.");
        model.getStyleClass().add("caption");
        Wrapping.on(model);
        VBox content = new VBox(meaning, bar, tops, table, model);
        content.getStyleClass().add("trade-off-content");
        Scrolled scroll = new Scrolled(content);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().add(scroll);
        match.shownProperty().subscribe(shown -> offer());
        match.tradeOff().curveProperty().subscribe(curve -> offer());
        compare.comparedProperty().subscribe(this::show);
    }

    private void choice(ComboBox<Choice> box, String id) {
        box.setId(id);
        box.valueProperty().subscribe(chosen -> again());
    }

    /// Offers what there is now; what was chosen stays while it is still there.
    private void offer() {
        List<Choice> choices = compare.choices();
        keep(left, choices, 0);
        keep(right, choices, 1);
        again();
    }

    private static void keep(ComboBox<Choice> box, List<Choice> choices, int usual) {
        Optional<String> before = Optional.ofNullable(box.getValue()).map(Choice::name);
        box.getItems().setAll(choices);
        box.setValue(
                choices.stream()
                        .filter(each -> before.equals(Optional.of(each.name())))
                        .findFirst()
                        .orElse(usual < choices.size() ? choices.get(usual) : null));
    }

    private void again() {
        boolean isPair = left.getValue() != null && right.getValue() != null;
        take.setDisable(
                !isPair
                        || left.getValue().equals(right.getValue())
                        || compare.notFree(right.getValue()).isPresent());
        if (isPair) compare.compare(left.getValue(), right.getValue());
        else compare.clear();
    }

    private void show(Optional<Compared> compared) {
        table.getItems().setAll(compared.map(ComparePane::lines).orElse(List.of()));
        meaning.setText(
                compared.map(ComparePane::meaning)
                        .orElse(
                                "Match again, draw the trade-off, or match another pack: then there are two matches to compare."));
        tops.repaint();
    }

    private static String meaning(Compared both) {
        return "%s; %s.".formatted(gain(both), common(both));
    }

    /// By capacity; packs of different series are held together by what they store.
    private static String gain(Compared both) {
        boolean isOfOneSeries =
                both.left().choice().rules().series() == both.right().choice().rules().series();
        double first = isOfOneSeries ? usable(both.left()) : wattHours(both.left());
        double second = isOfOneSeries ? usable(both.right()) : wattHours(both.right());
        double percent = 100 * (second - first) / first;
        if (Double.isNaN(percent)) return "The packs are of different series";
        String what = isOfOneSeries ? "" : " energy";
        return Math.abs(percent) < 0.005
                ? "Both give as much" + what
                : "The second gives %s %s%s"
                        .formatted(
                                Quantity.PERCENT.text(Math.abs(percent), 2),
                                percent > 0 ? "more" : "less",
                                what);
    }

    private static String common(Compared both) {
        int common = both.common();
        int cells = both.right().cells().size();
        if (common == 0) return "they have no cell in common";
        if (common == cells) return "all its cells are in the first as well";
        return "%d of its %d cells %s in the first as well"
                .formatted(common, cells, common == 1 ? "is" : "are");
    }

    private static double usable(Side side) {
        return side.figures().usableMilliampHours();
    }

    private static double wattHours(Side side) {
        return side.inUse().map(InUse::wattHours).orElse(Double.NaN);
    }

    private static List<Line> lines(Compared both) {
        List<Line> lines = new ArrayList<>();
        line(lines, both, "Usable / mAh", 0, of(MatchFigures::usableMilliampHours));
        line(lines, both, "Spread / mAh", 0, of(MatchFigures::spreadMilliampHours));
        line(
                lines,
                both,
                "Group R spread / %",
                2,
                side -> side.figures().resistanceSpreadPercent());
        line(
                lines,
                both,
                "IR spread in a group / mΩ",
                1,
                side -> side.figures().worstIrSpreadMilliohms());
        line(lines, both, "Ah from full", 2, use(InUse::ampHours));
        line(lines, both, "Wh from full", 1, use(InUse::wattHours));
        line(lines, both, "Hardest-worked cell, × its share", 2, use(InUse::worstShareAtStart));
        line(lines, both, "Heat of the hottest cell / W", 3, use(InUse::hottestCellWatts));
        for (int i = 0; i < 2; i++) {
            int at = i;
            int cycles = i == 0 ? 100 : 500;
            line(
                    lines,
                    both,
                    "Ah after %d cycles".formatted(cycles),
                    2,
                    use(each -> each.later().get(at).ampHours()));
            line(
                    lines,
                    both,
                    "Spread after %d cycles / mAh".formatted(cycles),
                    0,
                    use(each -> each.later().get(at).spreadMilliampHours()));
        }
        return lines;
    }

    private static Function<Side, OptionalDouble> of(Function<MatchFigures, Double> figure) {
        return side -> OptionalDouble.of(figure.apply(side.figures()));
    }

    private static Function<Side, OptionalDouble> use(Function<InUse, Double> figure) {
        return side ->
                side.inUse()
                        .map(each -> OptionalDouble.of(figure.apply(each)))
                        .orElse(OptionalDouble.empty());
    }

    private static void line(
            List<Line> lines,
            Compared both,
            String name,
            int digits,
            Function<Side, OptionalDouble> figure) {
        OptionalDouble first = figure.apply(both.left());
        OptionalDouble second = figure.apply(both.right());
        String difference =
                first.isEmpty() || second.isEmpty()
                        ? ""
                        : signed(second.getAsDouble() - first.getAsDouble(), digits);
        lines.add(new Line(name, number(first, digits), number(second, digits), difference));
    }

    private static String signed(double difference, int digits) {
        String number = Quantity.COUNT.number(Math.abs(difference), digits);
        boolean isNone = number.chars().noneMatch(c -> c >= '1' && c <= '9');
        return isNone ? "0" : (difference < 0 ? "−" : "+") + number;
    }

    private static String number(OptionalDouble value, int digits) {
        return value.isPresent() ? Quantity.COUNT.number(value.getAsDouble(), digits) : "";
    }
}
