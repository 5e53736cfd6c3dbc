package pentacell.core.service;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.core.service.GatePack.COLUMNS;
import static pentacell.core.service.GatePack.OHMS;
import static pentacell.core.service.GatePack.PACK;
import static pentacell.core.service.GatePack.ROWS;
import static pentacell.core.service.GatePack.cell;
import static pentacell.core.service.GatePack.judged;
import static pentacell.core.service.GatePack.pack;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
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
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.service.CanRepair.Way;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.service.facts.UseFact;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// A pack in use: what is searched, mended and due, and how long it will do.
final class ServicedPackTest {
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
    @CsvSource({
        "3.64, RECONNECT",
        "3.30, BRING_FIRST",
        "2.5, BRING_FIRST",
        "2.49, REPLACE",
        "1.0, REPLACE",
        "0.02, REPLACE",
        "4.24, BRING_FIRST",
        "4.26, REPLACE",
        "4.4, REPLACE"
    })
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
            assertEquals(Math.abs(repair.milliampHours()) / 400, repair.hours(), 1e-9, "at 0.2 C");
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

    @ParameterizedTest(name = "reads {0} V, its group was at {1} V under {2} A: {3}")
    @DisplayName("a can cut off its bar keeps its charge: what reads lower lost it by itself")
    @CsvSource({
        "3.40, 3.30, 0, BRING_FIRST",
        "3.40, 3.60, 0, TEST_FIRST",
        "3.64, 3.70, 0, TEST_FIRST",
        // 2.2 A each through 50 mΩ: it would rest at 3.56 V
        "3.50, 3.45, 26.4, TEST_FIRST",
        "3.55, 3.45, 26.4, BRING_FIRST"
    })
    void aCanBelowEveryStateOfItsGroupIsTested(double volts, double low, double amps, Way way) {
        Journal journal = pack();
        for (double seen : new double[] {3.9, low, 3.72}) {
            List<Double> groups = new ArrayList<>();
            for (int group = 0; group < 3; group++) groups.add(seen);
            journal.log(new UseFact.GroupsSeen(PACK, seen == low ? amps : 0, groups));
        }
        for (int can = 0; can < ROWS * COLUMNS; can++)
            journal.log(new UseFact.CanProbed(PACK, cell(2, can), can == 7 ? volts : 3.72));
        WorkshopState state = journal.state();
        CanRepair repair = judged(journal).repairs(state, JudgedStock.of(state)).get(0);
        assertEquals(way, repair.way(), repair + "");
        assertEquals(0 == repair.milliampHours(), way == Way.TEST_FIRST);
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
        // at their middle a line is known to 1/√n of a test, and less away from it
        double atMiddle = trend.errorAmpHours() / Math.sqrt(NORRIS.length);
        assertEquals(
                atMiddle,
                trend.highAmpHours(trend.middle()) - trend.ampHours(trend.middle()),
                1e-6);
        assertEquals(
                atMiddle, trend.ampHours(trend.middle()) - trend.lowAmpHours(trend.middle()), 1e-6);
        assertTrue(trend.highAmpHours(zero) - trend.ampHours(zero) > atMiddle);
    }

    @RepeatedTest(20)
    @DisplayName("the band holds the truth 19 times in 20")
    void theBandHoldsTheTruth(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        int count = 3 + repetition.getCurrentRepetition() % 6;
        int held = 0;
        int asked = 400;
        for (int round = 0; round < asked; round++) {
            List<PackInUse.Retest> tests = new ArrayList<>();
            for (int k = 0; k < count; k++)
                tests.add(
                        new PackInUse.Retest(
                                0,
                                LocalDate.of(2020, 1, 1).plusDays(200L * k),
                                100 - 1.5 * k + 3 * random.nextGaussian()));
            GroupTrend trend = GroupTrend.of(tests);
            LocalDate on = LocalDate.of(2020, 1, 1).plusDays(random.nextInt(200 * count));
            double truth =
                    100 - 1.5 * ChronoUnit.DAYS.between(LocalDate.of(2020, 1, 1), on) / 200.0;
            if (trend.lowAmpHours(on) <= truth && truth <= trend.highAmpHours(on)) held++;
        }
        // 380 by expectation, four standard deviations of 4.4
        assertTrue(held >= 362, held + " of " + asked);
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
