package pentacell.desktop.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.build.PackToBuild;
import pentacell.core.prove.ProvedPack;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Captioned;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.FittedTable;
import pentacell.desktop.kit.NumberField;
import pentacell.desktop.kit.NumberField.NotUnderstood;
import pentacell.desktop.kit.OnlyWhenSaid;
import pentacell.desktop.kit.PlainButton;
import pentacell.desktop.kit.Wrapping;
import pentacell.instruments.bench.LoadTestRun.Moment;

/// A load test over the line: where board and load are, what is drawn, and what the groups read
/// while it runs.
final class TestRunPane extends VBox {
    private static final String BOARD = "pack-board-address";
    private static final String LOAD = "pack-load-address";

    private final ProveModel model;
    private final LineRun run;
    private final Label meaning = Wrapping.on(new Label());
    private final Label message = Wrapping.on(new Label());
    private final Label practice = Wrapping.on(new Label());
    private final TextField board = address("run-board");
    private final TextField load = address("run-load");
    private final NumberField amps;
    private final NumberField end;
    private final Button begin = PlainButton.of("Begin the test", "run-begin", this::begin);
    private final Button stop = PlainButton.of("Stop the load", "run-stop", this::stop);
    private final FittedTable<Row> groups =
            new FittedTable<>("run-groups", "What groups read stands here while it runs.");

    /// A group as it reads now.
    private record Row(int group, double volts, double aboveLowest) {}

    TestRunPane(ProveModel model, LineRun run) {
        this.model = model;
        this.run = run;
        setId("run-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("run-meaning");
        meaning.getStyleClass().add("meaning");
        message.setId("run-message");
        message.getStyleClass().add("match-message");
        amps = field("run-amps", "Draws / A", 0.01, 10_000);
        end = field("run-end", "Ends at / V a group", 0.5, 4.5);
        model.desk().settings().get(BOARD).ifPresent(board::setText);
        model.desk().settings().get(LOAD).ifPresent(load::setText);
        groups.count("Group", row -> row.group() + 1)
                .number("Reads / V", row -> Quantity.VOLTAGE.number(row.volts()))
                .number(
                        "Above the lowest / mV",
                        row -> Quantity.MILLIVOLTS.number(1000 * row.aboveLowest()))
                .sentence("", row -> row.aboveLowest() == 0 ? "▲ lowest" : "")
                .inThisOrder();
        VBox.setVgrow(groups, Priority.ALWAYS);
        Label caution =
                Wrapping.on(
                        new Label(
                                "Stay with it: full pack, load on something that does not burn, smoke alarm and sand at hand. The load is switched off at the end, when you stop it, and when a line is cut."));
        caution.getStyleClass().add("caption");
        getChildren()
                .addAll(
                        meaning,
                        ControlRow.of(
                                Captioned.of("Board at", board),
                                Captioned.of("Load at", load),
                                amps,
                                end,
                                begin,
                                stop),
                        message,
                        practice,
                        caution,
                        groups);
        practice.setId("run-practice");
        practice.getStyleClass().add("caution-notice");
        OnlyWhenSaid.of(message, practice);
        board.textProperty().subscribe(text -> show());
        model.judgedProperty().subscribe(judged -> show());
        run.statusProperty().subscribe(status -> show());
    }

    private NumberField field(String id, String caption, double least, double most) {
        return new NumberField(
                id,
                caption,
                "",
                "a figure from %s to %s"
                        .formatted(NumberField.plain(least), NumberField.plain(most)),
                least,
                most,
                text -> message.setText(text));
    }

    private static TextField address(String id) {
        TextField field = new TextField();
        field.setId(id);
        field.setPromptText("stand-in");
        field.setPrefColumnCount(11);
        return field;
    }

    private Optional<ProvedPack> proved() {
        return model.judgedProperty().get().map(ProveModel.Judged::pack);
    }

    private void begin() {
        Optional<ProvedPack> proved = proved();
        if (proved.isEmpty()) return;
        PackToBuild pack = proved.get().built();
        try {
            double drawn = amps.number().orElse(usualAmps(pack));
            double endVolts = end.number().orElse(proved.get().usualEndVolts());
            message.setText("");
            model.desk().settings().put(BOARD, board.getText().strip());
            model.desk().settings().put(LOAD, load.getText().strip());
            run.begin(pack, board.getText().strip(), load.getText().strip(), drawn, endVolts);
        } catch (NotUnderstood said) {
            // the field says what was expected
        }
    }

    private void stop() {
        run.stop();
    }

    private static double usualAmps(PackToBuild pack) {
        return pack.wires().steadyAmps();
    }

    private void show() {
        LineRun.Status status = run.statusProperty().get();
        Optional<ProvedPack> proved = proved();
        Optional<PackToBuild> pack = proved.map(ProvedPack::built);
        begin.setDisable(pack.isEmpty() || status.isRunning());
        stop.setDisable(!status.isRunning());
        proved.ifPresent(now -> {
            amps.empty(NumberField.plain(usualAmps(now.built())));
            end.empty(Quantity.VOLTAGE.number(now.usualEndVolts(), 2));
        });
        practice.setText(
                !model.desk().ledger().state().standInsCount() && board.getText().isBlank()
                        ? "Without a board address this runs on stand-ins. That is practice and proves nothing."
                        : "");
        groups.getItems().setAll(status.last().map(TestRunPane::rows).orElse(List.of()));
        meaning.setText(meaning(pack, status));
    }

    private static String meaning(Optional<PackToBuild> pack, LineRun.Status status) {
        if (pack.isEmpty()) return "Match a pack first (Ctrl+6); here it is loaded over the line.";
        if (status.last().isEmpty())
            return status.isRunning()
                    ? "The pack rests for a minute, then it is loaded."
                    : status.ended().isEmpty()
                            ? "Charge the pack full, connect board and load, begin."
                            : status.ended();
        Moment last = status.last().get();
        String given = "%s given".formatted(Quantity.CHARGE.text(status.ampHours()));
        return status.isRunning()
                ? "%s in %s, %s drawn."
                        .formatted(
                                given,
                                Quantity.HOURS.text(last.seconds() / 3600),
                                Quantity.CURRENT.text(last.amps()))
                : "%s. %s Load test says what it means.".formatted(given, status.ended());
    }

    private static List<Row> rows(Moment last) {
        double lowest = last.volts().stream().mapToDouble(each -> each).min().orElse(0);
        List<Row> rows = new ArrayList<>();
        for (int g = 0; g < last.volts().size(); g++)
            rows.add(new Row(g, last.volts().get(g), last.volts().get(g) - lowest));
        return rows;
    }
}
