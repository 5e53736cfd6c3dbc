package pentacell.desktop.plan;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.Region;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.reports.Paper;
import pentacell.reports.PlanPdf;
import pentacell.workshop.exchange.NeedJson;
import pentacell.workshop.exchange.PlanFiles;
import pentacell.workshop.exchange.PriceCsv;

/// Writes what Plan has to give.
final class PlanFilesOut {
    private static final DateTimeFormatter DATE =
            DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final Desk desk;
    private final FileAsk files;
    private final PlanModel model;

    PlanFilesOut(Desk desk, FileAsk files, PlanModel model) {
        this.desk = desk;
        this.files = files;
        this.model = model;
    }

    /// The menu that saves the pack looked at.
    MenuButton menu() {
        MenuButton menu = new MenuButton("Save plan");
        menu.setId("plan-save");
        menu.setMinWidth(Region.USE_PREF_SIZE);
        menu.getItems()
                .addAll(
                        item(
                                "Checks and parts on paper, A4 (PDF)",
                                ".pdf",
                                now -> pdf(now, Paper.A4)),
                        item(
                                "Checks and parts on paper, Letter (PDF)",
                                ".pdf",
                                now -> pdf(now, Paper.LETTER)),
                        item(
                                "Parts as CSV",
                                ".csv",
                                now -> PriceCsv.text(now.parts()).getBytes(StandardCharsets.UTF_8)),
                        item(
                                "All packs of the ladder as JSON",
                                ".json",
                                now ->
                                        PlanFiles.json(
                                                        now.proposal().plan(),
                                                        new NeedJson.Asked(
                                                                now.proposal().need(),
                                                                now.proposal().supply()))
                                                .getBytes(StandardCharsets.UTF_8)));
        model.judgedProperty().subscribe(judged -> menu.setDisable(judged.isEmpty()));
        return menu;
    }

    private interface Form {
        byte[] of(JudgedPlan judged) throws Exception;
    }

    private MenuItem item(String words, String ending, Form form) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(pressed ->
                model.judgedProperty()
                        .get()
                        .ifPresent(judged ->
                                Saving.save(
                                        desk,
                                        files,
                                        "Save plan",
                                        "plan " + model.packProperty().get() + ending,
                                        () -> form.of(judged),
                                        () -> {})));
        return item;
    }

    private byte[] pdf(JudgedPlan judged, Paper paper) throws Exception {
        return PlanPdf.bytes(
                model.packProperty().get(),
                judged.option(),
                judged.checks(),
                judged.parts(),
                LocalDate.ofInstant(desk.now(), ZoneId.systemDefault()).format(DATE),
                paper);
    }
}
