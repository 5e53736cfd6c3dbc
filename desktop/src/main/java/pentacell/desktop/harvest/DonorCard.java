package pentacell.desktop.harvest;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.cell.Catalogue;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.Donor;
import pentacell.core.donor.DonorFact;
import pentacell.core.donor.DonorFact.DonorWay;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.PackLabel;
import pentacell.core.donor.WarningSign;
import pentacell.core.harvest.Diagnose;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.PackReadings;
import pentacell.core.journal.Amendment;
import pentacell.core.school.Schools;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;
import pentacell.desktop.frame.CardContent;
import pentacell.desktop.frame.DecisionRow;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Figures;
import pentacell.desktop.frame.InlineEdit;
import pentacell.desktop.kit.When;
import pentacell.desktop.kit.Wrapping;

/// The card of the selected donor: code, diagnosis with its reasons, label, decision, life line.
final class DonorCard extends VBox {
    private final Desk desk;
    private final Label code = new Label();
    private final Label kind = new Label();
    private final Label origin = new Label();
    private final Figures figures = new Figures();
    private final Label verdict = new Label();
    private final VBox reasons = new VBox();
    private final VBox lifeLine = new VBox();
    private final CardContent content;

    DonorCard(Desk desk) {
        this.desk = desk;
        setId("donor-card");
        code.setId("donor-card-code");
        code.getStyleClass().add("card-id");
        kind.getStyleClass().add("card-verdict");
        Wrapping.on(kind);
        origin.getStyleClass().add("card-origin");
        Wrapping.on(origin);
        verdict.setId("donor-verdict");
        verdict.getStyleClass().add("section");
        Wrapping.on(verdict);
        reasons.setId("donor-reasons");
        reasons.getStyleClass().add("reasons");
        lifeLine.getStyleClass().add("life-line");
        Label lifeLineTitle = new Label("Life line");
        lifeLineTitle.getStyleClass().add("section");
        content =
                new CardContent(
                        this,
                        new VBox(code, kind),
                        origin,
                        figures,
                        verdict,
                        reasons,
                        decisionRow(),
                        lifeLineTitle,
                        lifeLine);
        desk.selection().donorProperty().subscribe(selected -> show());
        desk.ledger().stateProperty().subscribe(state -> show());
    }

    private void show() {
        Optional<DonorRecord> selected = desk.selection().donor();
        content.setVisible(selected.isPresent());
        selected.ifPresent(this::show);
    }

    private void show(DonorRecord record) {
        Donor donor = record.donor();
        code.setText(donor.code());
        kind.setText(donor.kind());
        List<String> parts = new ArrayList<>();
        donor.arrangement().map(Arrangement::toString).ifPresent(parts::add);
        if (!donor.cellModel().isEmpty()) parts.add(donor.cellModel());
        donor.lot().ifPresent(lot -> parts.add("lot " + lot));
        if (!donor.note().isEmpty()) parts.add(donor.note());
        origin.setText(String.join(" · ", parts));
        showFigures(record);
        showDiagnosis(record);
        lifeLine.getChildren()
                .setAll(record.lifeLine().reversed().stream().map(this::line).toList());
    }

    private void showFigures(DonorRecord record) {
        figures.clear();
        PackLabel label = record.donor().label();
        if (label.volts().isPresent())
            figures.add("Label", Quantity.VOLTAGE, label.volts().getAsDouble());
        if (label.ampHours().isPresent())
            figures.add("Label", Quantity.CHARGE, label.ampHours().getAsDouble());
        if (label.wattHours().isPresent())
            figures.add("Label", Quantity.ENERGY, label.wattHours().getAsDouble());
        if (record.packVolts().isPresent())
            figures.add("Whole pack", Quantity.VOLTAGE, record.packVolts().getAsDouble());
        if (record.outputVolts().isPresent())
            figures.add("Output", Quantity.VOLTAGE, record.outputVolts().getAsDouble());
        String donor = record.donor().code();
        int cells = 0;
        for (Standing standing : Standing.values())
            cells += desk.ledger().judged().ofDonor(donor).getOrDefault(standing, 0);
        if (cells > 0) figures.add("Cells out", Quantity.COUNT, cells);
        if (record.minutes() > 0) figures.add("Minutes", Quantity.COUNT, record.minutes());
    }

