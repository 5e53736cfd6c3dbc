package pentacell.workshop.demo;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.Decision;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.PrepWork;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Fact;
import pentacell.core.state.WorkshopState;

/// The mishaps of the trade, and labels for what is left.
final class DemoMishaps {
    private final DemoJournal journal;

    private DemoMishaps(DemoJournal journal) {
        this.journal = journal;
    }

    static void write(DemoJournal journal) {
        new DemoMishaps(journal).mishaps();
    }

    private void mishaps() {
        journal.pass(Duration.ofDays(2));
        blemishes();
        note("HB01-04", "sleeve torn by the cutter, re-sleeve before assembly");
        note("HB02-11", "label says HX26 but it weighs and reads like a larger model");
        note("HT04-02", "rust at the vent end, cleaned");
        decide("HB02-11", "not for a pack until its true model is known");
        decide("HB03-09", "36 °C at rest among neighbours at 24 °C: a heater, isolated outdoors");
        CellId leaker = new CellId("LD05-02");
        journal.log(
                "Log " + leaker,
                List.of(
                        new CellFact.VoltageRead(leaker, 4.152),
                        new CellFact.CellNoted(leaker, "full, hold test begun")));
        journal.pass(Duration.ofDays(7));
        journal.log("Log " + leaker, List.of(new CellFact.VoltageRead(leaker, 4.021)));
        decide("LD05-02", "lost 131 mV in 7 days on the hold shelf");
        WorkshopState state = journal.state();
        var wrong = Cells.of(state).cell(new CellId("HB04-06")).orElseThrow();
        long sequence =
                wrong.lifeLine().stream()
                        .filter(entry -> entry.fact() instanceof CellFact.ResistanceRead)
                        .findFirst()
                        .orElseThrow()
                        .sequence();
        journal.log(
                "Correct HB04-06",
                List.of(
                        new Amendment.EntryCorrected(
                                sequence,
                                new CellFact.ResistanceRead(
                                        wrong.id(), 49.4, ResistanceMethod.AC_1_KHZ))));
    }

    private void blemishes() {
        see("HB01-04", Blemish.SLEEVE_TORN);
        see("HB03-02", Blemish.SLEEVE_TORN, Blemish.TAB_STUB);
        see("HB05-03", Blemish.RING_MISSING);
        see("HB05-09", Blemish.SLEEVE_TORN, Blemish.RING_MISSING);
        see("LD02-05", Blemish.RING_MISSING);
        see("LD06-03", Blemish.LEAK);
        see("HT04-02", Blemish.RUST);
        for (int number = 1; number <= 5; number++) see("HT06-0" + number, Blemish.TAB_STUB);
        journal.logSteadily(
                "Done: clean rust HT04-02",
                List.of(new CellFact.PrepDone(new CellId("HT04-02"), PrepWork.CLEAN_RUST)));
        WorkshopState state = journal.state();
        List<Fact> printed = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values())
            if (cell.milliampHours().isPresent() && !cell.id().text().startsWith("LL"))
                printed.add(
                        new CellFact.LabelPrinted(
                                cell.id(),
                                cell.firstVolts(),
                                cell.milliampHours(),
                                cell.milliohms()));
        journal.logSteadily("Print %d labels".formatted(printed.size()), printed);
    }

    private void see(String cell, Blemish first, Blemish... more) {
        journal.logSteadily(
                "Log " + cell,
                List.of(new CellFact.BlemishesSeen(new CellId(cell), EnumSet.of(first, more))));
    }

    private void note(String cell, String words) {
        journal.log("Note on " + cell, List.of(new CellFact.CellNoted(new CellId(cell), words)));
    }

    private void decide(String cell, String reason) {
        journal.log(
                "Decide " + cell,
                List.of(new CellFact.CellDecided(new CellId(cell), Decision.OUT, reason)));
    }
}
