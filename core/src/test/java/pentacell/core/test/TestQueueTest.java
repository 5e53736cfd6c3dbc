package pentacell.core.test;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Journal;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.line.LineAct;
import pentacell.core.line.TypedLines;
import pentacell.core.school.SchoolFact;
import pentacell.core.school.TestSchool;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.BenchFact;
import pentacell.core.test.facts.Instrument;
import pentacell.core.test.facts.Programme;

/// What waits for the bays of a workshop.
final class TestQueueTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 11, 2, 9, 0);

    private static List<Bay> bays(String name, int count, double amps) {
        return IntStream.rangeClosed(1, count)
                .mapToObj(slot -> new Bay(name, slot, amps, amps, EnumSet.of(Chemistry.NMC)))
                .toList();
    }

    private static Journal workshop(int cells) {
        Journal journal =
                new Journal()
                        .model("Quill Q22", Chemistry.NMC, 2200)
                        .model("Bramfer BF26-L", Chemistry.LFP, 2600)
                        .tray("T1", 10, 12);
        for (int i = 1; i <= cells; i++)
            journal.cell("HB03-%02d".formatted(i), "Quill Q22", "T1-A%02d".formatted(i), 3.6);
        return journal.log(
                new BenchFact.InstrumentAdded(
                        new Instrument("Charger A", "127.0.0.1:1", bays("Charger A", 2, 1))));
    }

    private static TestPlan plan(Journal journal, Set<String> failed, List<Bay> more) {
        return TestQueue.of(journal.state()).plan(NOW, Map.of(), failed, more);
    }

    @Test
    void everyWaitingCellIsPlannedAndOneInABayIsNot() {
        Journal journal = workshop(6);
        assertEquals(6, plan(journal, Set.of(), List.of()).planned().size());
        journal.log(new RunFact.RunStarted(new CellId("HB03-01"), "R1", "Charger A · 1", "charge"));
        TestPlan plan =
                TestQueue.of(journal.state())
                        .plan(NOW, Map.of("Charger A · 1", NOW.plusHours(3)), Set.of(), List.of());
        assertEquals(5, plan.planned().size());
        assertFalse(
                plan.nextFor("Charger A · 1").orElseThrow().loadAt().isBefore(NOW.plusHours(3)));
        assertEquals(1, plan.toLoad(NOW).size(), "only the other bay is free");
    }

    @Test
    void aBayThatFailsMakesItLaterAndOneMoreChargerSooner() {
        Journal journal = workshop(8);
        LocalDateTime usual = plan(journal, Set.of(), List.of()).finish().orElseThrow();
        LocalDateTime failed =
                plan(journal, Set.of("Charger A · 2"), List.of()).finish().orElseThrow();
        LocalDateTime more = plan(journal, Set.of(), bays("one more", 4, 1)).finish().orElseThrow();
        assertTrue(failed.isAfter(usual));
        assertTrue(more.isBefore(usual));
    }

    @Test
    void aCellNoBayCanChargeIsSaid() {
        Journal journal = workshop(1).cell("LL01-01", "Bramfer BF26-L", "T1-B01", 3.25);
        assertEquals(List.of(new CellId("LL01-01")), plan(journal, Set.of(), List.of()).nowhere());
    }

    @Test
    void aHotCellWaitsAgainForAGentlerRun() {
        Journal journal = workshop(1);
        CellId id = new CellId("HB03-01");
        Bay bay = bays("Charger A", 2, 1).get(0);
        TestQueue first = TestQueue.of(journal.state());
        assertEquals(1.0, dischargeAmps(first.programme(first.waiting().get(0), bay)));
        journal.log(
                new CellFact.CapacityMeasured(id, 1900, TestConditions.of(4.2, 1, 3)),
                new RunFact.HeatSeen(id, "R1", 14, 1));
        TestQueue again = TestQueue.of(journal.state());
        WaitingForTest waiting = again.waiting(id).orElseThrow();
        assertEquals(0.5, dischargeAmps(again.programme(waiting, bay)));
        assertEquals(
                0.5,
                dischargeAmps(again.programme(waiting, bay, OptionalDouble.of(1))),
                "nor is more asked of it by hand");
        journal.log(new RunFact.HeatSeen(id, "R2", 3, 0.5));
        assertEquals(List.of(), TestQueue.of(journal.state()).waiting());
    }

    private static double dischargeAmps(Programme programme) {
        return programme.stages().stream()
                .filter(Programme.Discharge.class::isInstance)
                .map(Programme.Discharge.class::cast)
                .findFirst()
                .orElseThrow()
                .amps();
    }

    @Test
    void pastRunsTeachHowLongAnInstrumentTakes() {
        Journal journal = workshop(12);
        CellId waiting = new CellId("HB03-12");
        Bay bay = bays("Charger A", 2, 1).get(0);
        TestQueue before = TestQueue.of(journal.state());
        Duration usual = before.expected(before.waiting(waiting).orElseThrow(), bay);
        for (int i = 1; i <= 6; i++) {
            CellId id = new CellId("HB03-%02d".formatted(i));
            journal.log(new RunFact.RunStarted(id, "R" + i, "Charger A · 1", "charge"));
            journal.log(
                    new RunFact.RunEnded(
                            id,
                            "R" + i,
                            RunEnding.DONE,
                            OptionalDouble.of(1.25 * usual.toSeconds())));
        }
        assertEquals(1.25, LearnedTimes.of(journal.state()).factor("Charger A"), 0.01);
        assertEquals(1, LearnedTimes.of(journal.state()).factor("another"));
        TestQueue after = TestQueue.of(journal.state());
        assertEquals(
                1.25 * usual.toSeconds(),
                after.expected(after.waiting(waiting).orElseThrow(), bay).toMillis() / 1000.0,
                0.01 * usual.toSeconds());
    }

    /// About 4 h charge, 4 h discharge and the recharge of a 2 Ah cell at 0.5 to 1 A (common
    /// practice): a bay of an ampere takes 5 to 9 hours, one of half an ampere 10 to 16.
    @ParameterizedTest
    @CsvSource({"1, 5, 9", "0.5, 9, 16"})
    void aTestTakesAsLongAsBuildersSay(double amps, double least, double most) {
        TestQueue queue = TestQueue.of(workshop(1).state());
        double hours =
                queue.expected(queue.waiting().get(0), bays("Charger A", 1, amps).get(0))
                                .toMinutes()
                        / 60.0;
        assertTrue(hours > least && hours < most, hours + " h");
    }

    @Test
    void theProgrammeFollowsTheSchoolAndTheBay() {
        Journal journal = workshop(1);
        Bay weak = bays("Charger B", 1, 0.3).get(0);
        TestQueue usual = TestQueue.of(journal.state());
        assertEquals(0.3, dischargeAmps(usual.programme(usual.waiting().get(0), weak)));
        journal.log(new SchoolFact.TestChosen(TestSchool.RATING));
        TestQueue byRating = TestQueue.of(journal.state());
        Programme programme =
                byRating.programme(byRating.waiting().get(0), bays("Charger A", 1, 1).get(0));
        assertEquals(0.44, dischargeAmps(programme), 1e-9);
        assertTrue(programme.words().contains("to 2.50"), programme.words());
    }

    @Test
    void aVoltageAloneBelongsToTheCellDueOnTheShelf() {
        CellId due = new CellId("HB03-02");
        WorkshopState state = workshop(2).state();
        assertEquals(
                "Read HB03-02: HB03-02 4.172",
                words(TypedLines.act(BenchLine.read("4.172", state, Optional.of(due), 4))));
        assertEquals(
                "Read HB03-01: HB03-01 4.172",
                words(TypedLines.act(BenchLine.read("HB03-01 4.172", state, Optional.of(due), 4))));
    }

    @Test
    void aBaySetAsideIsLeftOutOfThePlanUntilItIsUsedAgain() {
        Journal journal = workshop(8);
        LocalDateTime usual = plan(journal, Set.of(), List.of()).finish().orElseThrow();
        journal.log(new BenchFact.BayUseSet("Charger A · 2", BenchFact.BayUse.ASIDE));
        TestPlan without = plan(journal, Set.of(), List.of());
        assertTrue(without.nextFor("Charger A · 2").isEmpty());
        assertTrue(without.finish().orElseThrow().isAfter(usual));
        journal.log(new BenchFact.BayUseSet("Charger A · 2", BenchFact.BayUse.IN_USE));
        assertEquals(usual, plan(journal, Set.of(), List.of()).finish().orElseThrow());
    }

    @Test
    void aLoadThatCannotChargeTakesCellsThatStandFull() {
        Bay load = new Bay("Load A", 1, 0, 5, Set.of());
        Journal journal = workshop(2);
        TestQueue queue = TestQueue.of(journal.state());
        assertFalse(queue.suits(queue.waiting().get(0), load), "3.6 V is not full");
        journal.log(new CellFact.VoltageRead(new CellId("HB03-01"), 4.18));
        TestQueue later = TestQueue.of(journal.state());
        WaitingForTest full = later.waiting(new CellId("HB03-01")).orElseThrow();
        assertTrue(later.suits(full, load));
        Programme programme = later.programme(full, load);
        assertTrue(
                programme.stages().stream().noneMatch(Programme.Charge.class::isInstance),
                programme.words());
        assertEquals(1.0, dischargeAmps(programme));
        // a charger full of others: the load alone still tests the full cell
        TestPlan plan =
                later.plan(NOW, Map.of(), Set.of("Charger A · 1", "Charger A · 2"), List.of(load));
        assertEquals(
                List.of(full.cell().id()), plan.planned().stream().map(TestSlot::cell).toList());
    }

    @ParameterizedTest
    @CsvSource({"0.25, 0.25", "0.8, 0.8", "9, 1"})
    void aCurrentAPersonAsksForIsTakenAsFarAsTheBayGoes(double asked, double taken) {
        TestQueue queue = TestQueue.of(workshop(1).state());
        Programme programme =
                queue.programme(
                        queue.waiting().get(0),
                        bays("Charger A", 1, 1).get(0),
                        OptionalDouble.of(asked));
        assertEquals(taken, dischargeAmps(programme), 1e-9);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "hb03-01         | load HB03-01",
                "hb03-01 0,5A    | load HB03-01 at 0.5",
                "b2 HB03-01 1.5a | load HB03-01 into 2 at 1.5",
                "HB03-01 B2      | load HB03-01 into 2",
                "b2              | take 2",
                "stop b2         | stop 2",
                "stop HB03-01    | stop HB03-01",
                "HB03-01 4,172   | Read HB03-01: HB03-01 4.172",
                "HB03-01 4.172v  | Read HB03-01: HB03-01 4.172"
            })
    void whatIsTypedAtTheBaysIsUnderstood(String text, String act) {
        assertEquals(
                act,
                words(
                        TypedLines.act(
                                BenchLine.read(text, workshop(2).state(), Optional.empty(), 4))));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "HB03-01 50A  | 0.05 to 20 A",
                "stop b2 1A   | belongs to a cell",
                "HB03-01 41.7 | 0 to 5 V",
                "4.172        | Which cell",
                "HB09-99      | is not a cell",
                "stop         | Stop what",
                "b5 HB03-01   | no bay 5; there are 4",
                "stop b0      | no bay 0"
            })
    void whatCannotBeDoneAtTheBaysSaysWhy(String text, String why) {
        String said =
                TypedLines.whyNot(BenchLine.read(text, workshop(2).state(), Optional.empty(), 4));
        assertTrue(said.contains(why), said);
    }

    private static String words(BenchLine.Act act) {
        return switch (act) {
            case BenchLine.Act.Load load ->
                    "load "
                            + load.cell()
                            + (load.bay().isPresent() ? " into " + load.bay().getAsInt() : "")
                            + (load.amps().isPresent() ? " at " + load.amps().getAsDouble() : "");
            case BenchLine.Act.TakeBay take -> "take " + take.bay();
            case BenchLine.Act.Stop stop ->
                    "stop "
                            + stop.cell()
                                    .map(CellId::text)
                                    .orElseGet(() -> String.valueOf(stop.bay().orElseThrow()));
            case BenchLine.Act.Read read -> {
                LineAct.ToLog log = read.toLog().toLog().orElseThrow();
                yield log.words() + ": " + log.text();
            }
        };
    }
}
