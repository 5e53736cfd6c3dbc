package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Pattern;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact;
import pentacell.desktop.frame.Arrival;
import pentacell.desktop.frame.Reading;
import pentacell.desktop.frame.Settings;
import pentacell.instruments.demo.DemoRuns;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// The window as a whole: nothing sticks out of it, keys lead where they say, files are opened and
/// refused.
final class WindowTest {
    /// What a text that nobody wrote looks like.
    private static final Pattern INSIDE =
            Pattern.compile("Optional|null|NaN|Infinity|\\w\\[\\w+=|@[0-9a-f]{5}");

    @TempDir Path folder;

    @ParameterizedTest(name = "{0} × {1}")
    @CsvSource({"1280, 800", "1024, 640"})
    void noButtonOrFieldOfAnyPaneSticksOutOfTheWindow(int width, int height) throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, width, height)) {
            List<String> outside = new ArrayList<>();
            bench.everyPane(at -> outside.addAll(outside(bench, at)));
            assertEquals(List.of(), outside);
        }
    }

    private static List<String> outside(BenchFixture bench, String at) {
        Scene scene = bench.bench.frame().scene();
        List<String> outside = new ArrayList<>();
        for (Node node : scene.getRoot().lookupAll("*")) {
            if (!(node instanceof Button || node instanceof TextField) || !isShown(node)) continue;
            Bounds bounds = node.localToScene(node.getBoundsInLocal());
            if (bounds.getMinX() < -1 || bounds.getMaxX() > scene.getWidth() + 1)
                outside.add(at + ": " + node + " at " + bounds);
        }
        // what scrolls may reach below the edge; the quick line and the bars may not
        for (String id : List.of("#quick-line", "#undo", "#find-or-do")) {
            Node node = scene.lookup(id);
            if (node == null) continue;
            Bounds bounds = node.localToScene(node.getBoundsInLocal());
            if (bounds.getMinY() < -1 || bounds.getMaxY() > scene.getHeight() + 1)
                outside.add(at + ": " + id + " at " + bounds);
        }
        return outside;
    }

    @Test
    void whatAPersonHasSetIsThereAtTheNextStart() throws Exception {
        Settings kept = Settings.forNow();
        try (BenchFixture bench = BenchFixture.open(folder.resolve("a.pentacell"), kept)) {
            bench.click("#theme");
            bench.keys(KeyCode.CONTROL, KeyCode.PLUS);
            assertEquals(Optional.of("SHED"), kept.get("theme"));
        }
        try (BenchFixture bench = BenchFixture.open(folder.resolve("a.pentacell"), kept)) {
            var scene = bench.bench.frame().scene();
            assertTrue(scene.getRoot().getStyleClass().contains("scale-110"));
            assertTrue(
                    scene.getStylesheets().stream().anyMatch(sheet -> sheet.endsWith("shed.css")));
            assertEquals(
                    Optional.of(folder.resolve("a.pentacell").toString()),
                    kept.get("last-workshop"));
        }
    }

    private static boolean isShown(Node node) {
        for (Node each = node; each != null; each = each.getParent())
            if (!each.isVisible()) return false;
        return true;
    }

    @Test
    void everyButtonSaysWhatItDoes() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.everyPane(at -> {
                for (Button button : bench.robot.lookup(".button").queryAllAs(Button.class)) {
                    if (!isShown(button)) continue;
                    boolean says =
                            !button.getText().isBlank()
                                    || button.getAccessibleText() != null
                                            && !button.getAccessibleText().isBlank();
                    assertTrue(says, () -> at + ": " + button + " says nothing");
                }
            });
        }
    }

    /// With past runs in the file, and a cell in hand whose curve is odd.
    @Test
    void noTextOfAnyPaneShowsTheProgramsInside() throws Exception {
        Path file = folder.resolve("runs.pentacell");
        Opening.Opened opened =
                assertInstanceOf(Opening.Opened.class, Logbook.open(file, Clock.systemUTC()));
        try (Logbook book = opened.logbook()) {
            book.logAll(TarnHollow.journal());
            DemoRuns.addTo(book, Instant.now());
        }
        try (BenchFixture bench = BenchFixture.open(file)) {
            bench.await("the demo is shown", () -> !Cells.of(bench.state()).all().isEmpty());
            CellRecord odd =
                    Cells.of(bench.state()).all().values().stream()
                            .filter(cell ->
                                    cell.lifeLine().stream()
                                            .anyMatch(line ->
                                                    line.fact() instanceof RunFact.CurveOdd))
                            .findFirst()
                            .orElseThrow();
            bench.robot.interact(() -> bench.bench.desk().selection().select(odd.id()));
            List<String> inside = new ArrayList<>();
            List<String> texts = new ArrayList<>();
            bench.everyPane(at -> {
                for (Node node : bench.bench.frame().scene().getRoot().lookupAll("*"))
                    if (node instanceof Labeled labeled && isShown(node)) {
                        // an empty cell of a table has no text
                        String text = labeled.getText() == null ? "" : labeled.getText();
                        texts.add(text);
                        if (INSIDE.matcher(text).find()) inside.add(at + ": " + text);
                    }
            });
            assertEquals(List.of(), inside);
            assertTrue(
                    texts.stream().anyMatch(text -> text.startsWith("▲ ")), "the oddity is said");
        }
    }

    @Test
    void theCardFoldsAndTheSizeChangesByKey() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            assertTrue(bench.find("#card", Node.class).isPresent());
            bench.keys(KeyCode.F4);
            assertFalse(bench.find("#card", Node.class).isPresent());
            bench.keys(KeyCode.F4);
            bench.keys(KeyCode.CONTROL, KeyCode.PLUS);
            assertTrue(bench.bench.frame().scene().getRoot().getStyleClass().contains("scale-110"));
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT0);
            assertTrue(bench.bench.frame().scene().getRoot().getStyleClass().contains("scale-100"));
        }
    }

    @Test
    void aNewWorkshopTakesThePlaceOfTheOpenOne() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            when(bench.files.whereTo(any(), any()))
                    .thenReturn(Optional.of(folder.resolve("fresh.pentacell")));
            bench.keys(KeyCode.CONTROL, KeyCode.N);
            bench.await("the new one is open", () -> Cells.of(bench.state()).all().isEmpty());
            verify(bench.files).whereTo("New workshop", "workshop.pentacell");
            assertEquals("fresh.pentacell", bench.bench.desk().ledger().fileNameProperty().get());
            bench.robot.interact(() -> bench.bench.frame().open(folder.resolve("demo.pentacell")));
            bench.await(
                    "the first can be opened again",
                    () -> !Cells.of(bench.state()).all().isEmpty());
        }
    }

    @Test
    void aFileThatIsNoWorkshopIsRefusedInWordsAndTheOpenOneStays() throws Exception {
        Path other =
                java.nio.file.Files.writeString(folder.resolve("notes.pentacell"), "just a text");
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.robot.interact(() -> bench.bench.frame().open(other));
            bench.await(
                    "it is refused", () -> bench.text("#said").contains("is not a workshop file"));
            assertEquals(181, Cells.of(bench.state()).all().size());
        }
    }

    @Test
    void arrowKeysWalkTheTrayAndTheHandFollows() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.click("#tray-T1");
            bench.robot.interact(() -> bench.robot.lookup("#tray").query().requestFocus());
            bench.keys(KeyCode.UP);
            String first = bench.text("#in-hand");
            bench.keys(KeyCode.RIGHT);
            String second = bench.text("#in-hand");
            bench.keys(KeyCode.LEFT);
            assertEquals(first, bench.text("#in-hand"));
            assertFalse(first.equals(second));
            assertEquals(first, bench.text("#card-id"));
        }
    }

    @Test
    void whileAWorkshopIsReadNoStationSaysThatNothingIsThere() throws Exception {
        Path file = folder.resolve("later.pentacell");
        CompletableFuture<Arrival> begun = new CompletableFuture<>();
        try (BenchFixture bench = BenchFixture.open(folder.resolve("a.pentacell"))) {
            assertFalse(bench.isShown("#reading"));
            bench.robot.interact(() -> bench.bench.frame().open(new Reading(file), begun));
            bench.await("it is read", () -> bench.isShown("#reading"));
            assertTrue(bench.text("#reading-what").startsWith("Reading later.pentacell"));
            begun.complete(new Arrival.Refused("later.pentacell is not there."));
            bench.await("refused", () -> bench.text("#said").contains("is not there"));
            assertFalse(bench.isShown("#reading"), "the open one is back");
        }
    }
}
