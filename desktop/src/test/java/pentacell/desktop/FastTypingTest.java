package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.workshop.logbook.SlowDisk;

/// Fast hands and a slow disk: every line typed at Intake reaches the right cell, exactly once.
@Tag("window")
final class FastTypingTest {
    @TempDir private Path folder;

    private Path file() {
        return folder.resolve("typed.pentacell");
    }

    private static String id(int number) {
        return "HB02-%02d".formatted(number);
    }

    private static List<CellRecord> cells(BenchFixture bench) {
        return List.copyOf(Cells.of(bench.state()).all().values());
    }

    /// What was read of a cell, every reading ever logged, in V and mΩ.
    private static String readings(BenchFixture bench, String id) {
        List<String> read = new ArrayList<>();
        Cells.of(bench.state())
                .cell(new CellId(id))
                .ifPresent(cell ->
                        cell.lifeLine()
                                .forEach(entry -> {
                                    if (entry.fact() instanceof CellFact.VoltageRead volts)
                                        read.add("%.3f".formatted(volts.volts()));
                                    if (entry.fact() instanceof CellFact.ResistanceRead ohms)
                                        read.add("%.0f".formatted(ohms.milliohms()));
                                }));
        return String.join(" ", read);
    }

    private static void assertAllRight(BenchFixture bench, int lines) {
        for (int line = 1; line <= lines; line++)
            assertEquals(
                    "3.5%02d %d".formatted(line, 50 + line), readings(bench, id(line)), id(line));
        assertEquals(lines, cells(bench).size(), "no cell was invented");
    }

    /// A person's 150 ms a key down to a scanner's 2 to 10 ms, and faster; on a sound disk and on
    /// one that takes 200 ms an act.
    @ParameterizedTest(name = "{0} ms per key, {2} lines, disk {1} ms")
    @CsvSource({"0,0,14", "0,200,14", "2,200,14", "5,200,14", "20,200,14", "60,200,6", "150,200,3"})
    void everyTypedLineReachesItsCellOnce(int millisPerKey, int diskMillis, int lines)
            throws Exception {
        SlowDisk disk = SlowDisk.taking(Duration.ofMillis(diskMillis));
        try (BenchFixture bench = BenchFixture.on(disk.open(file()))) {
            Typist typist = new Typist(bench, Duration.ofMillis(millisPerKey));
            for (int line = 1; line <= lines; line++)
                typist.type("%s 3.5%02d %d\n".formatted(id(line), line, 50 + line));
            bench.await("all are logged", () -> cells(bench).size() == lines);
            bench.await("none waits", () -> !bench.bench.desk().ledger().isWaiting());
            assertAllRight(bench, lines);
        }
    }

    @Test
    void linesWithoutAnIdGoOnFromTheLineBeforeWhileTheDiskStandsStill() throws Exception {
        SlowDisk disk = SlowDisk.taking(Duration.ZERO).held();
        try (BenchFixture bench = BenchFixture.on(disk.open(file()))) {
            Typist typist = new Typist(bench, Duration.ZERO);
            typist.type(id(1) + " 3.501 51\n");
            for (int line = 2; line <= 5; line++)
                typist.type("3.5%02d %d\n".formatted(line, 50 + line));
            assertEquals(0, cells(bench).size(), "nothing is shown that is not on the disk");
            assertEquals(5, bench.texts(".line-waiting").size());
            assertEquals("HB02-02 3.502 52 …", bench.texts(".line-waiting").get(1));
            assertEquals("HB02-06 (new)", bench.text("#in-hand"));
            disk.letGo();
            bench.await("all are logged", () -> cells(bench).size() == 5);
            assertAllRight(bench, 5);
            bench.await("none waits", () -> bench.texts(".line-waiting").isEmpty());
        }
    }

    @Test
    void aLineThatFailsComesBackWithItsCellAndTheReasonWhileTheOthersGoOn() throws Exception {
        SlowDisk disk = SlowDisk.taking(Duration.ZERO, 2).held();
        try (BenchFixture bench = BenchFixture.on(disk.open(file()))) {
            Typist typist = new Typist(bench, Duration.ZERO);
            typist.type(id(1) + " 3.501 51\n");
            for (int line = 2; line <= 4; line++)
                typist.type("3.5%02d %d\n".formatted(line, 50 + line));
            typist.type("3.6");
            disk.letGo();
            bench.await("three are logged", () -> cells(bench).size() == 3);
            bench.await("one comes back", () -> bench.texts(".line-failed").size() == 1);
            assertEquals("■ HB02-02 3.502 52", bench.texts(".line-failed").get(0));
            assertTrue(
                    bench.texts(".line-row .label").stream()
                            .anyMatch(text -> text.contains("full")),
                    "the reason is there");
            assertEquals("", readings(bench, id(2)));
            assertEquals("3.503 53", readings(bench, id(3)), "the next cell is not shifted");
            assertEquals("3.6", bench.field("#quick-line"), "what is half typed stays");
            bench.click(".line-row .button");
            bench.await("it is logged", () -> cells(bench).size() == 4);
            bench.await("none is left", () -> bench.texts(".line-failed").isEmpty());
            assertAllRight(bench, 4);
        }
    }

