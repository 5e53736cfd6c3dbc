package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.Cells;
import pentacell.desktop.frame.Arrival;
import pentacell.desktop.frame.OpeningProgress;
import pentacell.desktop.frame.Settings;

/// The window as a whole: nothing sticks out of it, keys lead where they say, files are opened and
/// refused.
@Tag("window")
final class WindowTest {
    /// What a text that nobody wrote looks like.
    private static final Pattern INSIDE =
            Pattern.compile("Optional|null|NaN|Infinity|\\w\\[\\w+=|@[0-9a-f]{5}");

    @TempDir Path folder;

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
        try (BenchFixture bench = BenchFixture.demoWithRuns(folder, 1280, 800, Settings.forNow())) {
            bench.selectAnOddCell();
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
            assertEquals(219, Cells.of(bench.state()).all().size());
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
            assertFalse(bench.isShown("#opening"));
            bench.robot.interact(() -> bench.bench.frame().open(new OpeningProgress(file), begun));
            bench.await("it is read", () -> bench.isShown("#opening"));
            assertTrue(bench.text("#opening-what").startsWith("Reading later.pentacell"));
            begun.complete(new Arrival.Refused("later.pentacell is not there."));
            bench.await("refused", () -> bench.text("#said").contains("is not there"));
            assertFalse(bench.isShown("#opening"), "the open one is back");
        }
    }
}
