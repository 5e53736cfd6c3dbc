package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact;
import pentacell.core.journal.Act;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.school.HoldSchool;

/// Self-discharge and heat, judged from a life line.
final class HoldAndHeatTest {
    private static final CellId ID = new CellId("HB03-07");
    private static final Instant START = Instant.parse("2026-11-01T08:00:00Z");

    private final List<Act> acts = new ArrayList<>();
    private long sequence;
    private Optional<CellModel> model = Optional.empty();

    private void log(double hours, Fact fact) {
        acts.add(
                new Act(
                        acts.size() + 1L,
                        START.plus(Duration.ofMinutes(Math.round(60 * hours))),
                        "",
                        List.of(new Entry(++sequence, fact))));
    }

    private CellRecord cell() {
        return Cells.of(Chapters.fold(acts)).cell(ID).orElseThrow();
    }

    private HoldTest hold() {
        return HoldTest.of(cell(), model, HoldSchool.WEEK).orElseThrow();
    }

    /// Limits by common practice: up to 30 mV a week fine, over 100 mV out, between extend.
    @ParameterizedTest
    @CsvSource({
        "4.172, FINE",
        "4.151, FINE",
        "4.148, EXTEND",
        "4.081, EXTEND",
        "4.070, OUT",
        "3.2, OUT"
    })
    void theLossOfAWeekDecides(double after, HoldTest.Verdict expected) {
        log(0, new RunFact.HoldBegan(ID, 7));
        log(13, new CellFact.VoltageRead(ID, 4.18));
        log(13 + 168, new CellFact.VoltageRead(ID, after));
        assertEquals(expected, hold().verdict());
        assertEquals(1000 * (4.18 - after) / 7, hold().millivoltsADay().getAsDouble(), 1e-6);
    }

    @Test
    void aReadingBeforeTheVoltageSettledDoesNotCount() {
        log(0, new RunFact.HoldBegan(ID, 7));
        log(1, new CellFact.VoltageRead(ID, 4.20));
        assertEquals(HoldTest.Verdict.SETTLING, hold().verdict());
        assertEquals(START.plus(Duration.ofHours(12)), hold().dueAt().orElseThrow());
        log(14, new CellFact.VoltageRead(ID, 4.15));
        assertEquals(HoldTest.Verdict.LYING, hold().verdict());
        assertEquals(
                START.plus(Duration.ofHours(14)).plus(Duration.ofDays(7)),
                hold().dueAt().orElseThrow());
        log(14 + 168, new CellFact.VoltageRead(ID, 4.14));
        assertEquals(HoldTest.Verdict.FINE, hold().verdict(), "10 mV from the settled voltage");
        assertEquals(Optional.empty(), hold().dueAt());
    }

    @Test
    void whatIsStillLosingAfterTwiceTheTimeIsOut() {
        log(0, new RunFact.HoldBegan(ID, 7));
        log(12, new CellFact.VoltageRead(ID, 4.18));
        log(12 + 168, new CellFact.VoltageRead(ID, 4.14));
        assertEquals(HoldTest.Verdict.EXTEND, hold().verdict());
        log(12 + 336, new CellFact.VoltageRead(ID, 4.11));
        assertEquals(HoldTest.Verdict.OUT, hold().verdict());
    }

    private static CellModel lfp() {
        return CellModel.rated(
                "Quill F15", CellFormat.parse("18650").orElseThrow(), Chemistry.LFP, 1500);
    }

    /// The plateau of LFP hides the charge: 20 mV are a quarter of it, and nothing passes there.
    @ParameterizedTest(name = "{0} V, {1} V a week later: {2}")
    @CsvSource({
        "3.420, 3.345, FINE",
        "3.360, 3.350, FINE",
        "3.335, 3.333, UNTOLD",
        "3.400, 3.338, UNTOLD",
        "3.335, 3.315, OUT",
        "3.345, 3.290, OUT",
        "3.300, 3.299, OUT"
    })
    void ironPhosphateIsJudgedByTheChargeItLost(
            double first, double after, HoldTest.Verdict expected) {
        model = Optional.of(lfp());
        log(0, new RunFact.HoldBegan(ID, 7));
        log(13, new CellFact.VoltageRead(ID, first));
        log(13 + 168, new CellFact.VoltageRead(ID, after));
        assertEquals(expected, hold().verdict(), () -> hold().reasons().toString());
    }

