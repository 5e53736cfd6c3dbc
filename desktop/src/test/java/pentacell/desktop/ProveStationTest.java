package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellId;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Packs;
import pentacell.core.plan.facts.Plans;
import pentacell.core.prove.facts.ChargeRun;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.Proofs;
import pentacell.workshop.demo.TarnHollow;

/// Prove as a person uses it.
@Tag("window")
final class ProveStationTest {
    @TempDir private Path folder;

    private static Proof proof(BenchFixture bench) {
        return Proofs.of(bench.state()).proof(TarnHollow.LONG_NIGHT);
    }

    private static void open(BenchFixture bench) {
        bench.keys(KeyCode.CONTROL, KeyCode.DIGIT8);
        bench.choose("#prove-pack", TarnHollow.LONG_NIGHT);
        bench.await(
                "the demo's test is judged",
                () -> bench.text("#load-test-meaning").startsWith("Gave 21.1"));
    }

    @Test
    void aPackThatGivesTooLittleIsMendedAndTestedAgain() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            assertTrue(
                    bench.text("#load-test-meaning").contains("group 5 ended it: it holds less"));
            assertTrue(bench.text("#load-test-remedy").startsWith("Group 5 lacks 1."));
            // a clip of the rack runs warm
            assertEquals("not yet fit for use", bench.text("#prove-verdict"));
            // two cells named for the swap are replaced
            List<String> lines =
                    bench.text("#load-test-remedy")
                            .replace('\n', ' ')
                            .transform(text ->
                                    List.of(
                                            text.substring(text.indexOf("short: ") + 7)
                                                    .split("; ")));
            assertEquals(2, lines.size(), lines.toString());
            for (String each : lines) {
                CellId leaving = new CellId(each.replaceFirst(" .*", ""));
                CellId coming = new CellId(each.replaceFirst(".*leaves, (\\S+) from.*", "$1"));
                bench.robot.interact(() ->
                        bench.bench
                                .desk()
                                .ledger()
                                .log(
                                        "Swap",
                                        List.of(
                                                new PackFact.CellsSwapped(
                                                        TarnHollow.LONG_NIGHT, leaving, coming)),
                                        () -> {}));
                bench.await(
                        coming + " is in",
                        () ->
                                Packs.of(bench.state())
                                        .pack(TarnHollow.LONG_NIGHT)
                                        .orElseThrow()
                                        .groups()
                                        .get(4)
                                        .contains(coming));
            }
            Path log = folder.resolve("second night.csv");
            Files.writeString(log, secondTest());
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(log));
            bench.set("#load-test-end", "3.0");
            bench.click("#load-test-import");
            bench.await(
                    "the second test is better",
                    () -> bench.text("#load-test-before").contains("Before (bench load, 4 A)"));
            assertTrue(bench.text("#load-test-before").matches("(?s).* more\\."));
            assertEquals(2, proof(bench).tests().size());
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("and back", () -> proof(bench).tests().size() == 1);
        }
    }

    /// 22 Ah at 4 A, all groups alike.
    private static String secondTest() {
        StringBuilder csv =
                new StringBuilder(
                        "time_s,current_a,group_1_v,group_2_v,group_3_v,group_4_v,group_5_v,group_6_v,group_7_v\n");
        for (int minute = 0; minute <= 340; minute += 2) {
            boolean isOn = minute >= 4 && minute <= 334;
            double part = Math.clamp((minute - 4) / 330.0, 0, 1);
            double volts =
                    isOn ? 4.15 - 0.75 * part - 0.4 * Math.pow(part, 9) : minute < 4 ? 4.19 : 3.2;
            csv.append(60 * minute).append(',').append(isOn ? 4 : 0);
            for (int g = 0; g < 7; g++)
                csv.append(String.format(Locale.ROOT, ",%.3f", volts + 0.001 * g));
            csv.append('\n');
        }
        return csv.toString();
    }

    @Test
    void aTestRunsOverTheLineAndIsJudged() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            bench.robot.interact(() -> bench.bench.desk().settings().put("stand-in-speed", "6000"));
            open(bench);
            bench.click("#tab-run");
            assertTrue(bench.text("#run-meaning").startsWith("Charge the pack full"));
            bench.set("#run-amps", "much");
            bench.click("#run-begin");
            assertTrue(bench.text("#run-message").contains("0.01"));
            bench.set("#run-amps", "11");
            bench.click("#run-begin");
            bench.await("it runs", () -> bench.text("#run-meaning").contains("drawn."));
            bench.await(
                    "it ends", () -> bench.text("#run-meaning").contains("Load test says what"));
            assertEquals(2, proof(bench).tests().size());
            bench.click("#tab-load-test");
            bench.await("it is judged", () -> bench.text("#load-test-meaning").contains("at 11.0"));
            // a line that nobody answers
            bench.click("#tab-run");
            bench.set("#run-board", "127.0.0.1:1");
            bench.click("#run-begin");
            bench.await("it is said", () -> bench.text("#run-meaning").contains("broke off"));
            assertEquals(2, proof(bench).tests().size());
        }
    }

    @Test
    void aPlaceThatIsTooWarmIsNamed() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            bench.click("#tab-heat");
            bench.await("the bad clip", () -> bench.text("#heat-meaning").contains("at 5.3 is"));
            bench.line("t 5.3 10.6");
            bench.await(
                    "mended", () -> bench.text("#heat-meaning").startsWith("No place is warmer"));
            bench.line("t 15.1 20");
            bench.awaitSaid("there is no cell in column 15, row 1");
            bench.set("#quick-line", "");
            bench.line("bar 3 40mV 4A");
            bench.await(
                    "a joint that drops too much",
                    () ->
                            Proofs.of(bench.state())
                                    .proof(TarnHollow.LONG_NIGHT)
                                    .underLoad()
                                    .bars()
                                    .values()
                                    .stream()
                                    .anyMatch(bar -> bar.millivolts() == 40));
            bench.click("#tab-verdict");
            bench.await(
                    "it is not yet fit",
                    () -> bench.text("#verdict-meaning").contains("joint 3 drops"));
        }
    }

    @Test
    void whatDoesNotFitIsSaid() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            Path log = folder.resolve("other.csv");
            Files.writeString(log, "time_s,current_a,group_1_v,group_2_v\n0,0,4,4\n60,5,3.9,3.9\n");
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(log));
            bench.click("#load-test-import");
            bench.await(
                    "it is another pack's",
                    () ->
                            bench.text("#load-test-message")
                                    .equals(
                                            "other.csv has 2 groups, the pack has 7: is it another pack's?"));
            Files.writeString(log, "what is this\n");
            bench.click("#load-test-import");
            bench.await(
                    "its place is named",
                    () -> bench.text("#load-test-message").startsWith("other.csv:"));
            assertEquals(1, proof(bench).tests().size());
        }
    }

    @Test
    void logsThatComeIntoAFolderAreTakenIn() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            bench.set("#load-test-folder", folder.resolve("nowhere").toString());
            bench.robot.interact(() ->
                    bench.robot
                            .lookup("#load-test-folder")
                            .queryAs(TextField.class)
                            .fireEvent(new ActionEvent()));
            assertTrue(bench.text("#load-test-message").endsWith("is no folder."));
            Path logs = Files.createDirectory(folder.resolve("logs"));
            bench.set("#load-test-folder", logs.toString());
            bench.robot.interact(() ->
                    bench.robot
                            .lookup("#load-test-folder")
                            .queryAs(TextField.class)
                            .fireEvent(new ActionEvent()));
            Files.writeString(logs.resolve("third night.csv"), secondTest());
            bench.await("it is taken in", () -> proof(bench).tests().containsKey("third night"));
            // what is said of it moves the buttons
            bench.await(
                    "and judged",
                    () -> bench.text("#load-test-before").contains("Before (bench load, 4 A)"));
            Path again = folder.resolve("again.csv");
            Files.writeString(again, secondTest());
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(again));
            bench.click("#load-test-import");
            bench.await(
                    "the same log twice is noticed",
                    () ->
                            bench.text("#load-test-message")
                                    .equals("again.csv was imported before, as \"third night\"."));
        }
    }

    @Test
    void readingsAreTypedAndJudged() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            bench.click("#tab-groups");
            bench.line("g5 20.9Ah 77Wh");
            bench.await(
                    "group 5 alone",
                    () -> bench.text("#prove-groups-meaning").startsWith("Alone, group 5 gave"));
            bench.click("#tab-charge");
            assertTrue(bench.text("#charge-meaning").endsWith("apart: good."));
            bench.line("full g5 4.26");
            bench.await(
                    "group 5 is full first",
                    () -> bench.text("#charge-meaning").contains("group 5 is full first"));
            assertEquals("not yet fit for use", bench.text("#prove-verdict"));
            bench.click("#charge-tripped");
            bench.click("#charge-log");
            bench.await(
                    "the supply tripped",
                    () -> proof(bench).charge().orElseThrow().supply() == ChargeRun.Supply.TRIPPED);
            bench.click("#tab-system");
            bench.set("#system-out", "480");
            bench.click("#system-log");
            bench.await(
                    "the whole way",
                    () ->
                            bench.text("#system-meaning")
                                    .endsWith("of what is put back arrives at the load."));
            bench.line("trip 21.3 22.4");
            bench.await(
                    "what stays inside", () -> bench.text("#system-trip-words").contains("inside"));
            bench.click("#system-to-plan");
            bench.await(
                    "the plan takes the trip",
                    () ->
                            Plans.of(bench.state())
                                            .plan(TarnHollow.LONG_NIGHT)
                                            .orElseThrow()
                                            .need()
                                            .window()
                                            .lowTripVolts()
                                    == 21.3);
            bench.click("#tab-verdict");
            assertTrue(bench.text("#verdict-meaning").startsWith("Not yet fit for use"));
            bench.line("4a 4.1 4.1 4.1");
            assertEquals(1, proof(bench).tests().size(), "3 of 7 groups are no reading");
            bench.set("#quick-line", "");
            bench.line("4a 4.1 4.1 4.1 4.1 4.1 4.1 4.1");
            bench.await("a test by hand", () -> proof(bench).tests().size() == 2);
            bench.keys(KeyCode.CONTROL, KeyCode.DIGIT7);
            bench.click("#tab-book");
            bench.await(
                    "the plate takes what was measured",
                    () -> bench.text("#plate-lines").contains(" measured"));
        }
    }
}
