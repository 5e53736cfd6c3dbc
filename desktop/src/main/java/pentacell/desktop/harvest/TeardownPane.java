package pentacell.desktop.harvest;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorFact.Check;
import pentacell.core.donor.DonorRecord;
import pentacell.core.harvest.Outcome;
import pentacell.core.harvest.Teardown;
import pentacell.core.harvest.TeardownStep;
import pentacell.core.harvest.TeardownStep.Severity;
import pentacell.core.stock.Shelf;
import pentacell.core.unit.Count;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.LineQueue;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.SentFields;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// The teardown of a donor: steps with their hazards to check off, then its cells get their names.
final class TeardownPane extends VBox {
    private static final Pattern PART = Pattern.compile("(?:([1-9]\\d{0,3})\\s+)?(\\D.{0,60})");

    private final Desk desk;
    private final HarvestModel model;
    private final CautionStrip cautions;
    private final VBox steps = new VBox();
    private final TextField count = field("cell-count", "cells", 5);
    private final TextField faults = field("cell-faults", "such as 3s 5d 6sl, if any", 18);
    private final SentFields named = new SentFields(List.of(count, faults));
    private final VBox cells = new VBox();
    private final Label proposal = new Label();
    private final Button take = new Button("Name cells");
    private final TextField minutes = field("minutes", "minutes", 6);
    private final TextField part = field("part", "such as 2 boards", 12);
    private final Label saved = new Label();
    private Optional<String> shown = Optional.empty();
    private Optional<Listed> listed = Optional.empty();
    private Optional<Left> offered = Optional.empty();

    /// What the list of steps shows.
    private record Listed(Donor donor, List<TeardownStep> steps, Set<String> done) {}

    /// How many cells of a donor have no name yet.
    private record Left(String donor, int cells) {}

    TeardownPane(Desk desk, HarvestModel model) {
        this.desk = desk;
        this.model = model;
        setId("teardown-pane");
        getStyleClass().add("harvest-pane");
        cautions = new CautionStrip(desk);
        steps.getStyleClass().add("steps");
        proposal.setId("cell-proposal");
        Wrapping.on(proposal);
        Wrapping.on(saved);
        saved.getStyleClass().add("caption");
        take.setId("name-cells");
        take.getStyleClass().add("primary");
        take.setMinWidth(Region.USE_PREF_SIZE);
        take.setOnAction(pressed -> nameCells());
        count.setOnAction(enter -> nameCells());
        faults.setOnAction(enter -> nameCells());
        count.textProperty().subscribe(text -> propose());
        faults.textProperty().subscribe(text -> propose());
        Label out = new Label("Cells taken out");
        out.getStyleClass().add("section");
        ControlRow naming = ControlRow.of(count, faults, take);
        Label legend =
                new Label(
                        "Outcome by cell number and keys: s sleeve torn, i ring missing, t tab stub, r rust, d dent, l leak, o smell, p puncture, w swollen; all:t marks every cell.");
        Wrapping.on(legend);
        legend.getStyleClass().add("caption");
        cells.getChildren().addAll(out, naming, legend, proposal);
        cells.getStyleClass().add("harvest-pane");
        getChildren().addAll(cautions, steps, cells, extras(), saved);
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
        desk.selection().donorProperty().subscribe(code -> show());
    }

    private static TextField field(String id, String prompt, int columns) {
        TextField field = new TextField();
        field.setId(id);
        field.setPromptText(prompt);
        field.setAccessibleText(prompt);
        field.setPrefColumnCount(columns);
        return field;
    }

    private Node extras() {
        Button logMinutes = new Button("Log minutes");
        logMinutes.setId("log-minutes");
        LineQueue minuteLines = new LineQueue(minutes, desk.notices(), this::enterMinutes);
        logMinutes.setOnAction(pressed -> minuteLines.enter());
        Button logPart = new Button("Log saved part");
        logPart.setId("log-part");
        LineQueue partLines = new LineQueue(part, desk.notices(), this::enterPart);
        logPart.setOnAction(pressed -> partLines.enter());
        return new VBox(ControlRow.of(minutes, logMinutes, part, logPart), minuteLines, partLines);
    }

