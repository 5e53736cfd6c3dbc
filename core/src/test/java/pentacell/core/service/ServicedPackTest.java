package pentacell.core.service;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Journal;
import pentacell.core.assembly.AssemblyFact;
import pentacell.core.assembly.Grid;
import pentacell.core.assembly.Layout;
import pentacell.core.assembly.Spot;
import pentacell.core.assembly.TakeOff;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.TestConditions;
import pentacell.core.circuit.RestCurve;
import pentacell.core.grade.JudgedStock;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.PackFact;
import pentacell.core.pack.Selection;
import pentacell.core.proof.PackLog;
import pentacell.core.service.CanRepair.Way;
import pentacell.core.state.WorkshopState;
import pentacell.core.use.Alarms;
import pentacell.core.use.PackInUse;
import pentacell.core.use.Trouble;
import pentacell.core.use.UseFact;

/// A pack in use: what is searched, mended and due, and how long it will do.
final class ServicedPackTest {
    private static final String PACK = "Gate";
    private static final int SERIES = 3;
    private static final int ROWS = 4;
    private static final int COLUMNS = 3;
    private static final double OHMS = 0.05;

    private static CellId cell(int group, int can) {
        return new CellId("G%d-%02d".formatted(group + 1, can + 1));
    }

    /// Three groups of twelve, laid out in blocks, and four cells beside.
    private static Journal pack() {
        Journal journal = new Journal().model("Quill Q22", Chemistry.NMC, 2200);
        List<List<CellId>> groups = new ArrayList<>();
        List<List<Spot>> places = new ArrayList<>();
        for (int group = 0; group < SERIES; group++) {
            List<CellId> own = new ArrayList<>();
            List<Spot> spots = new ArrayList<>();
            for (int can = 0; can < ROWS * COLUMNS; can++) {
                own.add(cell(group, can));
                spots.add(new Spot(COLUMNS * group + can / ROWS, can % ROWS));
                measured(journal, cell(group, can), 2000);
            }
            groups.add(own);
            places.add(spots);
        }
        for (int i = 0; i < 4; i++) {
            CellId spare = new CellId("S-" + i);
            measured(journal, spare, 2000 + 10 * i);
            // read at rest again after its test
            journal.log(new CellFact.VoltageRead(spare, 3.7));
        }
        return journal
                .log(
                        new PackFact.GroupsMatched(
                                PACK,
                                MatchRules.of(SERIES, ROWS * COLUMNS, Selection.ALL),
                                groups,
                                Map.of()))
                .log(
                        new AssemblyFact.LayoutChosen(
                                PACK,
                                new Layout(
                                        new Grid(Grid.Pattern.SQUARE, 20, SERIES * COLUMNS, ROWS),
                                        places,
                                        TakeOff.EDGE)));
    }

    private static void measured(Journal journal, CellId id, double milliampHours) {
        journal.cell(id.text(), "Quill Q22", "", 3.7)
                .log(
                        new CellFact.CapacityMeasured(id, milliampHours, TestConditions.NOT_STATED),
                        new CellFact.ResistanceRead(
                                id, 1000 * OHMS, CellFact.ResistanceMethod.AC_1_KHZ));
    }

    private static ServicedPack judged(Journal journal) {
        WorkshopState state = journal.state();
        return ServicedPack.of(state, JudgedStock.of(state), PACK).orElseThrow();
    }

    @RepeatedTest(20)
    void everyCanOffItsBarIsFoundByProbingInTheOrderSaid(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Set<CellId> off = new HashSet<>();
        while (off.size() < 1 + repetition.getCurrentRepetition() % 4)
            off.add(cell(1, random.nextInt(ROWS * COLUMNS)));
        Journal journal = pack();
        int readings = 0;
        while (judged(journal).brokenJoints(1).next().isPresent()) {
            CellId next = judged(journal).brokenJoints(1).next().orElseThrow().cell();
            double volts =
                    3.72
                            + 0.002 * random.nextGaussian()
                            - (off.contains(next) ? 0.05 + 0.3 * random.nextDouble() : 0);
            journal.log(new UseFact.CanProbed(PACK, next, volts));
            readings++;
        }
        CanSearch search = judged(journal).brokenJoints(1);
        Set<CellId> found = new HashSet<>();
        search.found().forEach(each -> found.add(each.cell()));
        assertEquals(off, found);
        assertEquals(3.72, search.reference().orElseThrow(), 0.003);
        assertEquals(ROWS * COLUMNS, readings, "it is not known how many are sought");
    }

