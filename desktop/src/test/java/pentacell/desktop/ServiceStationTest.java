package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Collections;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.build.facts.Assemblies;
import pentacell.core.build.facts.PackStanding;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.pack.Packs;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.service.facts.PacksInUse;
import pentacell.instruments.simulated.PackDevice;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.VirtualPack;
import pentacell.workshop.demo.TarnHollow;

/// Service as a person uses it.
@Tag("window")
final class ServiceStationTest {
    /// The cans of the demo's pack that hang on nothing.
    private static final Set<String> TORN = Set.of("RL2-07", "RL2-10", "RL2-06", "RL2-03");

    @TempDir private Path folder;

    private static PackInUse use(BenchFixture bench) {
        return PacksInUse.of(bench.state()).pack(TarnHollow.RED_LAMPS);
    }

    private static void open(BenchFixture bench) {
        bench.keys(KeyCode.CONTROL, KeyCode.DIGIT9);
        bench.await(
                "the pack in use is judged",
                () -> bench.text("#now-meaning").startsWith("Group 2 holds 67"));
    }

    /// The can that the search names next; empty when it is over.
    private static Optional<String> next(BenchFixture bench) {
        String said = bench.text("#search-meaning");
        return said.startsWith("Next: ")
                ? Optional.of(said.substring(6).replaceFirst(",.*", ""))
                : Optional.empty();
    }

    @Test
    void fourCellsOffAreFoundJoinedAgainAndWatched() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            assertEquals("1", bench.text("#service-findings"));
            assertTrue(bench.text("#now-alarms").contains("apart at rest"));
            bench.click("#go-on-cells-off-2");
            bench.await("the next can", () -> next(bench).isPresent());
            assertTrue(bench.text("#search-progress").startsWith("1 of 4 found, 5 of 12"));
            int read = 5;
            while (next(bench).isPresent()) {
                String can = next(bench).orElseThrow();
                bench.click("#search-reading");
                bench.enter(TORN.contains(can) ? "3.80" : "3.846");
                int now = ++read;
                bench.await(
                        can + " is read",
                        () ->
                                use(bench).probes().size() == now
                                        && !next(bench).equals(Optional.of(can)));
            }
            assertTrue(read <= 12);
            for (String can : TORN) assertTrue(bench.text("#search-meaning").contains(can));

            bench.click("#tab-repair");
            bench.await(
                    "four to mend",
                    () -> bench.text("#repair-meaning").startsWith("4 cans to mend"));
            // the one that was far down is brought nearer first
            assertTrue(bench.text("#repair-how-RL2-10").contains("Bring in"));
            assertTrue(bench.text("#repair-how-RL2-06").contains("would flow at first"));
            for (int i = 0; i < TORN.size(); i++) {
                // the first of the list
                String can = bench.texts("#repair-work .section").get(0).replaceFirst(" .*", "");
                bench.click("#joined-" + can);
                bench.await(
                        can + " is joined",
                        () ->
                                use(bench).changes().stream()
                                        .anyMatch(each -> each.cell().text().equals(can)));
                bench.await(
                        "and goes from the list",
                        () ->
                                bench.texts("#repair-work .section").stream()
                                        .noneMatch(each -> each.startsWith(can)));
            }
            assertEquals(4, use(bench).changes().size());
            assertTrue(bench.text("#repair-meaning").contains("a day and two days after"));
            bench.click("#tab-years");
            bench.await(
                    "it is to be watched",
                    () -> bench.text("#years-due").contains("after the repair on"));
            bench.click("#tab-now");
            assertTrue(bench.text("#now-meaning").startsWith("Too little was read since"));