    @Test
    void upTakesALineThatFailedBackIntoTheField() throws Exception {
        SlowDisk disk = SlowDisk.taking(Duration.ZERO, 1);
        try (BenchFixture bench = BenchFixture.on(disk.open(file()))) {
            new Typist(bench, Duration.ZERO).type(id(1) + " 3.501 51\n");
            bench.await("it comes back", () -> bench.texts(".line-failed").size() == 1);
            bench.keys(KeyCode.UP);
            assertEquals("HB02-01 3.501 51", bench.field("#quick-line"));
            bench.keys(KeyCode.ENTER);
            bench.await("it is logged", () -> cells(bench).size() == 1);
            assertAllRight(bench, 1);
        }
    }

    @Test
    void undoRightAfterEnterTakesBackThatLineOnly() throws Exception {
        SlowDisk disk = SlowDisk.taking(Duration.ZERO).held();
        try (BenchFixture bench = BenchFixture.on(disk.open(file()))) {
            Typist typist = new Typist(bench, Duration.ZERO);
            typist.type(id(1) + " 3.501 51\n" + id(2) + " 3.502 52\n" + id(3) + " 3.503 53\n");
            assertEquals("Undo: Log HB02-03", bench.text("#undo"));
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            assertEquals("Undo: Log HB02-01", bench.text("#undo"));
            bench.keys(KeyCode.CONTROL, KeyCode.Y);
            disk.letGo();
            bench.await("none waits", () -> !bench.bench.desk().ledger().isWaiting());
            bench.await("the third is gone", () -> bench.text("#redo").equals("Redo: Log HB02-03"));
            assertAllRight(bench, 2);
        }
    }

    @Test
    void undoOfALineThatFailsLeavesTheOneBeforeIt() throws Exception {
        SlowDisk disk = SlowDisk.taking(Duration.ZERO, 2).held();
        try (BenchFixture bench = BenchFixture.on(disk.open(file()))) {
            new Typist(bench, Duration.ZERO).type(id(1) + " 3.501 51\n" + id(2) + " 3.502 52\n");
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            disk.letGo();
            bench.await("it comes back", () -> bench.texts(".line-failed").size() == 1);
            bench.await("none waits", () -> !bench.bench.desk().ledger().isWaiting());
            assertAllRight(bench, 1);
        }
    }

    @Test
    void enterPressedTwiceLogsOnceAndARefusedScanIsKept() throws Exception {
        try (BenchFixture bench =
                BenchFixture.on(SlowDisk.taking(Duration.ofMillis(50)).open(file()))) {
            Typist typist = new Typist(bench, Duration.ZERO);
            typist.type(id(1) + " 3.501 51\n\n");
            typist.type("HB02-07 3.5O7 57\n");
            typist.type(id(2) + " 3.502 52\n\n\n");
            bench.await("two are logged", () -> cells(bench).size() == 2);
            bench.await("none waits", () -> !bench.bench.desk().ledger().isWaiting());
            assertAllRight(bench, 2);
            assertEquals(List.of("■ HB02-07 3.5O7 57"), bench.texts(".line-failed"));
        }
    }

    @Test
    void aVeryLongLineNeverPushesTheWindowAside() throws Exception {
        try (BenchFixture bench = BenchFixture.on(SlowDisk.taking(Duration.ZERO).open(file()))) {
            String tokens =
                    String.join(
                            " ",
                            IntStream.range(0, 30).mapToObj(each -> "nonsense" + each).toList());
            bench.click("#quick-line");
            bench.type("HB02-01 " + tokens);
            bench.hands.settle();
            assertEquals(31, bench.robot.lookup(".chip").queryAll().size());
            assertTrue(bench.isInside("#quick-line"), "the line is to be seen");
            assertTrue(bench.isInside("#find-or-do"), "so is the bar along the top");
        }
    }
}