    @Test
    void besideOneThatIsOffIsReadOnFirst() {
        Journal journal = pack();
        for (int can : new int[] {0, 1, 2})
            journal.log(new UseFact.CanProbed(PACK, cell(1, can), can == 1 ? 3.4 : 3.7));
        CanSearch.Can next = judged(journal).brokenJoints(1).next().orElseThrow();
        assertEquals(cell(1, 5), next.cell(), "the only one beside it that was not read");
        assertEquals("beside one that is off", next.why());
        assertEquals(List.of(new Spot(4, 1)), next.spots());
    }

    @Test
    @DisplayName("expected readings: the mean over every order in which three of eight can lie")
    void expectedReadingsAreTheMeanOverAllOrders() {
        double sum = 0;
        int count = 0;
        for (int places = 0; places < 256; places++) {
            if (Integer.bitCount(places) != 3) continue;
            sum += 32 - Integer.numberOfLeadingZeros(places);
            count++;
        }
        List<CanSearch.Can> cans = new ArrayList<>();
        for (int i = 0; i < 8; i++)
            cans.add(
                    new CanSearch.Can(
                            cell(0, i),
                            List.of(),
                            "",
                            OptionalDouble.empty(),
                            OptionalDouble.empty(),
                            CanSearch.State.OPEN));
        CanSearch search = new CanSearch(0, OptionalDouble.empty(), cans, Optional.of(3));
        assertEquals(sum / count, search.expectedReadings().orElseThrow(), 1e-9);
    }

    @ParameterizedTest(name = "at {0} V: {1}")
    @CsvSource({"3.64, RECONNECT", "3.30, BRING_FIRST", "0.02, REPLACE"})
    void aCanIsJoinedAgainWhenItsInrushIsBorne(double volts, Way way) {
        Journal journal = pack();
        for (int can = 0; can < ROWS * COLUMNS; can++)
            journal.log(new UseFact.CanProbed(PACK, cell(2, can), can == 7 ? volts : 3.72));
        WorkshopState state = journal.state();
        ServicedPack pack = judged(journal);
        CanRepair repair = pack.repairs(state, JudgedStock.of(state)).get(0);
        assertEquals(cell(2, 7), repair.can().cell());
        assertEquals(way, repair.way());
        // eleven others side by side, in Ohm's law
        double amps = (volts - 3.72) / (OHMS + OHMS / 11);
        assertEquals(amps, repair.inrushAmps(), 0.02 * Math.abs(amps));
        assertTrue(repair.strips() >= 4, "strips at " + repair.strips());
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        if (way == Way.BRING_FIRST) {
            assertEquals(
                    2000 * (curve.share(3.72) - curve.share(volts)), repair.milliampHours(), 1);
            assertEquals(repair.milliampHours() / 400, repair.hours(), 1e-9, "at 0.2 C");
        }
        assertEquals(way == Way.REPLACE, repair.replacement().isPresent());
        repair.replacement()
                .ifPresent(each -> {
                    assertEquals("S-0", each.swap().coming().id().text(), "the weakest that does");
                    assertEquals(3.7, each.volts().orElseThrow());
                    assertEquals(0, each.milliampHours().orElseThrow(), "within 0.02 V");
                });
        EndOfLife end = pack.endOfLife(state);
        assertEquals(way == Way.REPLACE ? 1 : 0, end.recycled().size());
        assertEquals(36 - end.recycled().size(), end.kept().size());
    }

    @Test
    @DisplayName("one at 39 °C among 29 to 30 °C (common practice)")
    void theHeaterIsFoundAndNotTheOnesItWarms() {
        Journal journal = pack();
        Spot hot = new Spot(4, 1);
        int readings = 0;
        while (judged(journal).heaters(1).next().isPresent()) {
            CanSearch.Can next = judged(journal).heaters(1).next().orElseThrow();
            Spot spot = next.spots().get(0);
            int away = Math.abs(spot.column() - hot.column()) + Math.abs(spot.row() - hot.row());
            double celsius = away == 0 ? 39 : away == 1 ? 33 : 29.5;
            journal.log(new UseFact.CanWarm(PACK, next.cell(), celsius));
            readings++;
        }
        CanSearch search = judged(journal).heaters(1);
        assertEquals(1, search.found().size(), search.found() + "");
        assertEquals(List.of(hot), search.found().get(0).spots());
        assertEquals(12, readings);
        WorkshopState state = journal.state();
        CanRepair repair = judged(journal).repairs(state, JudgedStock.of(state)).get(0);
        assertEquals(Way.REPLACE, repair.way());
    }

