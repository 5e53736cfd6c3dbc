package pentacell.instruments.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.instruments.bench.BenchBook.ID;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.measure.SampleLog;
import pentacell.core.test.facts.Instrument;
import pentacell.instruments.protocol.LineReader;
import pentacell.workshop.logbook.Logbook;
import tools.jackson.databind.JsonNode;

/// Adapters of others that speak the protocol of docs/instrument-protocol.md, and mumble at times.
@Tag("exhaustive")
final class OddInstrumentTest {
    private static final String RUN = ID.text() + "#1";
    private static final int PATIENCE_SECONDS = 60;

    @TempDir Path folder;
    private Logbook book;
    private final BlockingQueue<Finished> finished = new LinkedBlockingQueue<>();
    private final BlockingQueue<LinkState> lines = new LinkedBlockingQueue<>();

    @BeforeEach
    void prepare() throws Exception {
        book = BenchBook.open(folder.resolve("bench.pentacell"));
        BenchBook.addCell(book);
    }

    @AfterEach
    void tidy() {
        book.close();
    }

    /// What a well-behaved adapter with two slots says; a test changes what it is about.
    private static Map<String, List<String>> script() {
        String slot =
                "{\"slot\":%d,\"chargeAmps\":1,\"dischargeAmps\":1,\"chemistries\":[\"nmc\"],\"resistance\":false}";
        Map<String, List<String>> script = new HashMap<>();
        script.put(
                "identify",
                List.of(
                        "{\"tell\":\"identity\",\"answers\":ID,\"name\":\"Adapter\",\"protocol\":1,\"simulated\":false,\"speed\":1,\"slots\":[%s,%s]}"
                                .formatted(slot.formatted(1), slot.formatted(2))));
        script.put("slots", List.of("{\"tell\":\"slots\",\"answers\":ID,\"slots\":[]}"));
        script.put("start", List.of(done()));
        script.put("stop", List.of(done()));
        return script;
    }

    private static String done() {
        return "{\"tell\":\"done\",\"answers\":ID}";
    }

    /// Rows of a discharge at 1 A, one a minute, from 4.1 V down by 5 mV each.
    private static String samples(int from, int until, String... more) {
        List<String> rows =
                IntStream.range(from, until)
                        .mapToObj(i -> "[%d,%.3f,-1,23]".formatted(60 * i, 4.1 - 0.005 * i))
                        .collect(Collectors.toCollection(ArrayList::new));
        rows.addAll(List.of(more));
        return "{\"tell\":\"samples\",\"slot\":2,\"run\":\"%s\",\"first\":%d,\"rows\":[%s]}"
                .formatted(RUN, from, String.join(",", rows));
    }

    private static String ended(String how) {
        return "{\"tell\":\"ended\",\"slot\":2,\"run\":\"%s\",\"how\":\"%s\",\"words\":\"\"}"
                .formatted(RUN, how);
    }

    private TestBench bench(ScriptedInstrument instrument) {
        TestBench bench = new TestBench(Keeper.of(book), finished::add, trouble -> {});
        bench.onLine(() -> lines.add(bench.link("Charger A")));
        bench.connect(BenchBook.charger(instrument.port()));
        return bench;
    }

    private void awaitLine(boolean isUp) throws InterruptedException {
        LinkState state = lines.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
        assertTrue(state != null && state.connected() == isUp, () -> "line " + state);
    }

    private Finished runOn(ScriptedInstrument instrument) throws Exception {
        try (TestBench bench = bench(instrument)) {
            awaitLine(true);
            bench.start(ID, BenchBook.bay(2), BenchBook.programme(book.state()));
            return Objects.requireNonNull(finished.poll(PATIENCE_SECONDS, TimeUnit.SECONDS));
        }
    }