    /// Puts the caret where the cells are named.
    void beginNaming() {
        count.requestFocus();
        count.selectAll();
    }

    private void show() {
        Optional<DonorRecord> record = model.donor();
        if (record.isEmpty()) {
            steps.getChildren().clear();
            listed = Optional.empty();
            return;
        }
        DonorRecord donor = record.get();
        cells.setVisible(donor.donor().hasCans());
        cells.setManaged(donor.donor().hasCans());
        var full = Teardown.fullVolts(donor.donor(), Optional.of(model.chemistry(donor)));
        List<Caution> wanted = new ArrayList<>(List.of(Caution.SHORT_CIRCUIT, Caution.CAN_DAMAGE));
        if (full.orElse(0) > 60) wanted.add(0, Caution.HIGH_VOLTAGE);
        cautions.show(wanted);
        list(donor, Teardown.steps(donor.donor(), full));
        if (!shown.equals(Optional.of(donor.donor().code()))) {
            shown = Optional.of(donor.donor().code());
            faults.clear();
        }
        // what is being typed stays while something else is logged
        Left left = new Left(donor.donor().code(), model.cellsLeft(donor));
        if (!offered.equals(Optional.of(left))) {
            offered = Optional.of(left);
            count.setText(left.cells() > 0 ? String.valueOf(left.cells()) : "");
        }
        saved.setText(
                donor.parts().isEmpty()
                        ? donor.minutes() > 0 ? minutes(donor) + " so far." : ""
                        : "Saved: "
                                + String.join(
                                        ", ",
                                        donor.parts().entrySet().stream()
                                                .map(each ->
                                                        each.getValue() + " × " + each.getKey())
                                                .toList())
                                + (donor.minutes() > 0 ? ". " + minutes(donor) + " so far." : "."));
        propose();
    }

    /// Lists the steps again when they or their ticks have changed; the caret stays on its step.
    private void list(DonorRecord donor, List<TeardownStep> all) {
        Optional<Listed> now = Optional.of(new Listed(donor.donor(), all, donor.stepsDone()));
        if (now.equals(listed)) return;
        listed = now;
        Optional<String> focused =
                Optional.ofNullable(getScene())
                        .map(Scene::getFocusOwner)
                        .filter(owner -> owner instanceof CheckBox)
                        .map(Node::getId);
        steps.getChildren().setAll(all.stream().map(step -> step(donor, step)).toList());
        focused.map(id -> steps.lookup("#" + id)).ifPresent(Node::requestFocus);
    }

    private static String minutes(DonorRecord donor) {
        return Count.of(donor.minutes(), "minute", "minutes");
    }

    private Node step(DonorRecord record, TeardownStep step) {
        CheckBox box = new CheckBox(step.words());
        box.setId("step-" + step.code());
        Wrapping.on(box);
        box.setSelected(record.stepsDone().contains(step.code()));
        String code = record.donor().code();
        box.setOnAction(pressed ->
                desk.ledger()
                        .logOnce(
                                (box.isSelected() ? "Step done: " : "Step open: ") + step.code(),
                                List.of(
                                        new DonorFact.StepChecked(
                                                code,
                                                step.code(),
                                                box.isSelected() ? Check.DONE : Check.OPEN)),
                                () -> {},
                                // what could not be written is not ticked
                                why -> box.setSelected(!box.isSelected())));
        VBox row = new VBox(box);
        row.getStyleClass().add("step");
        step.hazard()
                .filter(hazard -> !box.isSelected())
                .ifPresent(hazard -> {
                    boolean danger = hazard.severity() == Severity.DANGER;
                    Label words = new Label((danger ? "■ " : "▲ ") + hazard.words());
                    Wrapping.on(words);
                    words.getStyleClass()
                            .addAll("hazard", danger ? "hazard-danger" : "hazard-caution");
                    row.getChildren().add(words);
                });
        return row;
    }

