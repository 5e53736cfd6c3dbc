package pentacell.desktop.loan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.Chapters;
import pentacell.core.cell.Cells;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.BenchFixture;
import pentacell.desktop.Workbench;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Station;
import pentacell.workshop.demo.DemoChapter;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// The mechanism of chapters and stations: one that is no part of the program is added by a line in
/// each list, and appears wherever stations do.
@Tag("window")
final class NewStationTest {
    private static final List<Chapter<?>> CHAPTERS = with(Chapters.ALL, Loans.CHAPTER);
    private static final List<BiFunction<Desk, FileAsk, Station>> STATIONS =
            with(Workbench.STATIONS.subList(0, 8), LoanStation::new);
    private static final List<DemoChapter> STORY =
            with(
                    TarnHollow.CHAPTERS,
                    journal ->
                            journal.logSteadily(
                                    "Lend the bench meter",
                                    List.of(new LoanFact.MeterLent("bench meter", "the school"))));

    @TempDir private Path folder;

    private static <T> List<T> with(List<? extends T> list, T one) {
        List<T> longer = new ArrayList<>(list);
        longer.add(one);
        return List.copyOf(longer);
    }

    @Test
    void itsDemoLineChangesNothingThatCameBefore() {
        var plain = TarnHollow.journal();
        var longer = TarnHollow.journal(CHAPTERS, STORY);
        assertEquals(plain, longer.subList(0, plain.size()));
        assertEquals(plain.size() + 1, longer.size());
    }

    @Test
    void itAppearsWhereverStationsDoAndItsFactsAreKept() throws Exception {
        Path file = folder.resolve("loans.pentacell");
        try (Logbook logbook = opened(file)) {
            logbook.logAll(TarnHollow.journal(CHAPTERS, STORY));
        }
        try (BenchFixture ui = BenchFixture.of(file, CHAPTERS, STATIONS)) {
            ui.await("it is in the due line", () -> isDue(ui, "ask for the bench meter"));
            ui.click("#path-loans");
            assertEquals("{bench meter=the school}", ui.text("#loans"));
            ui.keys(KeyCode.CONTROL, KeyCode.K);
            ui.enter("lend the spare");
            ui.await("the command logged", () -> ui.text("#loans").contains("spare meter"));
            ui.keys(KeyCode.CONTROL, KeyCode.DIGIT2);
            ui.keys(KeyCode.CONTROL, KeyCode.K);
            ui.enter("loan of the spare");
            assertEquals("On loan: spare meter", ui.text("#loan-card"));
            assertTrue(ui.isShown("#loan-card"), "its card is shown");
            ui.keys(KeyCode.CONTROL, KeyCode.DIGIT9);
            assertEquals("Undo: Lend the spare meter", ui.text("#undo"));
            ui.keys(KeyCode.CONTROL, KeyCode.Z);
            ui.await("it is undone", () -> !ui.text("#loans").contains("spare meter"));
            ui.keys(KeyCode.CONTROL, KeyCode.Y);
            ui.await("and done again", () -> ui.text("#loans").contains("spare meter"));
            assertTrue(
                    ui.stations()
                            .anyMatch(each ->
                                    each.shots().stream()
                                            .anyMatch(shot -> shot.name().equals("loans-paper"))));
        }
        try (Logbook again = opened(file)) {
            WorkshopState state = again.state();
            assertEquals(
                    "{bench meter=the school, spare meter=the sawmill}",
                    Loans.of(state).borrowers().toString());
            assertEquals(219, Cells.of(state).all().size());
        }
        // a program without the chapter does not lose what it cannot read
        assertTrue(
                Logbook.open(file, Clock.systemUTC()) instanceof Opening.Refused refused
                        && refused.message().contains("meter-lent"));
    }

    private Logbook opened(Path file) {
        return ((Opening.Opened) Logbook.open(file, Clock.systemUTC(), CHAPTERS, share -> {}))
                .logbook();
    }

    private static boolean isDue(BenchFixture ui, String words) {
        return Stream.of(ui.texts(".due-links .hyperlink"))
                .anyMatch(links -> links.contains(words));
    }
}