    @Test
    @DisplayName("153.7 Ah to 141.9 Ah is −7.7 % (common practice)")
    void twoTestsOfAGroup() {
        GroupTrend trend =
                GroupTrend.of(
                        List.of(
                                new PackInUse.Retest(0, LocalDate.of(2026, 3, 1), 141.9),
                                new PackInUse.Retest(0, LocalDate.of(2024, 3, 1), 153.7)));
        assertEquals(-7.7, trend.changePercent(), 0.05);
        assertEquals(-5.9, trend.ampHoursAYear(), 0.01);
        GroupTrend.Forecast under = trend.under(0.8 * 153.7).orElseThrow();
        // 18.94 Ah more at 5.9 Ah a year
        assertEquals(2029, under.at().getYear());
        assertTrue(under.earliest().isBefore(under.at()));
        assertTrue(under.latest().orElseThrow().isAfter(under.at()));
        assertEquals(under.at(), trend.under(trend.ampHours(under.at())).orElseThrow().at());
        GroupTrend rises =
                GroupTrend.of(
                        List.of(
                                new PackInUse.Retest(0, LocalDate.of(2024, 3, 1), 150),
                                new PackInUse.Retest(0, LocalDate.of(2026, 3, 1), 151)));
        assertTrue(rises.under(100).isEmpty(), "what rises never comes under");
        GroupTrend one = GroupTrend.of(trend.tests().subList(0, 1));
        assertTrue(one.under(100).isEmpty());
        assertThrows(IllegalArgumentException.class, () -> GroupTrend.of(List.of()));
    }

    /// x in tenths, y: the reference dataset Norris of NIST's Statistical Reference Datasets, from
    /// memory.
    private static final double[][] NORRIS = {
        {2, 0.1}, {3374, 338.8}, {1182, 118.1}, {8846, 888.0}, {101, 9.2}, {2265, 228.1},
        {6663, 668.5}, {9963, 998.5}, {4486, 449.1}, {7770, 778.9}, {5582, 559.2}, {4, 0.3},
        {6, 0.1}, {7755, 778.1}, {6669, 668.8}, {3380, 339.3}, {4475, 448.9}, {116, 10.8},
        {5560, 557.7}, {2281, 228.3}, {9958, 998.0}, {8876, 888.8}, {1202, 119.6}, {3, 0.3},
        {3, 0.6}, {5568, 557.6}, {3391, 339.3}, {8872, 888.0}, {9990, 998.5}, {7790, 778.9},
        {111, 10.2}, {1183, 117.6}, {2292, 228.9}, {6691, 668.4}, {4489, 449.2}, {5, 0.2}
    };

    @Test
    @DisplayName("slope and intercept of NIST's Norris data, certified (from memory)")
    void theLineIsTheCertifiedOne() {
        LocalDate zero = LocalDate.of(2000, 1, 1);
        List<PackInUse.Retest> tests = new ArrayList<>();
        for (double[] each : NORRIS)
            tests.add(new PackInUse.Retest(0, zero.plusDays((long) each[0]), each[1]));
        GroupTrend trend = GroupTrend.of(tests);
        // a day is a tenth of the dataset's x
        assertEquals(1.00211681802045, 10 * trend.ampHoursAYear() / 365.25, 1e-12);
        // the middle is a whole day
        assertEquals(-0.262323073774029, trend.ampHours(zero), 0.06);
    }

    @Test
    void aPackIsReadOnTwoDaysAfterARepairThenEveryMonth() {
        Journal journal =
                pack().log(new UseFact.GroupsSeen(PACK, 0, List.of(3.7, 3.7, 3.7)))
                        .log(new UseFact.GroupRetested(PACK, 0, 24, LocalDate.of(2026, 2, 1)));
        assertEquals(
                List.of(ServiceDue.Kind.READ, ServiceDue.Kind.TEST),
                judged(journal).due().stream().map(ServiceDue::kind).toList());
        journal.log(new UseFact.CellReconnected(PACK, cell(0, 3)));
        Instant mended = judged(journal).use().lastChange().orElseThrow();
        List<Duration> watched = new ArrayList<>();
        while (judged(journal).due().get(0).kind() == ServiceDue.Kind.WATCH) {
            watched.add(Duration.between(mended, judged(journal).due().get(0).at()));
            journal.wait(Duration.ofHours(23))
                    .log(new UseFact.GroupsSeen(PACK, 0, List.of(3.7, 3.7, 3.7)));
        }
        assertEquals(List.of(Duration.ofDays(1), Duration.ofDays(2)), watched);
        assertEquals(ServiceDue.Kind.READ, judged(journal).due().get(0).kind());
    }