    private Outcome outcome() {
        return Outcome.read(count.getText(), faults.getText());
    }

    private void propose() {
        Optional<DonorRecord> record = model.donor();
        if (record.isEmpty()) return;
        Outcome outcome = outcome();
        if (count.getText().isBlank()) {
            take.setDisable(true);
            proposal.setText(
                    Cells.of(desk.ledger().state()).ofDonor(record.get().donor().code()).isEmpty()
                            ? "How many cells came out of it?"
                            : "All its cells are named.");
            return;
        }
        take.setDisable(outcome.problem().isPresent());
        if (outcome.problem().isPresent()) {
            proposal.setText(outcome.problem().get());
            return;
        }
        int cells = outcome.blemishes().size();
        take.setText("Name " + cells + (cells == 1 ? " cell" : " cells"));
        List<CellId> ids =
                Teardown.newIds(desk.ledger().state(), record.get().donor().code(), cells);
        List<Place> places = Shelf.free(desk.ledger().state(), cells);
        String where =
                places.isEmpty()
                        ? "no tray has a free place, they lie loose"
                        : places.size() < cells
                                ? "only %s free, the others lie loose"
                                        .formatted(
                                                Count.of(places.size(), "place is", "places are"))
                                : "into " + places.get(0) + " to " + places.get(cells - 1);
        proposal.setText(
                "%s to %s, %s. %s"
                        .formatted(ids.get(0), ids.get(ids.size() - 1), where, outcome.words()));
    }

    private void nameCells() {
        Optional<DonorRecord> record = model.donor();
        Outcome outcome = outcome();
        if (record.isEmpty()) return;
        if (outcome.problem().isPresent()) {
            desk.notices().say(outcome.problem().get());
            return;
        }
        String code = record.get().donor().code();
        String model = record.get().donor().cellModel();
        int cells = outcome.blemishes().size();
        List<CellId> ids = Teardown.newIds(desk.ledger().expected(), code, cells);
        Runnable comeBack = named.send();
        desk.ledger()
                .logOnce(
                        "Take " + Count.of(cells, "cell", "cells") + " out of " + code,
                        Teardown.named(
                                desk.ledger().expected(), record.get().donor(), ids, outcome),
                        () -> {
                            desk.selection().select(ids.get(0));
                            desk.notices()
                                    .say(
                                            "%s of %s%s at Intake (Ctrl+2) for a first voltage."
                                                    .formatted(
                                                            Count.of(cells, "cell", "cells"),
                                                            code,
                                                            (model.isEmpty()
                                                                            ? ""
                                                                            : ", " + model + ",")
                                                                    + (cells == 1
                                                                            ? " waits"
                                                                            : " wait")));
                        },
                        why -> comeBack.run());
    }

    private Entered enterMinutes(String text) {
        String typed = text.strip();
        if (!typed.matches("[1-9]\\d{0,3}"))
            return new Entered.Refused("Type how many minutes it took, such as 25.");
        int spent = Integer.parseInt(typed);
        return ofDonor(
                typed,
                code -> Count.of(spent, "minute", "minutes") + " on " + code,
                code -> new DonorFact.MinutesSpent(code, spent));
    }

    private Entered enterPart(String text) {
        Matcher written = PART.matcher(text.strip());
        if (!written.matches())
            return new Entered.Refused("Type what was saved, such as 2 boards or 6 M3 screws.");
        int many = written.group(1) == null ? 1 : Integer.parseInt(written.group(1));
        String what = written.group(2).strip();
        return ofDonor(
                text.strip(),
                code -> "Save part of " + code,
                code -> new DonorFact.PartSaved(code, what, many));
    }

    private Entered ofDonor(
            String text, UnaryOperator<String> words, Function<String, DonorFact> fact) {
        Optional<String> donor = model.donor().map(record -> record.donor().code());
        if (donor.isEmpty()) return new Entered.Refused("Choose the donor first.");
        String code = donor.get();
        return Entered.fact(desk.ledger(), text, words.apply(code), fact.apply(code));
    }
}
