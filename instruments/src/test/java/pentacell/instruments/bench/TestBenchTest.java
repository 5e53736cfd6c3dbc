package pentacell.instruments.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.instruments.bench.BenchBook.ID;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.measure.HoldTest;
import pentacell.core.measure.OpenRun;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.Standing;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Instrument;
import pentacell.core.test.facts.Programme;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// Tests run on a stand-in through the socket, with everything that can go wrong on the way.
@Tag("exhaustive")
final class TestBenchTest {
    private static final int PATIENCE_SECONDS = 60;

    @TempDir Path folder;
    private Logbook book;
    private SimulatedInstrument charger;
    private TestBench bench;
    private final BlockingQueue<Finished> finished = new LinkedBlockingQueue<>();
    private final BlockingQueue<String> troubles = new LinkedBlockingQueue<>();

    @BeforeEach
    void prepare() throws Exception {
        open();
        BenchBook.addCell(book);
        charger = charger(0);
        bench = bench();
    }

    private void open() {
        book = BenchBook.open(folder.resolve("bench.pentacell"));
    }

    private static SimulatedInstrument charger(int port) throws IOException {
        return SimulatedInstrument.start(
                StandIn.FOUR_SLOT, "Charger A", 10_000, id -> BenchBook.truth(), 1, port);
    }

    private TestBench bench() {
        TestBench made = new TestBench(Keeper.of(book), finished::add, troubles::add);
        made.connect(BenchBook.charger(charger.port()));
        return made;
    }

    @AfterEach
    void tidy() {
        bench.close();
        charger.close();
        book.close();
    }

    private Programme programme() {
        return BenchBook.programme(book.state());
    }

    private interface Condition {
        boolean holds() throws LogbookException;
    }

    /// Waits for something that comes about on another thread; the patience is a limit, not a time.
    private static void until(Condition condition) throws LogbookException {
        long limit = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
        while (!condition.holds()) {
            if (System.nanoTime() > limit) throw new AssertionError("waited in vain");
            Thread.onSpinWait();
        }
    }

    private void start() throws Exception {
        until(() -> bench.link("Charger A").connected());
        bench.start(ID, BenchBook.bay(2), programme());
    }

    private Finished ended() throws InterruptedException {
        Finished next = finished.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
        assertTrue(next != null, () -> "no end came; troubles " + troubles);
        return java.util.Objects.requireNonNull(next);
    }

    private void assertMeasured() {
        WorkshopState state = book.state();
        assertEquals(
                2000, Cells.of(state).cell(ID).orElseThrow().milliampHours().orElseThrow(), 30);
        assertEquals(60, Cells.of(state).cell(ID).orElseThrow().dcMilliohms().orElseThrow(), 2);
        assertEquals(List.of(), OpenRun.of(state));
        assertEquals(List.of(), List.copyOf(troubles));
    }

    @Test
    void aTestEndsInFactsWithTheirConditions() throws Exception {
        start();
        Finished end = ended();
        assertEquals(RunEnd.DONE, end.end());
        assertEquals(Standing.UNDER_TEST, end.before());
        assertEquals(Standing.UNDER_TEST, end.after().verdict(), "it lies on the hold shelf now");
        assertMeasured();
        HoldTest hold =
                HoldTest.of(
                                Cells.of(book.state()).cell(ID).orElseThrow(),
                                Optional.empty(),
                                Schools.of(book.state()).hold())
                        .orElseThrow();
        assertTrue(hold.isOpen());
        assertTrue(book.samples(end.run()).size() > 1000);
        assertEquals(List.of(), end.analysis().anomalies());
    }

    @Test
    void aCutLineIsTakenUpAndNothingIsMissing() throws Exception {
        start();
        bench.fail(BenchBook.bay(2), Ask.FaultKind.CUT_CONNECTION, 4000);
        assertEquals(RunEnd.DONE, ended().end());
        assertMeasured();
    }

    @Test
    void anInstrumentThatStartsAnewBreaksTheRunAndKeepsWhatCameIn() throws Exception {
        start();
        bench.fail(BenchBook.bay(2), Ask.FaultKind.RESTART, 4000);
        Finished end = ended();
        assertEquals(RunEnd.BROKEN, end.end());
        assertTrue(end.ending().why().contains("restarted"), end.ending().why());
        assertTrue(book.samples(end.run()).size() > 100);
        assertTrue(Cells.of(book.state()).cell(ID).orElseThrow().milliampHours().isEmpty());
        assertEquals(1, WaitingForTest.of(book.state()).size(), "it waits for its test again");
    }

