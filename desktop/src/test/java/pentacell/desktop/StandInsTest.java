package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.OptionalDouble;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.Proofs;
import pentacell.workshop.demo.TarnHollow;

/// In a workshop that is not for practice, what stand-ins make up is shown as that and changes no
/// grade and no verdict.
@Tag("window")
final class StandInsTest {
    @TempDir Path folder;

    @Test
    void aLoadTestWithStandInsProvesNothing() throws Exception {
        try (BenchFixture bench = BenchFixture.real(folder)) {
            bench.robot.interact(() -> bench.bench.desk().settings().put("stand-in-speed", "6000"));
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT8);
            bench.choose("#prove-pack", TarnHollow.DOME);
            bench.await("the pack", () -> bench.text("#pack-card-name").equals(TarnHollow.DOME));
            bench.click("#tab-run");
            bench.await(
                    "it can begin", () -> !bench.robot.lookup("#run-begin").query().isDisabled());
            assertTrue(bench.text("#run-practice").startsWith("Without a board address"));
            bench.set("#run-board", "127.0.0.1:7801");
            assertFalse(bench.isShown("#run-practice"), "a real board is named");
            bench.set("#run-board", "");
            bench.set("#run-amps", "11");
            bench.click("#run-begin");
            bench.await(
                    "it ends", () -> bench.text("#run-meaning").contains("Load test says what"));
            assertEquals(0, proof(bench).tests().size());
            assertEquals(1, proof(bench).setAside().size());
            bench.click("#tab-load-test");
            bench.await(
                    "it is shown for what it is",
                    () ->
                            bench.text("#load-test-meaning")
                                    .startsWith("▲ These readings come from a stand-in"));
            bench.click("#tab-verdict");
            bench.await(
                    "it proves nothing",
                    () -> bench.text("#verdict-meaning").contains("only tests with stand-ins"));
            assertTrue(
                    bench.texts("#pack-card-lines .reason")
                            .contains("Load tested with stand-ins only, which proves nothing."));
        }
    }

    @Test
    void aTestInTheBayOfAStandInGradesNoCell() throws Exception {
        try (BenchFixture bench = BenchFixture.real(folder)) {
            bench.robot.interact(() -> bench.bench.desk().settings().put("stand-in-speed", "6000"));
            CellId id = new CellId("HB05-02");
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT3);
            bench.click("#tab-bench");
            bench.click("#add-four-slot");
            bench.awaitSaid("It is for practice");
            bench.click("#tab-bays");
            bench.await("it can be loaded", () -> bench.isShown("#bay-1"));
            bench.line(id.text());
            bench.awaitSaid("does not count");
            CellRecord cell = Cells.of(bench.state()).cell(id).orElseThrow();
            assertEquals(1, cell.runs().size());
            assertEquals(OptionalDouble.empty(), cell.milliampHours());
            bench.robot.interact(() -> bench.bench.desk().selection().select(id));
            assertEquals("waits for test", bench.text("#card-verdict"));
            assertTrue(bench.robot.lookup("#life-line .hatched").queryAll().size() >= 3);
        }
    }

    private static Proof proof(BenchFixture bench) {
        return Proofs.of(bench.state()).proof(TarnHollow.DOME);
    }
}