            Path log = folder.resolve("after.csv");
            Files.writeString(log, week());
            when(bench.files.which(any(), any(), any())).thenReturn(Optional.of(log));
            bench.click("#history-import");
            bench.await(
                    "nothing stands out",
                    () -> bench.text("#now-meaning").startsWith("Nothing stands out"));
            String balance = bench.text("#now-balance");
            assertTrue(balance.startsWith("Group 3 is "), balance);
            double under =
                    Double.parseDouble(
                            balance.substring("Group 3 is ".length(), balance.indexOf('\u00a0')));
            assertEquals(0.04 * 24, under, 0.1);
            assertTrue(balance.contains("below the others throughout"), balance);
            assertTrue(
                    bench.text("#now-alarms").contains("charged at \u22124.0\u00a0°C on"),
                    bench.text("#now-alarms"));
            bench.click("#history-import");
            bench.await(
                    "it is known",
                    () -> bench.text("#now-message").contains("was imported before, as \"after\""));
        }
    }

    /// A week of nights and days after now, groups alike but the third, which stands a little under
    /// the others; on its third day it freezes.
    private static String week() {
        Random random = new Random(4);
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        Instant begin = Instant.now().truncatedTo(ChronoUnit.SECONDS).plusSeconds(3600);
        StringBuilder csv =
                new StringBuilder("time,current_a,group_1_v,group_2_v,group_3_v,temp_c\n");
        double left = 0.95;
        for (int i = 0; i < 7 * 48; i++) {
            double hour = i / 2.0 % 24;
            double amps = hour < 10 ? 1.2 : hour < 12 ? 0 : hour < 20 ? -1.5 : 0;
            csv.append(begin.plusSeconds(1800L * i)).append(',').append(amps);
            for (int g = 0; g < 3; g++)
                csv.append(
                        String.format(
                                Locale.ROOT,
                                ",%.4f",
                                curve.volts(left - (g == 2 ? 0.04 : 0))
                                        - amps * 0.005
                                        + 0.001 * random.nextGaussian()));
            csv.append(i / 48 == 2 ? ",-4\n" : ",11.5\n");
            left -= amps * 0.5 / 24;
        }
        return csv.toString();
    }

    @Test
    void aWarmCanIsReplacedByASpareOfThePack() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            bench.click("#tab-search");
            choose(bench, "#search-sought", 1);
            choose(bench, "#search-group", 0);
            int read = 0;
            while (next(bench).isPresent()) {
                String can = next(bench).orElseThrow();
                bench.line(can.equals("RL1-05") ? "39" : "29.5");
                int now = ++read;
                bench.await(
                        can + " is read",
                        () ->
                                use(bench).warm().size() == now
                                        && !next(bench).equals(Optional.of(can)));
            }
            bench.await(
                    "the heater",
                    () -> bench.text("#search-meaning").startsWith("Found in group 1: RL1-05."));
            bench.click("#tab-repair");
            bench.await("its way", () -> bench.isShown("#replaced-RL1-05"));
            assertTrue(bench.text("#repair-how-RL1-05").contains("from the spares comes"));
            bench.click("#replaced-RL1-05");
            bench.await(
                    "the spare is in its place",
                    () ->
                            Packs.of(bench.state())
                                    .pack(TarnHollow.RED_LAMPS)
                                    .orElseThrow()
                                    .groups()
                                    .get(0)
                                    .stream()
                                    .anyMatch(each -> each.text().startsWith("RL0-")));
            assertEquals("RL1-05", use(bench).changes().get(0).cell().text());
            assertEquals("warms itself", use(bench).changes().get(0).reason());
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("and back", () -> use(bench).changes().isEmpty());
        }
    }

    private static void choose(BenchFixture bench, String box, int index) {
        ComboBox<?> combo = bench.robot.lookup(box).queryAs(ComboBox.class);
        bench.robot.interact(() -> combo.getSelectionModel().select(index));
    }

    @Test
    void whatIsTypedIsLoggedAndWhatCannotBeIsSaid() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            bench.line("0a 3.84 3.83 3,84");
            bench.await("the groups", () -> use(bench).seen().size() == 1);
            bench.line("retest g2 22.9Ah");
            bench.await("the test", () -> use(bench).retests().size() == 13);
            bench.line("note lid replaced 2026-01-04");
            bench.await("the note", () -> use(bench).events().size() == 3);
            assertEquals("lid replaced", use(bench).events().get(2).words());
            bench.line("rl1-03 31.5c");
            bench.await("the warmth", () -> use(bench).warm().size() == 1);
            bench.line("RL3-01 3.845");
            bench.await("the can", () -> use(bench).probes().size() == 6);
            for (String wrong :
                    new String[] {
                        "0a 3.84 3.83",
                        "retest g9 22.9Ah",
                        "retest g2 22.9Ah 2999-01-01",
                        "RL3-01 much",
                        "what now"
                    }) {
                bench.line(wrong);
                TextField line = bench.robot.lookup("#quick-line").queryAs(TextField.class);
                assertEquals(wrong, line.getText(), "what is typed stays");
                bench.set("#quick-line", "");
            }
            assertEquals(1, use(bench).seen().size());
            assertEquals(6, use(bench).probes().size());
            assertEquals(3, use(bench).events().size());
            assertEquals(13, use(bench).retests().size());
        }
    }

    @Test
    void aBoardOnTheLineIsRead() throws Exception {
        VirtualPack three =
                new VirtualPack(
                        Collections.nCopies(3, new VirtualPack.Group(24, 0.005)), Chemistry.NMC, 1);
        VirtualPack two =
                new VirtualPack(
                        Collections.nCopies(2, new VirtualPack.Group(24, 0.005)), Chemistry.NMC, 1);
        try (SimulatedInstrument board =
                        SimulatedInstrument.start(PackDevice.Kind.BOARD, "board", 1, three, 0);
                SimulatedInstrument other =
                        SimulatedInstrument.start(PackDevice.Kind.BOARD, "board", 1, two, 0);
                BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            bench.set("#service-board", "127.0.0.1:" + board.port());
            bench.click("#board-read");
            bench.await("it is read", () -> use(bench).seen().size() == 1);
            assertEquals(4.2, use(bench).seen().get(0).volts().get(2), 0.02);
            bench.set("#service-board", "127.0.0.1:" + other.port());
            bench.click("#board-read");
            bench.await(
                    "another pack's", () -> bench.text("#now-message").contains("reads 2 groups"));
            bench.set("#service-board", "127.0.0.1:1");
            bench.click("#board-read");
            bench.await("nobody", () -> bench.text("#now-message").startsWith("No board answers"));
            assertEquals(1, use(bench).seen().size());
        }
    }

    @Test
    void aPersonDecidesOtherwiseSetsAlarmsAndTakesThePackApart() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            open(bench);
            bench.set("#alarm-spread", "200");
            bench.click("#alarms-set");
            bench.await("no alarm", () -> bench.text("#now-alarms").isEmpty());
            bench.click("#aside-cells-off-2");
            bench.await("it asks why", () -> bench.text("#now-message").contains("Write why"));
            bench.set("#aside-reason-cells-off-2", "lamps are fewer now");
            bench.click("#aside-cells-off-2");
            bench.await(
                    "nothing is said",
                    () -> bench.text("#now-meaning").startsWith("Nothing stands out"));
            bench.click("#tab-history");
            assertTrue(bench.text("#history-meaning").contains("readings from 10 Jun 2024"));
            bench.click("#history-recent");
            bench.click("#tab-years");
            bench.await("the trend", () -> bench.text("#years-meaning").contains("it falls below"));
            Path calendar = folder.resolve("service.ics");
            when(bench.files.whereTo(any(), any())).thenReturn(Optional.of(calendar));
            bench.click("#years-calendar");
            bench.await("the calendar is written", () -> Files.exists(calendar));
            bench.await(
                    "with the test",
                    () -> {
                        try {
                            return Files.readString(calendar).contains("test its groups");
                        } catch (java.io.IOException notYet) {
                            return false;
                        }
                    });
            bench.set("#years-reason", "lamps are gone");
            bench.click("#years-apart");
            bench.await(
                    "its cells are free",
                    () -> Packs.of(bench.state()).pack(TarnHollow.RED_LAMPS).isEmpty());
            assertEquals(
                    PackStanding.APART,
                    Assemblies.of(bench.state()).assembly(TarnHollow.RED_LAMPS).standing());
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await(
                    "and back",
                    () -> Packs.of(bench.state()).pack(TarnHollow.RED_LAMPS).isPresent());
            assertFalse(use(bench).setAside().isEmpty());
        }
    }
}