    @Test
    void theProgramMayStopInMidRunAndComeBack() throws Exception {
        start();
        until(() -> !bench.runs().isEmpty() && bench.runs().get(0).log().size() > 50);
        bench.close();
        int shown = bench.runs().get(0).log().size();
        book.close();
        open();
        assertTrue(book.samples(ID.text() + "#1").size() >= shown, "what was shown is there");
        bench = bench();
        assertEquals(RunEnd.DONE, ended().end());
        assertMeasured();
    }

    @Test
    void aBusyBayAndALostInstrumentAreTold() throws Exception {
        start();
        BenchException busy =
                assertThrows(
                        BenchException.class, () -> bench.start(ID, BenchBook.bay(3), programme()));
        assertTrue(busy.toString().contains("already"), busy.toString());
        assertThrows(
                BenchException.class,
                () -> bench.start(new CellId("nobody"), BenchBook.bay(3), programme()));
        bench.stop(BenchBook.bay(2));
        assertEquals(RunEnd.STOPPED, ended().end());
        bench.disconnect("Charger A");
        BenchException lost =
                assertThrows(
                        BenchException.class, () -> bench.start(ID, BenchBook.bay(2), programme()));
        assertTrue(lost.toString().contains("does not answer"), lost.toString());
    }

    @Test
    void anUndoneStartStopsTheRunAndARedoneOneTakesItUp() throws Exception {
        start();
        until(() -> !bench.runs().isEmpty() && bench.runs().get(0).log().size() > 50);
        book.undo();
        bench.logChanged();
        until(() -> bench.runs().isEmpty());
        assertEquals(List.of(), OpenRun.of(book.state()));
        assertEquals(1, WaitingForTest.of(book.state()).size(), "it waits as before");
        book.redo();
        bench.logChanged();
        Finished end = ended();
        assertEquals(RunEnd.STOPPED, end.end());
        assertTrue(book.samples(end.run()).size() > 50, "what had come in is there");
        assertEquals(List.of(), List.copyOf(troubles));
    }

    @Test
    void aRunAfterAnUndoneOneDoesNotMeetItsSamples() throws Exception {
        start();
        until(() -> !bench.runs().isEmpty() && bench.runs().get(0).log().size() > 50);
        book.undo();
        bench.logChanged();
        until(() -> bench.runs().isEmpty());
        start();
        Finished end = ended();
        assertEquals(ID.text() + "#2", end.run());
        assertMeasured();
    }

    @Test
    void undoneResultsAreNotAnalysedASecondTime() throws Exception {
        start();
        assertEquals(RunEnd.DONE, ended().end());
        book.undo();
        bench.logChanged();
        // a run of another cell goes the same way: when it is done, the undo has been seen to
        CellId other = new CellId("HB03-08");
        book.log(
                "another",
                List.of(
                        new CellFact.CellNamed(other, Optional.empty(), Optional.of("Quill Q22")),
                        new CellFact.VoltageRead(other, 3.7)));
        bench.start(other, BenchBook.bay(3), programme());
        assertEquals(other, ended().cell());
        assertTrue(finished.isEmpty(), "nothing else ended");
        assertTrue(Cells.of(book.state()).cell(ID).orElseThrow().milliampHours().isEmpty());
    }

    /// The system may hold the port a moment longer.
    private boolean isBack(int port) {
        try {
            charger = charger(port);
            return true;
        } catch (IOException taken) {
            return false;
        }
    }

    @Test
    void aLineThatIsLostAndComesBackIsTold() throws Exception {
        BlockingQueue<LinkState> lines = new LinkedBlockingQueue<>();
        until(() -> bench.link("Charger A").connected());
        bench.onLine(() -> lines.add(bench.link("Charger A")));
        int port = charger.port();
        charger.close();
        LinkState lost = lines.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
        assertTrue(lost != null && lost.isLost(), "lost");
        until(() -> isBack(port));
        LinkState back = lines.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
        assertTrue(back != null && back.connected(), "back");
    }

    @Test
    void aMeterReadsAndItsReadingsAreKeptApart() throws Exception {
        try (SimulatedInstrument meter =
                SimulatedInstrument.start(
                        StandIn.AC_METER, "Meter", 1, id -> BenchBook.truth(), 1, 0)) {
            List<Bay> bays = StandIn.AC_METER.bays("Meter");
            bench.connect(new Instrument("Meter", "127.0.0.1:" + meter.port(), bays));
            until(() -> bench.link("Meter").connected());
            bench.read(ID, bays.get(0));
            assertEquals(
                    51,
                    Cells.of(book.state()).cell(ID).orElseThrow().acMilliohms().orElseThrow(),
                    1);
            assertTrue(Cells.of(book.state()).cell(ID).orElseThrow().dcMilliohms().isEmpty());
            assertTrue(
                    assertThrows(
                                    BenchException.class,
                                    () -> bench.start(ID, bays.get(0), programme()))
                            .toString()
                            .contains("runs no programmes"));
        }
    }
}