    @Test
    void whatIsNoSampleIsPassedOverAndTheRestIsKept() throws Exception {
        Map<String, List<String>> script = script();
        script.put(
                "start",
                List.of(
                        done(),
                        "Good morning!",
                        "{\"tell\":\"weather\",\"rain\":true}",
                        samples(0, 100, "[6000]", "[]"),
                        // two rows that were no samples count as rows; the first here came before
                        samples(101, 221),
                        "{\"tell\":\"samples\",\"slot\":2,\"run\":\"another\",\"first\":0,\"rows\":[[1,2,3]]}",
                        ended("done")));
        try (ScriptedInstrument instrument = new ScriptedInstrument(script)) {
            Finished end = runOn(instrument);
            assertEquals(RunEnd.DONE, end.end());
            SampleLog log = book.samples(RUN);
            assertEquals(4.1, log.volts(0), 1e-9);
            assertEquals(60 * 220, log.seconds(log.size() - 1));
            for (int i = 1; i < log.size(); i++)
                assertTrue(log.seconds(i) > log.seconds(i - 1), "in order, each once");
            // 1 A for the time from 4.1 V to 3.0 V: 220 minutes; and 0.4 %/K for 2 K under 25 °C
            assertEquals(
                    1.008 * 220 / 0.06,
                    Cells.of(book.state()).cell(ID).orElseThrow().milliampHours().orElseThrow(),
                    20);
        }
    }

    @Test
    void rowsThatWereMissedAreAskedForAgainBeforeTheEndCounts() throws Exception {
        Map<String, List<String>> script = script();
        script.put("start", List.of(done(), samples(0, 80), samples(150, 221), ended("done")));
        script.put("replay", List.of(done(), samples(80, 221), ended("done")));
        try (ScriptedInstrument instrument = new ScriptedInstrument(script)) {
            assertEquals(RunEnd.DONE, runOn(instrument).end());
            assertEquals(221, book.samples(RUN).size());
            JsonNode replay =
                    instrument.asked().stream()
                            .filter(ask -> ask.get("ask").asString().equals("replay"))
                            .findFirst()
                            .orElseThrow();
            assertEquals(80, replay.get("from").asInt());
            assertEquals(RUN, replay.get("run").asString());
        }
    }

    @Test
    void aRunWhoseMissedRowsAreGoneIsBrokenOffWithWhatCameIn() throws Exception {
        Map<String, List<String>> script = script();
        script.put("start", List.of(done(), samples(0, 80), samples(150, 221), ended("done")));
        script.put(
                "replay",
                List.of("{\"tell\":\"refused\",\"answers\":ID,\"why\":\"no longer here\"}"));
        try (ScriptedInstrument instrument = new ScriptedInstrument(script)) {
            Finished end = runOn(instrument);
            assertEquals(RunEnd.BROKEN, end.end());
            assertTrue(end.ending().why().contains("lost a part"), end.ending().why());
            assertEquals(80, book.samples(RUN).size());
        }
    }

    @Test
    void aRunThatIsRefusedIsBrokenAndTheCellWaitsAgain() throws Exception {
        Map<String, List<String>> script = script();
        script.put(
                "start",
                List.of("{\"tell\":\"refused\",\"answers\":ID,\"why\":\"the fuse is out\"}"));
        try (ScriptedInstrument instrument = new ScriptedInstrument(script);
                TestBench bench = bench(instrument)) {
            awaitLine(true);
            BenchException refused =
                    assertThrows(
                            BenchException.class,
                            () ->
                                    bench.start(
                                            ID,
                                            BenchBook.bay(2),
                                            BenchBook.programme(book.state())));
            assertTrue(refused.toString().contains("the fuse is out"), refused.toString());
            assertEquals(1, WaitingForTest.of(book.state()).size());
            assertEquals(List.of(), bench.runs());
        }
    }

    @Test
    void whoDoesNotSayWhoItIsHasNoLine() throws Exception {
        Map<String, List<String>> script = script();
        script.put("identify", List.of(done()));
        try (ScriptedInstrument instrument = new ScriptedInstrument(script);
                TestBench bench = bench(instrument)) {
            awaitLine(false);
            assertTrue(bench.link("Charger A").words().contains("does not answer"));
        }
    }

