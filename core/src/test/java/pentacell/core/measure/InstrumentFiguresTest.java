package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import pentacell.core.Journal;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;

/// What reference cells and repeats say of the instruments.
final class InstrumentFiguresTest {
    private static final CellId REFERENCE = new CellId("REF-1");

    static CellFact measured(CellId cell, String bay, double milliampHours) {
        return measured(cell, bay, milliampHours, 1, 3);
    }

    private static CellFact measured(
            CellId cell, String bay, double milliampHours, double amps, double endVolts) {
        return new CellFact.CapacityMeasured(
                cell,
                milliampHours,
                new TestConditions(
                        OptionalDouble.of(4.2),
                        OptionalDouble.of(amps),
                        OptionalDouble.of(endVolts),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Optional.of(bay),
                        Optional.empty()));
    }

    private static CellFact resistance(CellId cell, String bay, double milliohms) {
        return new CellFact.ResistanceRead(
                cell, milliohms, ResistanceMethod.DC, Optional.of(bay), OptionalDouble.empty());
    }

    @Test
    void aBayThatReadsThreePercentHighIsFoundWithItsContact() {
        Journal journal = new Journal();
        journal.log(new RunFact.ReferenceChosen(REFERENCE, RunFact.Reference.YES));
        for (int bay = 1; bay <= 4; bay++)
            journal.log(
                    measured(REFERENCE, "Charger A · " + bay, bay == 3 ? 2060 : 2000),
                    resistance(REFERENCE, "Charger A · " + bay, bay == 3 ? 64 : 60));
        InstrumentFigures figures = InstrumentFigures.of(journal.state());
        assertEquals(1 / 1.03, figures.of("Charger A · 3").gain(), 1e-9);
        assertEquals(4, figures.of("Charger A · 3").contactMilliohms(), 1e-9);
        assertEquals(1, figures.of("Charger A · 1").gain());
        assertEquals(1, figures.of("nowhere").gain());
        assertEquals(List.of(REFERENCE), InstrumentFigures.references(journal.state()));
        assertEquals(InstrumentFigures.USUAL_REPEATABILITY, figures.repeatability());
    }

    /// At 0.2 A to 2.5 V a cell gives more than at 1 A to 3.0 V: that is no gain of a bay.
    @Test
    void onlyRunsMadeAlikeAreCompared() {
        Journal journal = new Journal();
        journal.log(new RunFact.ReferenceChosen(REFERENCE, RunFact.Reference.YES));
        journal.log(
                measured(REFERENCE, "Charger A · 1", 2000, 1, 3),
                measured(REFERENCE, "Charger A · 1", 2180, 0.2, 2.5),
                measured(REFERENCE, "Charger A · 2", 2180, 0.2, 2.5),
                measured(REFERENCE, "Charger A · 3", 1980, 0.98, 3.01));
        InstrumentFigures figures = InstrumentFigures.of(journal.state());
        assertEquals(1, figures.of("Charger A · 2").gain(), 1e-9);
        assertEquals(1990.0 / 1980, figures.of("Charger A · 3").gain(), 1e-9);
        assertEquals(0, figures.repeats(), "nothing was done twice");
    }

    /// NIST StRD, univariate, NumAcc1 (10000001, 10000003, 10000002: certified standard deviation
    /// 1), from memory; a thousandth of each, for two cells.
    @Test
    void repeatsGiveTheCertifiedStandardDeviation() {
        Journal journal = new Journal();
        for (String id : List.of("A-1", "A-2"))
            for (double value : new double[] {10000.001, 10000.003, 10000.002})
                journal.log(measured(new CellId(id), "Charger A · 1", value));
        InstrumentFigures figures = InstrumentFigures.of(journal.state());
        assertEquals(1e-3 / 10000.002, figures.repeatability(), 1e-12);
        assertEquals(6, figures.repeats());
    }

    @Test
    void resistancesOfDifferentMethodsAreNeverMixed() {
        Journal journal = new Journal().model("Quill Q22", Chemistry.NMC, 2000).tray("T1", 4, 4);
        for (int i = 1; i <= 3; i++) {
            CellId id = new CellId("HB03-0" + i);
            journal.cell(id.text(), "Quill Q22", "T1-A0" + i, 3.7);
            journal.log(measured(id, "Charger A · 1", 1900), resistance(id, "Charger A · 1", 70));
            if (i < 3) journal.log(new CellFact.ResistanceRead(id, 55, ResistanceMethod.AC_1_KHZ));
            // a later direct current value does not take the place of the one at 1 kHz
            journal.log(resistance(id, "Charger A · 2", 72));
        }
        assertEquals(
                55,
                Cells.of(journal.state())
                        .cell(new CellId("HB03-01"))
                        .orElseThrow()
                        .milliohms()
                        .orElseThrow());
        MatchableStock stock =
                MatchableStock.of(journal.state(), JudgedStock.of(journal.state()), "pack");
        assertTrue(
                stock.candidates().stream()
                        .allMatch(each -> each.milliohms().equals(OptionalDouble.of(72))),
                "three have a direct current value, two one at 1 kHz");
    }

    @Test
    void aFinishedRunBecomesFactsAndABrokenOneKeepsWhatItHas() {
        Journal journal = new Journal().model("Quill Q22", Chemistry.NMC, 1200).tray("T1", 4, 4);
        CellId id = new CellId("HB03-01");
        journal.cell(id.text(), "Quill Q22", "T1-A01", 3.7);
        SampleLog log =
                new Logs()
                        .stretch(60, 10, 0, t -> 4.15)
                        .stretch(3600, 10, -1, Logs.line(4.1, 2.99, 3590))
                        .stretch(600, 10, 0, t -> 3.3)
                        .stretch(3600, 10, 1, Logs.line(3.4, 4.2, 3590))
                        .log();
        var state = journal.state();
        RunResults.Results done =
                RunResults.of(
                        state,
                        Cells.of(state).cell(id).orElseThrow(),
                        "R1",
                        Optional.of("Charger A · 1"),
                        log,
                        RunEnding.DONE,
                        OptionalDouble.empty());
        assertTrue(done.facts().stream().anyMatch(RunFact.HoldBegan.class::isInstance));
        journal.log(done.facts().toArray(CellFact[]::new));
        assertEquals(
                992,
                Cells.of(journal.state()).cell(id).orElseThrow().milliampHours().orElseThrow(),
                5);
        assertEquals(
                7860 - 10,
                done.facts().stream()
                        .filter(RunFact.RunEnded.class::isInstance)
                        .map(RunFact.RunEnded.class::cast)
                        .findFirst()
                        .orElseThrow()
                        .seconds()
                        .orElseThrow());
        RunResults.Results broken =
                RunResults.of(
                        state,
                        Cells.of(state).cell(id).orElseThrow(),
                        "R1",
                        Optional.empty(),
                        new Logs().stretch(1200, 10, -1, Logs.line(4.1, 3.8, 1200)).log(),
                        RunEnding.told(RunFact.RunEnd.BROKEN, "lost"),
                        OptionalDouble.empty());
        assertTrue(broken.facts().stream().noneMatch(CellFact.CapacityMeasured.class::isInstance));
        assertTrue(broken.facts().stream().noneMatch(RunFact.HoldBegan.class::isInstance));
        assertEquals(
                1,
                RunResults.of(
                                state,
                                Cells.of(state).cell(id).orElseThrow(),
                                "R1",
                                Optional.empty(),
                                new Logs().log(),
                                RunEnding.told(RunFact.RunEnd.BROKEN, ""),
                                OptionalDouble.empty())
                        .facts()
                        .size());
    }
}
