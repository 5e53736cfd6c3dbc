package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.SchoolChange;
import pentacell.core.school.BandSchool;
import pentacell.core.school.BandText;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.Schools;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.SentFields;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// The schools of voltage bands: choose one, see which cells change their verdict, put it in force;
/// or edit a copy.
final class SchoolPane extends VBox {
    private final Desk desk;
    private final ComboBox<Chemistry> chemistry = new ComboBox<>();
    private final ComboBox<BandSchool> school = new ComboBox<>();
    private final ComboBox<ResistanceMethod> meter = new ComboBox<>();
    private final TextField name = new TextField();
    private final SentFields sent = new SentFields(List.of(name));
    private final TextField bands = new TextField();
    private final Label effect = new Label();
    private final ListView<String> changes = new ListView<>();
    private final Button force = new Button("Apply");
    private final Button save = new Button("Save copy and apply");

    SchoolPane(Desk desk) {
        this.desk = desk;
        setId("school-pane");
        getStyleClass().add("list-pane");
        chemistry.setId("school-chemistry");
        chemistry.getItems().setAll(Chemistry.values());
        chemistry.setValue(Chemistry.NMC);
        chemistry.setConverter(new EnumWords<>(Chemistry::words));
        school.setId("school");
        school.setConverter(new EnumWords<>(BandSchool::name));
        name.setId("school-name");
        name.setPromptText("as in our shed");
        name.setPrefColumnCount(12);
        bands.setId("school-bands");
        bands.getStyleClass().add("may-shorten");
        force.setId("school-force");
        force.getStyleClass().add("primary");
        save.setId("school-save");
        effect.setId("school-effect");
        Wrapping.on(effect);
        changes.setId("school-changes");
        changes.setPlaceholder(new Label("No cell changes its verdict."));
        VBox.setVgrow(changes, Priority.ALWAYS);
        chemistry.valueProperty().subscribe(chosen -> offer());
        school.valueProperty()
                .subscribe(chosen -> {
                    if (chosen != null) bands.setText(BandText.of(chosen));
                    preview();
                });
        force.setOnAction(pressed -> putInForce(Optional.ofNullable(school.getValue())));
        save.setOnAction(pressed -> saveCopy());
        name.setOnAction(enter -> saveCopy());
        bands.setOnAction(enter -> saveCopy());
        WhenShown.run(this, desk.ledger().stateProperty(), this::offer);
        getChildren().addAll(meterChooser(), chooser(), copier(), effect, changes);
    }

    /// A four-wire meter and a charger's own reading are two different things: said once here, and
    /// `56ac` or `56dc` says it for a single value.
    private Node meterChooser() {
        meter.setId("school-meter");
        meter.getItems().setAll(ResistanceMethod.values());
        meter.setConverter(
                new EnumWords<>(method ->
                        switch (method) {
                            case AC_1_KHZ -> "four-wire meter, AC 1 kHz";
                            case DC -> "charger or load, DC";
                        }));
        meter.valueProperty()
                .subscribe(chosen -> {
                    if (chosen != null && chosen != Schools.of(desk.ledger().state()).meter())
                        desk.ledger()
                                .log(
                                        "Resistance meter: " + chosen.words(),
                                        List.of(new SchoolFact.MeterChosen(chosen)),
                                        () -> {});
                });
        return ControlRow.of(new Label("Typed and imported resistances are read with"), meter);
    }

    private Node chooser() {
        return ControlRow.of(new Label("School"), chemistry, school, force);
    }

    private Node copier() {
        return new VBox(4, ControlRow.of(new Label("Edit a copy called"), name, save), bands);
    }

    private void offer() {
        BandSchool inForce = Schools.of(desk.ledger().state()).bands(chemistry.getValue());
        List<BandSchool> choices = Schools.of(desk.ledger().state()).choices(chemistry.getValue());
        BandSchool chosen = school.getValue();
        if (!school.getItems().equals(choices)) school.getItems().setAll(choices);
        school.setValue(chosen != null && choices.contains(chosen) ? chosen : inForce);
        meter.setValue(Schools.of(desk.ledger().state()).meter());
        preview();
    }

    private void preview() {
        BandSchool chosen = school.getValue();
        if (chosen == null) return;
        boolean isInForce =
                chosen.equals(Schools.of(desk.ledger().state()).bands(chosen.chemistry()));
        force.setDisable(isInForce);
        List<SchoolChange> list = SchoolChange.of(desk.ledger().state(), chosen);
        changes.getItems().setAll(list.stream().map(SchoolPane::words).toList());
        if (isInForce) effect.setText("The " + chosen.name() + " is in force.");
        else effect.setText(list.isEmpty() ? "" : summary(list));
    }

    private static String words(SchoolChange change) {
        return "%s: %s, so far %s"
                .formatted(change.cell(), change.after().words(), change.before().words());
    }

    /// How many cells change from what to what.
    static String summary(List<SchoolChange> changes) {
        TreeMap<String, Integer> counts = new TreeMap<>();
        for (SchoolChange change : changes)
            counts.merge(change.before().words() + " → " + change.after().words(), 1, Integer::sum);
        List<String> parts = new ArrayList<>();
        counts.forEach((words, count) -> parts.add(count + " " + words));
        return changes.size()
                + (changes.size() == 1
                        ? " cell changes its verdict: "
                        : " cells change their verdict: ")
                + String.join("; ", parts)
                + ". Rescued marks stay.";
    }

    private void saveCopy() {
        BandText text = BandText.read(name.getText(), chemistry.getValue(), bands.getText());
        if (text.problem().isPresent()) {
            effect.setText(text.problem().get());
            desk.notices().say(text.problem().get());
            return;
        }
        putInForce(text.policy());
    }

    private void putInForce(Optional<BandSchool> policy) {
        if (policy.isEmpty()) return;
        List<SchoolChange> list = SchoolChange.of(desk.ledger().state(), policy.get());
        Runnable comeBack = sent.send();
        desk.ledger()
                .logOnce(
                        "School: " + policy.get().name(),
                        List.of(new SchoolFact.BandsChosen(policy.get())),
                        () -> {
                            school.setValue(policy.get());
                            changes.getItems()
                                    .setAll(list.stream().map(SchoolPane::words).toList());
                            effect.setText(
                                    "The "
                                            + policy.get().name()
                                            + " is in force. "
                                            + (list.isEmpty()
                                                    ? "No cell changes its verdict."
                                                    : summary(list)));
                        },
                        why -> comeBack.run());
    }
}