    @ParameterizedTest(name = "{1}")
    @MethodSource("sick")
    void aSickInstrumentHasNoLineAndSaysWhy(List<String> identify, String why) throws Exception {
        Map<String, List<String>> script = script();
        script.put("identify", identify);
        try (ScriptedInstrument sick = new ScriptedInstrument(script);
                ScriptedInstrument sound = new ScriptedInstrument(script());
                TestBench bench = new TestBench(Keeper.of(book), finished::add, trouble -> {})) {
            bench.onLine(() -> lines.add(bench.link("Charger A")));
            bench.connect(BenchBook.charger(sick.port()));
            bench.connect(
                    new Instrument(
                            "Charger B",
                            "127.0.0.1:" + sound.port(),
                            BenchBook.charger(sound.port()).bays()));
            Awaitility.await()
                    .atMost(PATIENCE_SECONDS, TimeUnit.SECONDS)
                    .until(() -> bench.link("Charger B").connected());
            Awaitility.await()
                    .atMost(PATIENCE_SECONDS, TimeUnit.SECONDS)
                    .until(() -> bench.link("Charger A").words().contains(why));
            assertFalse(bench.link("Charger A").connected());
        }
    }

    static Stream<Arguments> sick() {
        String identity = Objects.requireNonNull(script().get("identify")).get(0);
        return Stream.of(
                Arguments.of(
                        List.of(identity.replace("\"protocol\":1", "\"protocol\":2")),
                        "speaks version 2 of the protocol, this program knows 1"),
                Arguments.of(List.of("x".repeat(2 * LineReader.LONGEST)), "without an end of line"),
                Arguments.of(List.of(), "does not answer"),
                Arguments.of(List.of("{\"tell\":\"identity\",\"answers\":ID}"), "does not answer"));
    }

    @Test
    void rowsThatCannotBeAreLeftOutOneByOne() throws Exception {
        Map<String, List<String>> script = script();
        String rows = samples(0, 100);
        script.put(
                "start",
                List.of(
                        done(),
                        rows,
                        "{\"tell\":\"samples\",\"slot\":2}",
                        "{\"tell\":\"ended\",\"slot\":2}",
                        "{\"tell\":\"samples\",\"slot\":2,\"run\":\"%s\",\"first\":-7,\"rows\":[null]}"
                                .formatted(RUN),
                        "{\"tell\":\"samples\",\"slot\":2,\"run\":\"%s\",\"first\":100,\"rows\":[null,[6000,1e308,-1,23],[6001,3.6,-1e9,23],[1e300,3.6,-1,23],[\"NaN\",3.6,-1],[5,3.6,-1,23],[6060,3.59,-1,1e308]]}"
                                .formatted(RUN),
                        ended("done")));
        try (ScriptedInstrument instrument = new ScriptedInstrument(script)) {
            runOn(instrument);
            SampleLog log = book.samples(RUN);
            assertEquals(101, log.size());
            assertEquals(6060, log.seconds(100));
            assertTrue(Double.isNaN(log.celsius(100)));
        }
    }

    /// Ten thousand samples a second for ten seconds, all at once: every one is kept.
    @Test
    void aFloodOfSamplesIsKeptWhole() throws Exception {
        Map<String, List<String>> script = script();
        List<String> said = new ArrayList<>(List.of(done()));
        int all = 100_000;
        for (int from = 0; from < all; from += 500)
            said.add(
                    "{\"tell\":\"samples\",\"slot\":2,\"run\":\"%s\",\"first\":%d,\"rows\":[%s]}"
                            .formatted(
                                    RUN,
                                    from,
                                    IntStream.range(from, from + 500)
                                            .mapToObj(i ->
                                                    String.format(
                                                            Locale.ROOT,
                                                            "[%.4f,%.5f,-1,23]",
                                                            i / 10.0,
                                                            4.1 - 1e-5 * i))
                                            .collect(Collectors.joining(","))));
        said.add(ended("done"));
        script.put("start", said);
        try (ScriptedInstrument instrument = new ScriptedInstrument(script)) {
            runOn(instrument);
            assertEquals(all, book.samples(RUN).size());
        }
    }

    @Test
    void anEndOfItsOwnWordIsBrokenOffButItsSamplesCount() throws Exception {
        Map<String, List<String>> script = script();
        script.put("start", List.of(done(), samples(0, 60), ended("fault")));
        try (ScriptedInstrument instrument = new ScriptedInstrument(script)) {
            assertEquals(RunEnd.BROKEN, runOn(instrument).end());
            assertEquals(60, book.samples(RUN).size());
            assertTrue(Cells.of(book.state()).cell(ID).orElseThrow().milliampHours().isEmpty());
        }
    }
}
