package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.lang.ref.WeakReference;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What the window does about its own faults and its own leavings.
@Tag("window")
final class MishapTest {
    @TempDir private Path folder;

    @Test
    void aFaultInTheWindowIsSaidWithWhereTheLogIs() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            Platform.runLater(() -> {
                throw new IllegalStateException("a slip of ours");
            });
            bench.awaitSaid("a slip of ours");
            assertTrue(bench.text("#said").contains("Nothing that was logged is lost"));
            assertTrue(bench.text("#said").contains("log.txt"));
        }
    }

    /// A form that was put away is let go of.
    @ParameterizedTest
    @CsvSource({
        "1, Add donor, donor-form",
        "1, Add lot, lot-form",
        "2, Add tray, tray-form",
        "2, Define model, model-form"
    })
    void formsThatWerePutAwayAreLetGoOf(int station, String command, String form) throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            List<WeakReference<Node>> opened = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                bench.keys(KeyCode.CONTROL, KeyCode.valueOf("DIGIT" + station));
                bench.command(command);
                opened.add(new WeakReference<>(bench.robot.lookup("#" + form).query()));
                bench.keys(KeyCode.ESCAPE);
            }
            bench.await(
                    "all but the last few are gone",
                    () -> {
                        System.gc();
                        return opened.stream()
                                        .map(WeakReference::get)
                                        .filter(Objects::nonNull)
                                        .count()
                                <= 2;
                    });
        }
    }
}
