package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Journal;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.TestSchool;

/// Capacities of the past by today's gains and standard conditions.
final class RecorrectionTest {
    private static final CellId ID = new CellId("HB03-01");
    private static final CellId REFERENCE = new CellId("HB03-02");
    private static final String BAY = "Charger A · 3";

    /// A cell measured in the third bay under the default school, 1100 mAh by its closed form.
    private static Journal measured(SampleLog log) {
        Journal journal =
                new Journal()
                        .model("Quill Q22", Chemistry.NMC, 2000)
                        .tray("T1", 4, 4)
                        .cell(ID.text(), "Quill Q22", "T1-A01", 3.7);
        journal.log(new RunFact.RunStarted(ID, "R1", BAY, "charge"));
        RunResults.of(
                        journal.state(),
                        cell(journal),
                        "R1",
                        Optional.of(BAY),
                        log,
                        RunEnding.DONE,
                        OptionalDouble.empty())
                .facts()
                .forEach(journal::log);
        return journal;
    }

    private static CellRecord cell(Journal journal) {
        return Cells.of(journal.state()).cell(ID).orElseThrow();
    }

    private static Optional<Recorrection.Change> change(Journal journal, SampleLog log) {
        return Recorrection.of(
                journal.state(), InstrumentFigures.of(journal.state()), cell(journal), log);
    }

    /// A reference cell says that the third of four bays reads so much high.
    private static void compare(Journal journal, double high) {
        journal.log(new RunFact.ReferenceChosen(REFERENCE, RunFact.Reference.YES));
        for (int slot = 1; slot <= 4; slot++)
            journal.log(
                    InstrumentFiguresTest.measured(
                            REFERENCE, "Charger A · " + slot, slot == 3 ? 2000 * high : 2000));
    }

    @ParameterizedTest
    @ValueSource(doubles = {1.03, 0.97, 1.1})
    void aGainFoundLaterCorrectsWhatWasMeasuredBefore(double high) {
        SampleLog log = Logs.falling(1, 3.0, 4.2);
        Journal journal = measured(log);
        assertEquals(1100, cell(journal).milliampHours().orElseThrow(), 2);
        assertEquals(Optional.empty(), change(journal, log), "nothing is new");
        compare(journal, high);
        Recorrection.Change change = change(journal, log).orElseThrow();
        assertEquals(1 / high - 1, change.share(), 1e-4);
        journal.log(change.fact());
        assertEquals(1100 / high, cell(journal).milliampHours().orElseThrow(), 2);
        assertEquals(Optional.empty(), change(journal, log), "and done once");
    }

    @Test
    void anotherSchoolAndBackAgainEndsWhereItBegan() {
        SampleLog log = Logs.falling(1, 2.8, 4.2);
        Journal journal = measured(log);
        double before = cell(journal).milliampHours().orElseThrow();
        journal.log(new SchoolFact.TestChosen(TestSchool.GENTLE));
        RunFact.CapacityCorrected gentle = change(journal, log).orElseThrow().fact();
        // 0.5 A to 2.8 V ends at 2.85 V open circuit: 1350 mAh on that line, of which the log has
        // 1300; no more than a twentieth is carried on
        assertEquals(1350, gentle.milliampHours(), 5);
        assertTrue(gentle.uncertaintyMilliampHours() > 0.01 * 1350, "carried on is in doubt");
        journal.log(gentle);
        journal.log(new SchoolFact.TestChosen(TestSchool.BENCH_LOAD));
        journal.log(change(journal, log).orElseThrow().fact());
        assertEquals(before, cell(journal).milliampHours().orElseThrow(), 0.1);
    }

    @Test
    void whatWasTypedOrIsEmptyStaysAsItIs() {
        SampleLog log = Logs.falling(1, 3.0, 4.2);
        Journal journal = measured(log);
        compare(journal, 1.03);
        assertEquals(Optional.of("R1"), Recorrection.runOf(cell(journal)));
        assertEquals(Optional.empty(), change(journal, new SampleLog.Builder().build()));
        journal.log(new CellFact.CapacityMeasured(ID, 1234, TestConditions.of(4.2, 1, 3)));
        assertEquals(Optional.empty(), Recorrection.runOf(cell(journal)));
    }
}
