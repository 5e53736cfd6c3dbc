package pentacell.workshop.demo;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.cell.Tray;
import pentacell.core.journal.Fact;

/// The cells as they were looked at and measured, donor by donor.
final class DemoCells {
    private static final TestConditions BENCH_RUN = TestConditions.of(4.20, 1.0, 3.0);
    private static final TestConditions LFP_RUN = TestConditions.of(3.65, 1.0, 2.5);

    private final DemoJournal journal;
    private int place;

    private DemoCells(DemoJournal journal) {
        this.journal = journal;
    }

    static void write(DemoJournal journal) {
        new DemoCells(journal).cells();
    }

    private static final List<CellId> RESCUED =
            List.of(new CellId("LD04-03"), new CellId("LD04-04"));

    private void cells() {
        for (HarvestedPack harvest : HarvestedPack.ALL) {
            journal.pass(Duration.ofHours(20));
            for (int number = 1; number <= harvest.cells(); number++) firstLook(harvest, number);
            // the last module waits for the bench
            if (harvest.code().equals("HB05")) continue;
            journal.pass(Duration.ofHours(30));
            for (int number = 1; number <= harvest.cells(); number++) measured(harvest, number);
            if (harvest.code().equals("LD04")) holdBegins();
        }
        for (CellId cell : RESCUED) read(cell, 4.147);
    }

    /// The two that were deeply discharged lie three weeks before they go into a pack.
    private void holdBegins() {
        for (CellId cell : RESCUED)
            journal.log(
                    "Lay " + cell + " on the hold shelf", List.of(new RunFact.HoldBegan(cell, 21)));
        journal.pass(Duration.ofHours(14));
        for (CellId cell : RESCUED) read(cell, 4.168);
    }

    private void read(CellId cell, double volts) {
        journal.log("Log " + cell, List.of(new CellFact.VoltageRead(cell, volts)));
    }

    private static CellId id(HarvestedPack harvest, int number) {
        return new CellId("%s-%02d".formatted(harvest.code(), number));
    }

    private void firstLook(HarvestedPack harvest, int number) {
        CellId cell = id(harvest, number);
        Tray tray = DemoShelf.TRAYS.get(Math.min(place / 72, DemoShelf.TRAYS.size() - 1));
        List<Fact> facts = new ArrayList<>();
        facts.add(
                new CellFact.CellNamed(
                        cell, Optional.of(harvest.code()), Optional.of(harvest.model().name())));
        facts.add(new CellFact.CellPlaced(cell, tray.place(place++ % 72)));
        facts.add(new CellFact.VoltageRead(cell, firstVolts(harvest, number)));
        // the last of HB05 were put down when the kettle boiled
        boolean interrupted = harvest.code().equals("HB05") && number > 11;
        if (!interrupted)
            facts.add(
                    new CellFact.ResistanceRead(
                            cell, milliohms(harvest), ResistanceMethod.AC_1_KHZ));
        journal.log("Log " + cell, facts);
    }

    private double firstVolts(HarvestedPack harvest, int number) {
        double resting = harvest.model().chemistry() == Chemistry.LFP ? 3.27 : 3.71;
        double spread = harvest.model().chemistry() == Chemistry.LFP ? 0.015 : 0.09;
        if (harvest.code().equals("LD04") && (number == 3 || number == 4)) resting = 2.21;
        if (harvest.code().equals("LD06")) resting = number <= 2 ? 0.62 : 2.74;
        if (harvest.code().equals("HT04") && number == 5) resting = 1.35;
        if (harvest.code().equals("HB03") && number == 12) resting = 2.85;
        return round(resting + spread * journal.dice().nextGaussian(), 1000);
    }

    private double milliohms(HarvestedPack harvest) {
        double base =
                switch (harvest.model().name()) {
                    case "Halvorn HX26" -> 46;
                    case "Quill Q22" -> 58;
                    case "Tessaly T30" -> 24;
                    default -> 17;
                };
        double worn = base * (1 + 1.6 * (0.95 - harvest.wear()));
        return round(worn * (1 + 0.07 * journal.dice().nextGaussian()), 10);
    }

    private void measured(HarvestedPack harvest, int number) {
        CellId cell = id(harvest, number);
        boolean rejected =
                harvest.code().equals("LD06") && number <= 2
                        || harvest.code().equals("HT04") && number == 5;
        if (rejected) return;
        double share = harvest.wear() + 0.028 * journal.dice().nextGaussian();
        double bayGain = harvest.code().equals("HT03") ? 1.03 : 1;
        double capacity = Math.rint(harvest.model().ratedMinimumMilliampHours() * share * bayGain);
        if (cell.text().equals("HB02-11")) capacity = 3342;
        TestConditions conditions =
                harvest.model().chemistry() == Chemistry.LFP ? LFP_RUN : BENCH_RUN;
        journal.log(
                "Log " + cell + " " + Math.round(capacity) + " mAh",
                List.of(new CellFact.CapacityMeasured(cell, capacity, conditions)));
        journal.pass(Duration.ofMinutes(9));
    }

    private static double round(double value, double steps) {
        return Math.rint(value * steps) / steps;
    }
}
