package pentacell.desktop.test;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.Schools;
import pentacell.core.school.TestSchool;
import pentacell.core.test.facts.Bench;
import pentacell.core.test.facts.BenchFact;
import pentacell.core.test.facts.BenchHours;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.SchoolChooser;
import pentacell.desktop.kit.ControlRow;

/// How the bench is run: clock of the stand-ins, standard conditions, hours somebody is there, the
/// folder logs come into.
final class BenchSettings {
    private final Desk desk;
    private final TestModel model;
    private final Consumer<String> remark;
    private final ComboBox<Integer> speed = new ComboBox<>();
    private final SchoolChooser<TestSchool> school;
    private final TextField from = new TextField();
    private final TextField until = new TextField();
    private final TextField folder = new TextField();
    private final ControlRow row;

    /// @param address where an instrument is added
    /// @param remark says what is wrong with what was typed; empty when nothing is
    BenchSettings(
            Desk desk, TestModel model, LogIntake logs, Node address, Consumer<String> remark) {
        this.desk = desk;
        this.model = model;
        this.remark = remark;
        speed.setId("stand-in-speed");
        speed.getItems().setAll(TestModel.SPEEDS);
        speed.setValue(model.speed());
        speed.setOnAction(chosen -> {
            if (speed.getValue() != null) this.model.setSpeed(speed.getValue());
        });
        school =
                new SchoolChooser<>(
                        desk,
                        "test-school",
                        new SchoolChooser.Question<>(
                                TestSchool.SHIPPED,
                                TestSchool::name,
                                state -> Schools.of(state).test(),
                                SchoolFact.TestChosen::new,
                                "Test",
                                chosen ->
                                        "Standard conditions: "
                                                + chosen.name()
                                                + ". Earlier capacities keep theirs until they are recalculated, under Bench."));
        from.setId("hours-from");
        until.setId("hours-until");
        for (TextField field : List.of(from, until)) {
            field.setPrefColumnCount(3);
            field.setOnAction(enter -> setHours());
        }
        folder.setPromptText("a folder logs come into");
        folder.setId("watched-folder");
        folder.setPrefColumnCount(24);
        logs.folder().ifPresent(path -> folder.setText(path.toString()));
        folder.setOnAction(enter -> watch(logs));
        row =
                ControlRow.of(
                        captioned("Instrument: name host:port", address),
                        captioned("Stand-ins' clock ×", speed),
                        captioned("Standard conditions", school),
                        captioned("Staffed from (h)", from),
                        captioned("until (h)", until),
                        captioned("Watched folder", folder));
    }

    Node node() {
        return row;
    }

    private static Node captioned(String caption, Node field) {
        Label label = new Label(caption);
        label.setLabelFor(field);
        label.getStyleClass().add("caption");
        return new VBox(label, field);
    }

    void show() {
        school.showInForce();
        BenchHours.Span span =
                Bench.of(desk.ledger().state()).hours().days().values().stream()
                        .findFirst()
                        .orElse(new BenchHours.Span(8, 22));
        if (!from.isFocused()) from.setText(String.valueOf(span.from()));
        if (!until.isFocused()) until.setText(String.valueOf(span.until()));
    }

    private void watch(LogIntake logs) {
        logs.watch(folder.getText());
        desk.notices()
                .say(
                        folder.getText().isBlank()
                                ? "No folder is watched."
                                : "Logs that come into " + folder.getText() + " are imported.");
    }

    private void setHours() {
        try {
            BenchHours.Span span =
                    new BenchHours.Span(
                            Integer.parseInt(from.getText().strip()),
                            Integer.parseInt(until.getText().strip()));
            remark.accept("");
            desk.ledger()
                    .log(
                            "Staffed %d to %d h".formatted(span.from(), span.until()),
                            List.of(new BenchFact.BenchHoursSet(BenchHours.everyDay(span))),
                            () ->
                                    desk.notices()
                                            .say(
                                                    "Swaps are planned between %d and %d h."
                                                            .formatted(span.from(), span.until())));
        } catch (IllegalArgumentException odd) {
            remark.accept("Hours are two whole numbers, such as 8 and 22.");
        }
    }
}
