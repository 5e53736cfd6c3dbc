package pentacell.desktop.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.journal.Fact;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// The desk without a window: the ledger, work in lanes, the selection.
final class DeskTest {
    private static final CellId A = new CellId("A-1");

    @TempDir private Path folder;
    private Desk desk = new Desk(Clock.systemUTC(), Settings.forNow(), Chapters.ALL);

    @BeforeAll
    static void startTheToolkit() throws TimeoutException {
        FxToolkit.registerPrimaryStage();
    }

    @BeforeEach
    void put() {
        onUi(() -> desk.put(Arrival.Ready.of(opened("one"))));
    }

    @AfterEach
    void close() {
        onUi(desk::close);
    }

    private Logbook opened(String name) {
        return assertInstanceOf(
                        Opening.Opened.class,
                        Logbook.open(folder.resolve(name + ".pentacell"), Clock.systemUTC()))
                .logbook();
    }

    private static void onUi(Runnable action) {
        WaitForAsyncUtils.waitForAsyncFx(30_000, action);
    }

    @Test
    void anyNumberMayListenToOpeningAndClosing() {
        List<String> heard = new ArrayList<>();
        onUi(() -> {
            for (String who : List.of("bays", "plans"))
                desk.ledger()
                        .whileOpen(
                                book -> heard.add(who + " begin"), () -> heard.add(who + " end"));
            desk.put(Arrival.Ready.of(opened("two")));
        });
        assertEquals(List.of("bays end", "plans end", "bays begin", "plans begin"), heard);
    }

    @Test
    void whatGoesWrongInAWriteReachesTheOneWhoWaits() {
        record Rumour(String words) implements Fact {}
        Logbook book = opened("three");
        onUi(() -> desk.put(Arrival.Ready.of(book)));
        CompletionException unexpected =
                assertThrows(
                        CompletionException.class,
                        () -> desk.ledger().logFrom(book, "gossip", List.of(new Rumour("x"))));
        assertInstanceOf(IllegalArgumentException.class, unexpected.getCause());
        Awaitility.await()
                .until(() -> desk.notices().messageProperty().get().contains("internal error"));
        book.close();
        assertThrows(
                LogbookException.class,
                () ->
                        desk.ledger()
                                .logFrom(book, "read", List.of(new CellFact.VoltageRead(A, 3.6))));
    }

    @Test
    void aLongWorkInOneLaneDelaysNoOther() throws InterruptedException {
        CountDownLatch matched = new CountDownLatch(1);
        CountDownLatch planned = new CountDownLatch(1);
        onUi(() -> {
            desk.work().lane("match").run(() -> matched.await(20, TimeUnit.SECONDS), done -> {});
            desk.work().lane("plan").run(() -> 1, done -> planned.countDown());
        });
        assertTrue(planned.await(10, TimeUnit.SECONDS), "the plan waits for no match");
        matched.countDown();
    }

    @Test
    void workOfAWorkshopThatIsClosedIsCancelledAndItsResultDropped() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch ended = new CountDownLatch(1);
        List<String> delivered = new ArrayList<>();
        onUi(() ->
                desk.work()
                        .lane("match")
                        .run(
                                job -> {
                                    begun.countDown();
                                    while (!job.isCancelled()) Thread.onSpinWait();
                                    ended.countDown();
                                    return "groups of the first workshop";
                                },
                                delivered::add,
                                failure -> delivered.add(failure.toString())));
        assertTrue(begun.await(10, TimeUnit.SECONDS));
        onUi(() -> desk.put(Arrival.Ready.of(opened("two"))));
        assertTrue(ended.await(10, TimeUnit.SECONDS), "it was cancelled");
        CountDownLatch after = new CountDownLatch(1);
        onUi(() -> desk.work().lane("match").run(() -> 1, done -> after.countDown()));
        assertTrue(after.await(10, TimeUnit.SECONDS));
        assertEquals(List.of(), delivered);
    }

    @Test
    void howWorkGoesIsToldAndItsFailureTooWhateverItIs() throws InterruptedException {
        CountDownLatch failed = new CountDownLatch(1);
        List<Object> told = new ArrayList<>();
        onUi(() ->
                desk.work()
                        .lane("match")
                        .run(
                                job -> {
                                    job.tell("half");
                                    throw new StackOverflowError();
                                },
                                done -> {},
                                failure -> failed.countDown())
                        .progressProperty()
                        .subscribe(sofar -> sofar.ifPresent(told::add)));
        assertTrue(failed.await(10, TimeUnit.SECONDS), "an error is no silence");
        assertEquals(List.of("half"), told);
    }

    @Test
    void oneThingIsSelectedAtATime() {
        onUi(() -> {
            desk.selection().select(A);
            desk.selection().selectDonor("HB03");
            assertTrue(desk.selection().cellProperty().get().isEmpty());
            assertEquals("HB03", desk.selection().donorProperty().get().orElseThrow());
            desk.selection().select(A);
            assertTrue(desk.selection().donorProperty().get().isEmpty());
            desk.put(Arrival.Ready.of(opened("two")));
            assertTrue(desk.selection().thingProperty().get().isEmpty());
        });
    }

    @Test
    void whatIsLoggedIsShownAndInTheFile() throws LogbookException {
        CountDownLatch logged = new CountDownLatch(1);
        onUi(() ->
                desk.ledger()
                        .log("read", List.of(new CellFact.VoltageRead(A, 3.6)), logged::countDown));
        Awaitility.await().until(() -> logged.getCount() == 0);
        assertFalse(desk.ledger().isUntouched());
        onUi(() -> desk.put(Arrival.Ready.of(opened("two"))));
        assertTrue(desk.ledger().isUntouched());
        Awaitility.await()
                .until(() ->
                        Logbook.open(folder.resolve("one.pentacell"), Clock.systemUTC())
                                        instanceof Opening.Opened again
                                && Cells.of(again.logbook().state()).cell(A).isPresent());
    }
}
