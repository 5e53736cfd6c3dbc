package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.util.WaitForAsyncUtils;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.TestConditions;
import pentacell.core.journal.Fact;
import pentacell.desktop.theme.Theme;

/// Stock with more cells than are drawn one by one: they are painted elsewhere, and shown.
@Tag("window")
final class CrowdedFieldTest {
    private static final int CELLS = 1_200;

    @TempDir private Path folder;

    @Test
    void everyMarkIsSeenAndTakesTheColoursOfTheTheme() throws Exception {
        try (BenchFixture bench = BenchFixture.open(folder.resolve("large.pentacell"))) {
            bench.robot.interact(() -> bench.bench.desk().ledger().log("cells", cells(), () -> {}));
            bench.await("logged", () -> Cells.of(bench.state()).all().size() == CELLS);
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT4);
            bench.await("dark marks", () -> marks(bench, false) > 3_000);
            assertEquals(0, WaitForAsyncUtils.waitForAsyncFx(30_000, () -> marks(bench, true)));
            bench.robot.interact(() -> bench.bench.frame().dress(Theme.SHED));
            bench.await("light marks", () -> marks(bench, true) > 3_000);
            assertEquals(0, WaitForAsyncUtils.waitForAsyncFx(30_000, () -> marks(bench, false)));
        }
    }

    private static List<Fact> cells() {
        List<Fact> facts = new ArrayList<>();
        for (int i = 0; i < CELLS; i++) {
            CellId id = new CellId("HB%02d-%02d".formatted(1 + i / 40, 1 + i % 40));
            facts.add(new CellFact.CellNamed(id, Optional.empty(), Optional.empty()));
            facts.add(
                    new CellFact.ResistanceRead(
                            id, 40 + i % 40, CellFact.ResistanceMethod.AC_1_KHZ));
            facts.add(
                    new CellFact.CapacityMeasured(
                            id, 1_800 + 10 * (i / 40), TestConditions.NOT_STATED));
        }
        return facts;
    }

    /// Pixels of the field that are clearly of the hue of what was measured.
    private static int marks(BenchFixture bench, boolean light) {
        Node field = bench.robot.lookup("#field").query();
        WritableImage image = field.snapshot(null, null);
        PixelReader pixels = image.getPixelReader();
        int count = 0;
        for (int y = 0; y < image.getHeight(); y++)
            for (int x = 0; x < image.getWidth(); x++) {
                Color color = pixels.getColor(x, y);
                if (color.getBlue() - color.getRed() < 0.3) continue;
                if (color.getRed() > 0.45 == light) count++;
            }
        return count;
    }
}
