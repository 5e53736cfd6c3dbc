package pentacell.desktop.intake;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;
import pentacell.workshop.exchange.HarvestFiles;

/// The cells that wait for their test, each with what happens to it next.
final class WaitingPane extends VBox {
    private final Desk desk;
    private final FileAsk files;
    private final Label summary = new Label();
    private final CautionStrip cautions;
    private final ListPane<WaitingForTest> list;

    WaitingPane(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        setId("waiting-pane");
        getStyleClass().add("list-pane");
        cautions = new CautionStrip(desk);
        summary.setId("waiting-summary");
        summary.getStyleClass().add("list-summary");
        Wrapping.on(summary);
        list =
                new ListPane<WaitingForTest>(
                                desk,
                                "waiting-list",
                                "No cell waits for its test. A cell comes here with its first voltage.",
                                each -> each.cell().id())
                        .column("Cell", each -> each.cell().id().text())
                        .column(
                                "Place",
                                each -> each.cell().place().map(Object::toString).orElse(""))
                        .number(
                                "First V",
                                each ->
                                        Quantity.VOLTAGE.number(
                                                each.cell().firstVolts().orElse(Double.NaN)))
                        .column("Verdict", each -> each.instruction().verdict().words())
                        .sentence("What next", WaitingForTest::words);
        Button csv = new Button("Write CSV");
        csv.setId("waiting-csv");
        csv.setOnAction(pressed -> writeCsv());
        ControlRow head = ControlRow.of(summary, ControlRow.gap(), csv);
        getChildren().addAll(head, cautions, list.table());
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
    }

    private void show() {
        List<WaitingForTest> waiting = WaitingForTest.of(desk.ledger().state());
        long slow =
                waiting.stream()
                        .filter(each -> each.instruction().verdict() != IntakeVerdict.NORMAL)
                        .count();
        boolean anyLfp = waiting.stream().anyMatch(each -> each.chemistry() == Chemistry.LFP);
        boolean anyRescue =
                waiting.stream()
                        .anyMatch(each ->
                                each.instruction().verdict() == IntakeVerdict.SLOW_CHARGE_WATCHED);
        cautions.show(
                java.util.stream.Stream.of(
                                Optional.of(Caution.CHARGING).filter(any -> !waiting.isEmpty()),
                                Optional.of(Caution.WRONG_CHARGER).filter(any -> anyLfp),
                                Optional.of(Caution.RESCUED).filter(any -> anyRescue))
                        .flatMap(Optional::stream)
                        .toList());
        summary.setText(
                Count.of(waiting.size(), "cell waits for its test", "cells wait for their test")
                        + (slow > 0 ? ", " + slow + " slowly" : ""));
        list.show(waiting);
    }

    private void writeCsv() {
        Saving.saveText(
                desk,
                files,
                "Write waiting list",
                "to-test.csv",
                HarvestFiles.waiting(list.table().getItems()));
    }
}
