package pentacell.instruments.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.instruments.bench.BenchBook.ID;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.TestRun;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.journal.Origin;
import pentacell.core.measure.HoldTest;
import pentacell.core.measure.OpenRun;
import pentacell.core.school.Schools;
import pentacell.core.stock.Standing;
import pentacell.core.test.LearnedTimes;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Instrument;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.workshop.logbook.Logbook;

/// In a workshop that is not for practice, what a stand-in tells is kept and shown, and counts for
/// nothing; what a real instrument tells counts.
@Tag("exhaustive")
final class RealWorkshopTest {
    private static final int PATIENCE_SECONDS = 60;

    @TempDir private Path folder;
    private Logbook book;
    private TestBench bench;
    private final BlockingQueue<Finished> finished = new LinkedBlockingQueue<>();
    private final CountDownLatch connected = new CountDownLatch(1);

    @BeforeEach
    void prepare() throws Exception {
        book = BenchBook.open(folder.resolve("real.pentacell"));
        book.log("cells", BenchBook.cell());
        bench = bench();
    }

    private TestBench bench() {
        TestBench made = new TestBench(Keeper.of(book), finished::add, trouble -> {});
        made.onLine(() -> {
            if (made.link("Charger A").connected() || made.link("Meter").connected())
                connected.countDown();
        });
        return made;
    }

    @AfterEach
    void tidy() {
        bench.close();
        book.close();
    }

    private CellRecord cell() {
        return Cells.of(book.state()).cell(ID).orElseThrow();
    }

    private void connect(Instrument instrument) throws InterruptedException {
        bench.connect(instrument);
        assertTrue(connected.await(PATIENCE_SECONDS, TimeUnit.SECONDS), "connected");
    }

    @Test
    void aRunOfAStandInIsShownAndCountsForNothing() throws Exception {
        try (SimulatedInstrument charger =
                SimulatedInstrument.start(
                        StandIn.FOUR_SLOT, "Charger A", 10_000, id -> BenchBook.truth(), 1, 0)) {
            connect(BenchBook.charger(charger.port()));
            bench.start(ID, BenchBook.bay(2), BenchBook.programme(book.state()));
            assertEquals(1, OpenRun.of(book.state()).size(), "the cell is in its bay");
            Finished end = finished.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
            assertTrue(end != null && !end.counts());
            assertEquals(Standing.UNDER_TEST, end.after().verdict());
        }
        TestRun run = cell().runs().getFirst();
        assertEquals(Origin.STAND_IN, run.origin());
        assertTrue(run.end().isPresent());
        assertTrue(book.samples(run.run()).size() > 100, "its curve is kept");
        assertTrue(cell().conditionsOf(run.run()).isPresent(), "and can be shown");
        assertEquals(OptionalDouble.empty(), cell().milliampHours());
        assertEquals(OptionalDouble.empty(), cell().dcMilliohms());
        assertEquals(
                Optional.empty(),
                HoldTest.of(cell(), Optional.empty(), Schools.of(book.state()).hold()));
        assertEquals(List.of(), OpenRun.of(book.state()));
        assertEquals(1, WaitingForTest.of(book.state()).size(), "it still waits for its test");
        assertEquals(1, LearnedTimes.of(book.state()).factor("Charger A"), "nothing is learned");
    }

    @Test
    void theMeterOfAStandInMovesNoFigure() throws Exception {
        try (SimulatedInstrument meter =
                SimulatedInstrument.start(
                        StandIn.AC_METER, "Meter", 1, id -> BenchBook.truth(), 1, 0)) {
            List<Bay> bays = StandIn.AC_METER.bays("Meter");
            connect(new Instrument("Meter", "127.0.0.1:" + meter.port(), bays));
            bench.read(ID, bays.getFirst());
        }
        assertEquals(OptionalDouble.empty(), cell().milliohms());
        assertEquals(OptionalDouble.of(3.7), cell().volts());
        assertEquals(Origin.STAND_IN, cell().lifeLine().getLast().origin());
    }

    /// Whoever says that he is real and lives in another time is a stand-in all the same.
    @ParameterizedTest
    @CsvSource({"false, 1, true", "true, 1, false", "false, 60, false", "false, 0, true"})
    void anAdapterIsBelievedAsItSays(boolean isSimulated, double speed, boolean counts)
            throws Exception {
        try (ScriptedInstrument meter =
                new ScriptedInstrument(
                        Map.of(
                                "identify",
                                List.of(
                                        "{\"tell\":\"identity\",\"answers\":ID,\"name\":\"Meter\",\"protocol\":1,\"simulated\":%s,\"speed\":%s,\"slots\":[]}"
                                                .formatted(isSimulated, speed)),
                                "slots",
                                List.of("{\"tell\":\"slots\",\"answers\":ID,\"slots\":[]}"),
                                "insert",
                                List.of("{\"tell\":\"done\",\"answers\":ID}"),
                                "read",
                                List.of(
                                        "{\"tell\":\"reading\",\"answers\":ID,\"slot\":1,\"volts\":3.71,\"milliohms\":56.2,\"celsius\":22.5}")))) {
            List<Bay> bays = StandIn.AC_METER.bays("Meter");
            connect(new Instrument("Meter", "127.0.0.1:" + meter.port(), bays));
            bench.read(ID, bays.getFirst());
        }
        assertEquals(counts, cell().milliohms().isPresent());
        assertEquals(
                counts ? Origin.INSTRUMENT : Origin.STAND_IN, cell().lifeLine().getLast().origin());
        assertFalse(book.state().standInsCount());
    }
}
