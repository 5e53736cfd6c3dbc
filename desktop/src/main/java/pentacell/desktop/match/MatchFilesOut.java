package pentacell.desktop.match;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Saving;
import pentacell.reports.MatchPaper;
import pentacell.reports.Paper;
import pentacell.workshop.exchange.MatchFiles;

/// Writes what Match has to give: asked where, written away from the window's thread, and said.
final class MatchFilesOut {
    private static final DateTimeFormatter DATE =
            DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final Desk desk;
    private final FileAsk ask;

    MatchFilesOut(Desk desk, FileAsk ask) {
        this.desk = desk;
        this.ask = ask;
    }

    /// Asks where and writes.
    void write(String title, String proposed, Callable<byte[]> contents) {
        Saving.save(desk, ask, title, proposed, contents, () -> {});
    }

    /// The menu that saves the match in hand.
    MenuButton menu(MatchModel model) {
        MenuButton menu = new MenuButton("Save match");
        menu.setId("match-save");
        menu.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        menu.getItems()
                .setAll(
                        List.of(
                                item(model, "Groups as CSV", ".csv", this::csv),
                                item(model, "Figures and cells as JSON", ".json", this::json),
                                item(
                                        model,
                                        "On paper, A4 (PDF)",
                                        ".pdf",
                                        now -> pdf(now, Paper.A4)),
                                item(
                                        model,
                                        "On paper, Letter (PDF)",
                                        ".pdf",
                                        now -> pdf(now, Paper.LETTER)),
                                item(model, "Skyline as a picture (SVG)", ".svg", this::svg)));
        model.shownProperty().subscribe(shown -> menu.setDisable(shown.isEmpty()));
        return menu;
    }

    private interface Form {
        byte[] of(Shown shown) throws IOException;
    }

    private MenuItem item(MatchModel model, String words, String ending, Form form) {
        MenuItem item = new MenuItem(words);
        item.setId("match-save" + ending.replace('.', '-'));
        item.setOnAction(pressed ->
                model.shownProperty()
                        .get()
                        .ifPresent(shown ->
                                write(
                                        "Save match",
                                        "match " + shown.pack().name() + ending,
                                        () -> form.of(shown))));
        return item;
    }

    private byte[] csv(Shown shown) {
        return MatchFiles.groupsCsv(shown.pack().groups()).getBytes(StandardCharsets.UTF_8);
    }

    private byte[] json(Shown shown) {
        return MatchFiles.packJson(shown.pack(), shown.groups()).getBytes(StandardCharsets.UTF_8);
    }

    private byte[] svg(Shown shown) throws IOException {
        return paper(shown).svg().getBytes(StandardCharsets.UTF_8);
    }

    private byte[] pdf(Shown shown, Paper paper) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        paper(shown).pdf(out, paper);
        return out.toByteArray();
    }

    private static MatchPaper paper(Shown shown) {
        return new MatchPaper(
                shown.pack().name(),
                shown.pack().rules().arrangement(),
                LocalDate.now(ZoneId.systemDefault()).format(DATE),
                shown.groups());
    }
}