    private void showDiagnosis(DonorRecord record) {
        reasons.getChildren().clear();
        record.decision()
                .ifPresent(decided ->
                        addReason(
                                "Decided by hand: "
                                        + words(decided.way())
                                        + ", "
                                        + decided.reason()
                                        + "."));
        Optional<PackReadings> readings =
                PackReadings.of(
                        record,
                        Catalogue.of(desk.ledger().state()).model(record.donor().cellModel()));
        if (!record.donor().hasCans()) {
            verdict.setText("Pouch cells: leave it whole, hand it in.");
            addReason(Caution.POUCH_CELLS.words());
        } else if (readings.isEmpty()) {
            verdict.setText("Not judged: not all its groups have been read.");
        } else {
            Diagnosis diagnosis = Diagnose.pack(readings.get(), Schools.of(desk.ledger().state()));
            verdict.setText(
                    diagnosis.sentence() + " " + Sentence.begin(diagnosis.advice().words()) + ".");
            addReason("How sure: " + diagnosis.sureness().words() + ".");
            diagnosis.reasons().forEach(reason -> addReason(reason.sentence()));
        }
        if (!record.signs().isEmpty())
            addReason(
                    "Seen: "
                            + record.signs().stream()
                                    .sorted()
                                    .map(WarningSign::words)
                                    .collect(Collectors.joining(", "))
                            + ".");
        record.donor().label().oddity().ifPresent(reason -> addReason(reason.sentence()));
    }

    private void addReason(String sentence) {
        Label line = new Label(sentence);
        Wrapping.on(line);
        line.getStyleClass().add("reason");
        reasons.getChildren().add(line);
    }

    private Node decisionRow() {
        return new DecisionRow<>(
                "donor-decision",
                List.of(DonorWay.values()),
                DonorWay.HARVEST,
                DonorWay.AS_ADVISED,
                DonorCard::words,
                (choice, reason, onFailed) ->
                        desk.selection()
                                .donor()
                                .map(record -> record.donor().code())
                                .ifPresent(donor ->
                                        desk.ledger()
                                                .logOnce(
                                                        "Decide " + donor,
                                                        List.of(
                                                                new DonorFact.WayDecided(
                                                                        donor, choice, reason)),
                                                        () -> {},
                                                        why -> onFailed.run())));
    }

    private static String words(DonorWay way) {
        return switch (way) {
            case USE -> "use";
            case REPAIR -> "repair";
            case HARVEST -> "harvest";
            case SCRAP -> "scrap";
            case AS_ADVISED -> "as advised";
        };
    }

    private Node line(DonorRecord.LifeLineEntry entry) {
        Label at = new Label(When.DAY.words(entry.at().atZone(ZoneId.systemDefault())));
        at.getStyleClass().add("life-at");
        Label what = new Label(words(entry.fact()) + (entry.isStruck() ? " (struck)" : ""));
        Wrapping.on(what);
        what.getStyleClass().add(entry.isStruck() ? "life-gone" : "life-what");
        what.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(what, Priority.ALWAYS);
        HBox row = new HBox(at, what);
        row.getStyleClass().add("life-row");
        // a decision is taken back by deciding again, a step by its box
        if (entry.isStruck()
                || entry.fact() instanceof DonorFact.WayDecided
                || entry.fact() instanceof DonorFact.StepChecked) return row;
        Button strike = new Button("Strike");
        strike.setId("strike-" + entry.sequence());
        strike.getStyleClass().addAll("quiet", "small");
        strike.setOnAction(pressed -> InlineEdit.STRIKE.begin(row, "", strike(entry), this::show));
        row.getChildren().add(strike);
        return row;
    }

    private Predicate<String> strike(DonorRecord.LifeLineEntry entry) {
        return reason -> {
            if (reason.isBlank()) return false;
            desk.ledger()
                    .log(
                            "Strike entry of " + entry.fact().donor(),
                            List.of(new Amendment.EntryStruck(entry.sequence(), reason.strip())),
                            () -> {});
            return true;
        };
    }

    private static String words(DonorFact.OfDonor fact) {
        return switch (fact) {
            case DonorFact.GroupsRead read ->
                    read.groupVolts().entrySet().stream()
                            .map(each ->
                                    "group "
                                            + each.getKey()
                                            + " "
                                            + Quantity.VOLTAGE.text(each.getValue()))
                            .collect(Collectors.joining(", "));
            case DonorFact.PackVoltageRead read ->
                    "whole pack " + Quantity.VOLTAGE.text(read.volts());
            case DonorFact.OutputVoltageRead read ->
                    "output " + Quantity.VOLTAGE.text(read.volts());
            case DonorFact.SignsSeen seen ->
                    seen.signs().stream()
                            .sorted()
                            .map(WarningSign::words)
                            .collect(Collectors.joining(", "));
            case DonorFact.GroupCharged charged ->
                    "group %d off the supply at %s"
                            .formatted(charged.group(), Quantity.VOLTAGE.text(charged.volts()));
            case DonorFact.StepChecked checked ->
                    "step "
                            + checked.step()
                            + (checked.check() == DonorFact.Check.DONE ? " done" : " open again");
            case DonorFact.MinutesSpent spent -> Count.of(spent.minutes(), "minute", "minutes");
            case DonorFact.PartSaved saved -> "saved " + saved.count() + " × " + saved.part();
            case DonorFact.WayDecided decided ->
                    "decided: " + words(decided.way()) + ". " + decided.reason();
        };
    }
}
