package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.desktop.frame.Station;

/// F1 and *Find or do*.
@Tag("window")
final class HelpTest {
    @TempDir Path folder;

    @Test
    void f1ShowsWhatTheStationInHandIsForAndGivesTheCaretBack() throws Exception {
        String handbook = Files.readString(Path.of("../docs/bench-card.md"));
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            for (Station station : bench.stations().toList()) {
                bench.keys(KeyCode.CONTROL, KeyCode.valueOf("DIGIT" + station.number()));
                Node caret = caret(bench);
                bench.keys(KeyCode.F1);
                bench.await("help is shown", () -> bench.isShown("#help"));
                String purpose = bench.text("#help-purpose");
                assertTrue(purpose.length() > 40, station.name() + ": " + purpose);
                assertTrue(handbook.contains("## " + station.name() + "\n\n" + purpose));
                assertTrue(bench.texts(".typed").contains("F1"), "what holds everywhere");
                bench.keys(KeyCode.ESCAPE);
                assertFalse(bench.isShown("#help"));
                assertEquals(caret, caret(bench), station.name());
            }
            bench.keys(KeyCode.F1);
            bench.keys(KeyCode.F1);
            assertFalse(bench.isShown("#help"), "F1 again closes it");
        }
    }

    private static Node caret(BenchFixture bench) {
        return bench.bench.frame().scene().getFocusOwner();
    }

    @Test
    void findOrDoShowsKeysFindsLotsAndPacksAndEscGivesTheCaretBack() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT2);
            Node caret = caret(bench);
            bench.keys(KeyCode.CONTROL, KeyCode.K);
            bench.type("import cells");
            bench.await("found", () -> bench.isShown("#found"));
            assertTrue(found(bench).get(0).endsWith("Ctrl+I"), found(bench)::toString);
            bench.keys(KeyCode.ESCAPE);
            assertFalse(bench.isShown("#found"));
            assertEquals(caret, caret(bench));
            bench.keys(KeyCode.CONTROL, KeyCode.K);
            bench.type("dome");
            bench.await("the pack is found", () -> found(bench).toString().contains("pack"));
            bench.keys(KeyCode.ENTER);
            bench.await("taken", () -> !bench.isShown("#found"));
            bench.keys(KeyCode.CONTROL, KeyCode.K);
            bench.type("town lib");
            bench.await("the lot is found", () -> found(bench).toString().contains("lot,"));
        }
    }

    private static List<String> found(BenchFixture bench) {
        ListView<?> list = (ListView<?>) bench.bench.frame().scene().lookup("#found");
        return list.getItems().stream().map(String::valueOf).toList();
    }
}