    @ParameterizedTest(name = "full at {0} V, settled at {1} V: out {2}")
    @CsvSource({"4.20, 3.30, true", "4.20, 4.00, true", "4.20, 4.08, false", "4.10, 3.99, false"})
    void afterAFullChargeItMustStandNearFull(double limit, double first, boolean isOut) {
        model =
                Optional.of(
                        new CellModel(
                                "Quill Q22",
                                CellFormat.parse("18650").orElseThrow(),
                                Chemistry.NMC,
                                2000,
                                2100,
                                new CellLimits(limit, 2.75, 1, 2)));
        log(0, new CellFact.VoltageRead(ID, 4.18));
        log(1, new RunFact.HoldBegan(ID, 7));
        log(14, new CellFact.VoltageRead(ID, first));
        assertEquals(isOut ? HoldTest.Verdict.OUT : HoldTest.Verdict.LYING, hold().verdict());
    }

    @Test
    void whatItMayLoseGrowsWithTheTime() {
        log(0, new RunFact.HoldBegan(ID, 21));
        log(13, new CellFact.VoltageRead(ID, 4.180));
        // 28 mV a week
        log(13 + 26 * 24, new CellFact.VoltageRead(ID, 4.075));
        assertEquals(HoldTest.Verdict.FINE, hold().verdict(), () -> hold().reasons().toString());
    }

    @Test
    void tooMuchInTwoDaysNeedsNoWeek() {
        log(0, new RunFact.HoldBegan(ID, 7));
        log(13, new CellFact.VoltageRead(ID, 4.18));
        log(13 + 48, new CellFact.VoltageRead(ID, 4.06));
        assertEquals(HoldTest.Verdict.OUT, hold().verdict());
    }

    @Test
    void aHoldThatWasPassedIsClosed() {
        log(0, new RunFact.HoldBegan(ID, 7));
        log(13, new CellFact.VoltageRead(ID, 4.18));
        log(13 + 168, new CellFact.VoltageRead(ID, 4.17));
        log(13 + 700, new CellFact.VoltageRead(ID, 3.70));
        assertEquals(HoldTest.Verdict.FINE, hold().verdict(), "stored half full later");
    }

    @Test
    void whatIsReadInAnotherTestIsNoHoldReading() {
        log(0, new RunFact.HoldBegan(ID, 7));
        log(13, new CellFact.VoltageRead(ID, 4.18));
        log(40, new RunFact.RunStarted(ID, "R2", "Charger A · 1", ""));
        log(60, new CellFact.VoltageRead(ID, 3.40));
        assertEquals(HoldTest.Verdict.LYING, hold().verdict());
    }

    @Test
    void aCorrectedReadingKeepsItsTime() {
        log(0, new CellFact.VoltageRead(ID, 3.21));
        log(5, new RunFact.HoldBegan(ID, 7));
        log(30, new Amendment.EntryCorrected(1, new CellFact.VoltageRead(ID, 3.12)));
        assertEquals(HoldTest.Verdict.SETTLING, hold().verdict(), "it was read before the hold");
    }

    @Test
    void aRescuedCellLiesLongerAlsoWhenThatIsLearntLater() {
        log(0, new RunFact.HoldBegan(ID, 7));
        log(13, new CellFact.VoltageRead(ID, 4.18));
        log(13 + 168, new CellFact.VoltageRead(ID, 4.17));
        assertEquals(HoldTest.Verdict.FINE, hold().verdict());
        acts.clear();
        log(0, new CellFact.VoltageRead(ID, 2.1));
        log(10, new RunFact.HoldBegan(ID, 7));
        log(23, new CellFact.VoltageRead(ID, 4.18));
        log(23 + 168, new CellFact.VoltageRead(ID, 4.17));
        assertEquals(HoldTest.Verdict.LYING, hold().verdict());
        log(23 + 21 * 24, new CellFact.VoltageRead(ID, 4.16));
        assertEquals(HoldTest.Verdict.FINE, hold().verdict());
    }