    /// A week of days and nights; one group holds less, or all are alike.
    private static PackLog week(double share, long seed) {
        Random random = new Random(seed);
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        List<Double> seconds = new ArrayList<>();
        List<Double> amps = new ArrayList<>();
        List<List<Double>> volts = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        double[] left = {0.95, 0.95, 0.95};
        for (int i = 0; i < 7 * 96; i++) {
            double hour = i / 4.0 % 24;
            double now = hour < 10 ? 1.4 : hour < 12 ? 0 : hour < 20 ? -1.75 : 0;
            seconds.add(i * 900.0);
            amps.add(now);
            for (int g = 0; g < SERIES; g++) {
                volts.get(g)
                        .add(curve.volts(left[g]) - now * 0.004 + 0.001 * random.nextGaussian());
                left[g] -= now * 0.25 / (24 * (g == 1 ? share : 1));
            }
        }
        return new PackLog(seconds, amps, volts);
    }

    @Test
    void onlyWhatWasReadSinceTheRepairIsJudged() {
        Journal journal =
                pack().log(
                                new UseFact.HistoryLogged(
                                        PACK,
                                        "before",
                                        Instant.parse("2026-01-02T00:00:00Z"),
                                        week(8.0 / 12, 1)));
        ServicedPack before = judged(journal);
        Finding first = before.findings().get(0);
        assertEquals(1, first.group());
        assertEquals(Trouble.CELLS_OFF, first.cause());
        assertEquals(4, first.cellsOff().orElseThrow());
        assertEquals(1, before.doubted());
        assertEquals(Optional.of(4), before.brokenJoints(1).wanted());
        StrayBands bands = before.bands().orElseThrow();
        assertTrue(StrayBands.usual(bands.nearEmpty(), 1).orElseThrow() < -40, "lowest when empty");
        assertTrue(Math.abs(StrayBands.usual(bands.nearEmpty(), 0).orElseThrow()) < 5);

        journal.log(new UseFact.CellReconnected(PACK, cell(1, 2)));
        assertTrue(judged(journal).watch().isEmpty(), "nothing was read since");
        journal.log(
                new UseFact.HistoryLogged(
                        PACK, "after", Instant.parse("2026-03-05T00:00:00Z"), week(1, 2)));
        assertTrue(judged(journal).findings().isEmpty());
        assertEquals(
                1,
                judged(journal).bands().orElseThrow().atRest().stream()
                        .filter(StrayBands.Span::isAfterGap)
                        .count(),
                "one long gap");
    }

    @Test
    void whatAPersonSetsAsideIsNotSaidAgain() {
        Journal journal =
                pack().log(
                                new UseFact.HistoryLogged(
                                        PACK,
                                        "before",
                                        Instant.parse("2026-01-02T00:00:00Z"),
                                        week(8.0 / 12, 1)),
                                new UseFact.TroubleSetAside(PACK, 1, Trouble.CELLS_OFF, "known"));
        ServicedPack pack = judged(journal);
        assertTrue(pack.findings().stream().noneMatch(each -> each.cause() == Trouble.CELLS_OFF));
        assertEquals(
                "known",
                pack.setAside(pack.watch().orElseThrow().findings().get(0)).orElseThrow().reason());
    }

    @Test
    void alarmsNameTheGroupAndTheFarthestItWent() {
        Journal journal =
                pack().log(
                                new UseFact.AlarmsSet(
                                        PACK, new Alarms(3.4, 4.1, 30, OptionalDouble.empty())))
                        .log(new UseFact.GroupsSeen(PACK, 5, List.of(3.5, 3.38, 3.5)))
                        .log(new UseFact.GroupsSeen(PACK, 5, List.of(3.5, 3.31, 3.5)))
                        .log(new UseFact.GroupsSeen(PACK, 0, List.of(3.9, 3.85, 4.12)));
        List<UseAlarm> alarms = judged(journal).alarms();
        assertEquals(
                List.of(UseAlarm.Kind.LOW, UseAlarm.Kind.HIGH, UseAlarm.Kind.SPREAD),
                alarms.stream().map(UseAlarm::kind).toList());
        assertEquals(3.31, alarms.get(0).figure());
        assertEquals(1, alarms.get(0).group());
        assertEquals(2, alarms.get(0).times());
        assertEquals(2, alarms.get(1).group());
        assertEquals(270, alarms.get(2).figure(), 1e-6);
        assertThrows(
                IllegalArgumentException.class,
                () -> new Alarms(3.4, 3.4, 30, OptionalDouble.empty()));
    }

