package pentacell.core.service;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.core.service.GatePack.PACK;
import static pentacell.core.service.GatePack.SERIES;
import static pentacell.core.service.GatePack.cell;
import static pentacell.core.service.GatePack.judged;
import static pentacell.core.service.GatePack.pack;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import pentacell.core.Journal;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.prove.facts.PackLog;
import pentacell.core.service.facts.Alarms;
import pentacell.core.service.facts.Trouble;
import pentacell.core.service.facts.UseFact;

/// What the history of a pack in use says, and when it raises an alarm.
final class ServicedHistoryTest {
    /// A week with four of twelve cells of group 2 off the bar.
    private static final UseFact BEFORE =
            new UseFact.HistoryLogged(
                    PACK, "before", Instant.parse("2026-01-02T00:00:00Z"), week(8.0 / 12, 1));

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
        Journal journal = pack().log(BEFORE);
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
                                BEFORE,
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
}