    @Test
    void theLossAMonthFollowsTheRestCurve() {
        log(0, new RunFact.HoldBegan(ID, 7));
        log(12, new CellFact.VoltageRead(ID, 4.07));
        log(12 + 240, new CellFact.VoltageRead(ID, 4.02));
        // from 4.07 V (90 %) to 4.02 V (85 %) on our own curve in ten days
        assertEquals(14.9, hold().percentAMonth(Chemistry.NMC).getAsDouble(), 0.1);
    }

    @Test
    void oneThatLosesMoreThanItsSistersIsSuspect() {
        for (int i = 1; i <= 9; i++) {
            CellId id = new CellId("HB03-%02d".formatted(i));
            log(0, new CellFact.CellNamed(id, Optional.empty(), Optional.of("Quill Q22")));
            log(0, new RunFact.HoldBegan(id, 7));
            log(12, new CellFact.VoltageRead(id, 4.180));
            log(12 + 168, new CellFact.VoltageRead(id, i == 7 ? 4.152 : 4.176 - 0.0005 * i));
        }
        HoldShelf shelf = HoldShelf.of(Chapters.fold(acts));
        List<String> suspects =
                shelf.rows().stream()
                        .filter(row -> row.suspicion().isPresent())
                        .map(row -> row.test().cell().id().text())
                        .toList();
        assertEquals(List.of("HB03-07"), suspects);
        assertEquals(shelf.places(), shelf.free(), "all are done");
    }

    @Test
    void theShelfTellsWhoIsDueFirstAndHowManyMoreItTakes() {
        for (int i = 1; i <= 3; i++) {
            CellId id = new CellId("HB03-0" + i);
            log(0, new CellFact.CellNamed(id, Optional.empty(), Optional.of("Quill Q22")));
            log(10 * (3 - i), new RunFact.HoldBegan(id, 7));
        }
        HoldShelf shelf = HoldShelf.of(Chapters.fold(acts));
        assertEquals(shelf.places() - 3, shelf.free());
        assertEquals(3, shelf.open().size());
        // the third began first; its voltage settles in twelve hours
        assertEquals(
                List.of("HB03-03", "HB03-02", "HB03-01"),
                shelf.rows().stream().map(row -> row.test().cell().id().text()).toList());
        Instant due = START.plus(Duration.ofHours(12));
        assertEquals(Optional.empty(), shelf.nextDue(due.minusSeconds(1)));
        assertEquals(Optional.of(new CellId("HB03-03")), shelf.nextDue(due));
        log(13, new CellFact.VoltageRead(new CellId("HB03-03"), 4.18));
        log(13 + 168, new CellFact.VoltageRead(new CellId("HB03-03"), 4.17));
        HoldShelf later = HoldShelf.of(Chapters.fold(acts));
        assertEquals(shelf.free() + 1, later.free(), "one has held");
        assertEquals("HB03-03", later.rows().getLast().test().cell().id().text());
    }

    @Test
    void aCellThatWasHandedOverLiesOnNoShelf() {
        log(0, new RunFact.HoldBegan(ID, 7));
        assertEquals(1, HoldShelf.of(Chapters.fold(acts)).open().size());
        log(20, new CellFact.HandedOver(ID, "town collection point"));
        assertEquals(0, HoldShelf.of(Chapters.fold(acts)).open().size());
    }

    /// The ladder (common practice): hot once is cycled again at less; hot again is out.
    @ParameterizedTest
    @CsvSource({
        "3@1.0, CALM",
        "12@1.0, AGAIN_AT_LESS",
        "12@1.0 11@0.9, AGAIN_AT_LESS",
        "12@1.0 4@0.5, SETTLED",
        "12@1.0 11@0.5, OUT",
        "12@1.0 4@0.5 11@0.5, OUT"
    })
    void heatIsJudgedOnALadder(String runs, HeatLadder.Rung expected) {
        int run = 0;
        for (String each : runs.split(" ")) {
            String[] parts = each.split("@");
            log(
                    run++,
                    new RunFact.HeatSeen(
                            ID,
                            "R" + run,
                            Double.parseDouble(parts[0]),
                            Double.parseDouble(parts[1])));
        }
        assertEquals(expected, HeatLadder.judge(cell()).verdict());
        assertTrue(HeatLadder.judge(cell()).reasons().get(0).sentence().contains("K"));
    }
}
