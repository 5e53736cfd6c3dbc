package pentacell.desktop.intake;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.cell.CellFact.HandedOver;
import pentacell.core.cell.Chemistry;
import pentacell.core.stock.RecycleBox;
import pentacell.core.stock.RecycleBox.Damage;
import pentacell.core.stock.RecycleBox.Item;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.SentFields;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;
import pentacell.reports.HandOverPdf;
import pentacell.reports.Paper;

/// The recycle box: what is in it, what it weighs, and its hand-over.
final class RecyclePane extends VBox {
    private final Desk desk;
    private final FileAsk files;
    private final Label summary = new Label();
    private final TextField to = new TextField();
    private final SentFields sent = new SentFields(List.of(to));
    private final ListPane<Item> list;
    private RecycleBox box = new RecycleBox(List.of());

    RecyclePane(Desk desk, FileAsk files) {
        this.desk = desk;
        this.files = files;
        setId("recycle-pane");
        getStyleClass().add("list-pane");
        summary.setId("recycle-summary");
        summary.getStyleClass().add("list-summary");
        Wrapping.on(summary);
        list =
                new ListPane<Item>(
                                desk,
                                "recycle-list",
                                "The recycle box is empty.",
                                item -> item.cell().id())
                        .column("Cell", item -> item.cell().id().text())
                        .column(
                                "Place",
                                item -> item.cell().place().map(Object::toString).orElse(""))
                        .column(
                                "Chemistry",
                                item -> item.chemistry().map(Chemistry::words).orElse("not known"))
                        .number("~ g", item -> Quantity.COUNT.number(item.grams()))
                        .column(
                                "Can",
                                item -> item.damage() == Damage.DAMAGED ? "■ damaged" : "sound")
                        .sentence("Why", item -> item.reason().sentence());
        to.setId("hand-over-to");
        to.setPromptText("who takes it: town collection point");
        to.setPrefColumnCount(22);
        Button pdf = new Button("Hand-over list (PDF)");
        pdf.setId("hand-over-pdf");
        pdf.setOnAction(pressed -> writePdf());
        Button handOver = new Button("Hand over all");
        handOver.setId("hand-over");
        handOver.getStyleClass().add("primary");
        handOver.setOnAction(pressed -> handOver());
        to.setOnAction(enter -> handOver());
        ControlRow row = ControlRow.of(to, handOver, pdf);
        getChildren()
                .addAll(
                        summary,
                        new CautionStrip(desk, Caution.REJECTS, Caution.TRANSPORT),
                        row,
                        list.table());
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
    }

    private void show() {
        box = RecycleBox.of(desk.ledger().state());
        summary.setText(
                "%s, about %s%s"
                        .formatted(
                                Count.of(box.items().size(), "cell", "cells"),
                                Quantity.MASS.text(box.grams() / 1000),
                                box.damaged() > 0 ? ", " + box.damaged() + " damaged" : ""));
        list.show(box.items());
    }

    private void writePdf() {
        if (box.items().isEmpty()) {
            desk.notices().say("The recycle box is empty, there is nothing to list.");
            return;
        }
        RecycleBox listed = box;
        String date = LocalDate.ofInstant(desk.now(), ZoneId.systemDefault()).toString();
        String taker = to.getText().strip();
        Saving.save(
                desk,
                files,
                "Hand-over list",
                "hand-over.pdf",
                () -> HandOverPdf.bytes(listed, taker, date, Paper.A4),
                () -> {});
    }

    private void handOver() {
        if (box.items().isEmpty()) return;
        if (to.getText().isBlank()) {
            desk.notices().say("First say who takes the cells.");
            to.requestFocus();
            return;
        }
        String taker = to.getText().strip();
        List<HandedOver> facts =
                box.items().stream().map(item -> new HandedOver(item.cell().id(), taker)).toList();
        Runnable comeBack = sent.send();
        desk.ledger()
                .logOnce(
                        "Hand over " + Count.of(facts.size(), "cell", "cells"),
                        facts,
                        () ->
                                desk.notices()
                                        .say(
                                                "%s handed over to %s."
                                                        .formatted(
                                                                Count.of(
                                                                        facts.size(),
                                                                        "cell",
                                                                        "cells"),
                                                                taker)),
                        why -> comeBack.run());
    }
}