    @Test
    @DisplayName("charged below freezing, one of 39 °C among 29 to 30 at rest (common practice)")
    void temperaturesRaiseAlarmsOfTheirOwn() {
        PackLog cold =
                new PackLog(
                        List.of(0.0, 600.0, 1200.0),
                        List.of(-2.0, 2.0, 0.0),
                        Collections.nCopies(SERIES, List.of(3.7, 3.7, 3.7)),
                        Optional.of(List.of(List.of(-3.0, -6.0, -6.0), List.of(-1.5, -5.0, -5.0))));
        PackLog warm =
                new PackLog(
                        List.of(0.0, 600.0),
                        List.of(2.0, 0.0),
                        Collections.nCopies(SERIES, List.of(3.8, 3.8)),
                        Optional.of(
                                List.of(
                                        List.of(46.0, 29.0),
                                        List.of(30.0, 39.0),
                                        List.of(30.0, 30.0))));
        Journal journal =
                pack().log(
                                new UseFact.HistoryLogged(
                                        PACK,
                                        "january",
                                        Instant.parse("2026-01-02T00:00:00Z"),
                                        cold),
                                new UseFact.HistoryLogged(
                                        PACK, "june", Instant.parse("2026-01-03T00:00:00Z"), warm));
        List<UseAlarm> alarms = judged(journal).alarms();
        assertEquals(
                List.of(
                        new UseAlarm(
                                UseAlarm.Kind.WARM,
                                0,
                                46,
                                45,
                                Instant.parse("2026-01-03T00:00:00Z"),
                                1),
                        new UseAlarm(
                                UseAlarm.Kind.COLD_CHARGE,
                                0,
                                -3,
                                0,
                                Instant.parse("2026-01-02T00:00:00Z"),
                                1),
                        new UseAlarm(
                                UseAlarm.Kind.WARMER,
                                1,
                                9,
                                5,
                                Instant.parse("2026-01-03T00:10:00Z"),
                                1)),
                alarms);
        journal.log(new UseFact.AlarmsSet(PACK, new Alarms(2.8, 4.2, 30, OptionalDouble.of(50))));
        assertEquals(2, judged(journal).alarms().size(), "not over 50 °C");
        StrayBands bands = judged(journal).bands().orElseThrow();
        assertEquals(2, bands.warmth().size(), "also where a probe was not there yet");
        assertEquals(30, bands.warmth().get(1).lowest(), 1e-9);
        assertEquals(2, bands.warmestProbe());
    }

    @ParameterizedTest(name = "its group gave {0} of 24 Ah: {1} cells recycled")
    @CsvSource({"24, 0", "21.5, 0", "20.5, 12", "12, 12"})
    void cellsOfAWornGroupAreRecycledWhenTheyHoldTooLittle(double ampHours, int recycled) {
        // 2000 of 2200 mAh rated; under 80 % of rated is out
        Journal journal =
                pack().log(new UseFact.GroupRetested(PACK, 1, ampHours, LocalDate.of(2026, 2, 1)));
        EndOfLife end = judged(journal).endOfLife(journal.state());
        assertEquals(recycled, end.recycled().size());
        for (EndOfLife.Cell each : end.recycled()) {
            assertEquals(1, each.group());
            assertEquals(2000 * ampHours / 24, each.milliampHours(), 1e-6);
        }
    }

    @Test
    void aPackOfWhichNothingWasReadSaysNothing() {
        ServicedPack pack = judged(pack());
        assertTrue(pack.findings().isEmpty());
        assertTrue(pack.history().isEmpty());
        assertTrue(pack.due().isEmpty());
        assertTrue(pack.alarms().isEmpty());
        assertFalse(pack.use().isKnown());
        assertEquals(0.8 * 24, pack.wanted().ampHours(), 1e-9);
        assertEquals(OptionalDouble.empty(), CanSearches.bar(List.of(3.7)));
    }
}
