package pentacell.instruments.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.journal.Fact;
import pentacell.core.journal.Origin;
import pentacell.core.measure.OpenRun;
import pentacell.core.measure.RunResults;
import pentacell.core.measure.SampleLog;
import pentacell.core.measure.TestProgramme;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.BenchFact;
import pentacell.core.test.facts.Instrument;
import pentacell.core.test.facts.Programme;
import pentacell.instruments.simulated.CellTruth;
import pentacell.instruments.simulated.SlotRun;
import pentacell.instruments.simulated.SlotTruth;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.StandInCells;
import pentacell.instruments.simulated.VirtualCell;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Logbook.Draft;
import pentacell.workshop.logbook.LogbookException;

/// Puts instruments on the demo's bench, and some past test runs with their curves: most of these
/// cells lie on the hold shelf now, one lost its contact, one became hot, one leaks.
public final class DemoRuns {
    private static final String CHARGER = "Charger A";
    private static final int TESTED = 14;
    private static final Duration SETTLED = Duration.ofHours(14);

    private final Logbook book;
    private final Instant now;
    private final List<Draft> drafts = new ArrayList<>();

    private DemoRuns(Logbook book, Instant now) {
        this.book = book;
        this.now = now;
    }

    /// Adds them to the demo's file.
    public static void addTo(Logbook book, Instant now) throws LogbookException {
        new DemoRuns(book, now).add();
    }

    private void add() throws LogbookException {
        log(
                now.minus(Duration.ofDays(12)),
                "Set up the bench",
                List.of(
                        instrument(CHARGER, StandIn.FOUR_SLOT),
                        instrument("Charger B", StandIn.EIGHT_SLOT),
                        instrument("Meter A", StandIn.AC_METER)));
        List<WaitingForTest> waiting = WaitingForTest.of(book.state());
        for (int i = 0; i < Math.min(TESTED, waiting.size() / 2); i++)
            test(waiting.get(2 * i), i, now.minus(Duration.ofHours(10 * 24 - 8L * i)));
        drafts.sort(java.util.Comparator.comparing(Draft::at));
        book.logAll(drafts);
    }

    private static Fact instrument(String name, StandIn kind) {
        return new BenchFact.InstrumentAdded(
                new Instrument(name, Instrument.simulated(kind.code()), kind.bays(name)));
    }

    private void logRun(Instant at, String words, List<? extends Fact> facts) {
        log(at, words, Origin.STAND_IN.mark(facts));
    }

    private void log(Instant at, String words, List<? extends Fact> facts) {
        drafts.add(new Draft(at, words, facts));
    }

    private void test(WaitingForTest waiting, int index, Instant began) throws LogbookException {
        WorkshopState state = book.state();
        CellRecord cell = waiting.cell();
        Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
        Bay bay = StandIn.FOUR_SLOT.bays(CHARGER).get(index % 4);
        Programme programme =
                TestProgramme.of(
                        waiting, model, Schools.of(state).test(), bay, OptionalDouble.empty());
        CellTruth truth = StandInCells.truth(cell.id().text(), Optional.of(cell), model);
        SlotRun run =
                new SlotRun(
                        OpenRun.nextName(cell, taken -> false),
                        programme,
                        // the third bay reads 3 % high, as an instrument of the trade may
                        index % 4 == 2 ? new SlotTruth(1.03, 0.004, 1e-4, 2e-4) : SlotTruth.GOOD,
                        new VirtualCell(index == 5 ? truth.asHeater() : truth),
                        new Random(index));
        if (index == 3) run.loseContactAt(9_500);
        run.pass(1e7);
        SampleLog.Builder samples = new SampleLog.Builder();
        for (double[] row : run.rows()) samples.add(row[0], row[1], row[2], row[3]);
        SampleLog log = samples.build();
        String name = OpenRun.nextName(cell, taken -> false);
        book.keepSamples(Map.of(name, log), Map.of());
        logRun(
                began,
                "Start test of " + cell.id(),
                List.of(new RunFact.RunStarted(cell.id(), name, bay.name(), programme.words())));
        Instant ended = began.plusSeconds(Math.round(log.seconds(log.size() - 1)));
        logRun(
                ended,
                "Test of " + cell.id() + " done",
                RunResults.of(
                                state,
                                cell,
                                name,
                                Optional.of(bay.name()),
                                log,
                                RunEnding.told(
                                        "done".equals(run.how()) ? RunEnd.DONE : RunEnd.LIMIT, ""),
                                OptionalDouble.empty())
                        .facts());
        hold(cell, index, ended.plus(SETTLED));
    }

    /// Readings on the hold shelf: settled voltage, and for the earlier ones the week's.
    private void hold(CellRecord cell, int index, Instant at) {
        double settled = 4.171 + 0.002 * (index % 4);
        if (at.isBefore(now)) read(cell, at, settled);
        Instant week = at.plus(Duration.ofDays(7)).plus(Duration.ofHours(1));
        double lost = index == 2 ? 0.118 : index == 4 ? 0.052 : 0.008 + 0.001 * (index % 5);
        // the last of those that are due were not read yet
        if (week.isBefore(now.minus(Duration.ofHours(30)))) read(cell, week, settled - lost);
    }

    private void read(CellRecord cell, Instant at, double volts) {
        log(
                at,
                "Read " + cell.id(),
                List.of(new CellFact.VoltageRead(cell.id(), Math.rint(1000 * volts) / 1000)));
    }
}
