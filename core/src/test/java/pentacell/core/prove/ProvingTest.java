package pentacell.core.prove;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.Chapters;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.measure.Column;
import pentacell.core.prove.LoadTest.Cause;
import pentacell.core.prove.facts.AloneRun;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.prove.facts.EnergyRun;
import pentacell.core.prove.facts.PackLog;
import pentacell.core.prove.facts.Proof;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.prove.facts.Proofs;

/// What is kept of a load test, and what is made of it.
final class ProvingTest {
    /// A load that wanders, with two groups.
    private static GroupLog wandering(long seed, int size) {
        Random random = new Random(seed);
        Column.Builder seconds = new Column.Builder();
        Column.Builder amps = new Column.Builder();
        List<Column.Builder> volts = List.of(new Column.Builder(), new Column.Builder());
        double at = 0;
        double now = 0;
        double[] share = {1, 1};
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        for (int i = 0; i < size; i++) {
            if (random.nextInt(40) == 0)
                now = random.nextInt(3) == 0 ? 0 : 12 * random.nextDouble();
            seconds.add(at);
            amps.add(now);
            for (int g = 0; g < 2; g++) {
                volts.get(g)
                        .add(curve.volts(share[g]) - 0.004 * now + 2e-4 * random.nextGaussian());
                share[g] = Math.max(0, share[g] - now * 2 / 3600 / 20);
            }
            at += 2;
        }
        return new GroupLog(
                seconds.build(), amps.build(), volts.stream().map(Column.Builder::build).toList());
    }

    private static double ampHours(List<Double> seconds, List<Double> amps) {
        double sum = 0;
        for (int i = 1; i < seconds.size(); i++)
            sum +=
                    (seconds.get(i) - seconds.get(i - 1))
                            / 3600
                            * (amps.get(i) + amps.get(i - 1))
                            / 2;
        return sum;
    }

    private static List<Double> list(Column column) {
        List<Double> values = new ArrayList<>();
        for (int i = 0; i < column.size(); i++) values.add(column.get(i));
        return values;
    }

    @RepeatedTest(12)
    void whatIsKeptOfALogSaysTheSame(RepetitionInfo repetition) {
        GroupLog log = wandering(repetition.getCurrentRepetition(), 6_000);
        PackLog kept = LogThinning.kept(log);
        assertTrue(kept.seconds().size() < 4_000, () -> "kept " + kept.seconds().size());
        double whole = ampHours(list(log.seconds()), list(log.amps()));
        assertEquals(whole, ampHours(kept.seconds(), kept.amps()), 0.003 * whole + 1e-3);
        // every reading left out lies near the line that takes its place
        int next = 1;
        for (int i = 0; i < log.size(); i++) {
            double at = log.seconds().get(i);
            while (next < kept.seconds().size() - 1 && kept.seconds().get(next) < at) next++;
            double part =
                    (at - kept.seconds().get(next - 1))
                            / (kept.seconds().get(next) - kept.seconds().get(next - 1));
            for (int g = 0; g < 2; g++) {
                List<Double> line = kept.volts().get(g);
                double there = line.get(next - 1) + part * (line.get(next) - line.get(next - 1));
                assertEquals(log.volts().get(g).get(i), there, 0.003);
            }
        }
        LoadTest before = ProveLoad.judge(log, 3.0, Chemistry.NMC);
        LoadTest after = ProveLoad.judge(LogThinning.log(kept), 3.0, Chemistry.NMC);
        assertEquals(before.ampHours(), after.ampHours(), 0.005 * before.ampHours() + 0.005);
        assertEquals(before.wattHours(), after.wattHours(), 0.005 * before.wattHours() + 0.02);
    }

    @Test
    void aShortLogIsKeptAsItIs() {
        GroupLog one =
                LogThinning.log(new PackLog(List.of(0.0), List.of(1.0), List.of(List.of(3.7))));
        assertEquals(1, LogThinning.kept(one).seconds().size());
        assertThrows(
                IllegalArgumentException.class,
                () ->
                        new PackLog(
                                List.of(1.0, 1.0), List.of(1.0, 1.0), List.of(List.of(3.0, 3.0))));
    }

    @Test
    void aProbeStandsAsItWasReadLastAndOneThatNeverWasIsLeftOut() {
        Column.Builder seconds = new Column.Builder();
        Column.Builder steady = new Column.Builder();
        Column.Builder probe = new Column.Builder();
        Column.Builder off = new Column.Builder();
        for (int i = 0; i < 1000; i++) {
            seconds.add(i * 60.0);
            steady.add(3.7);
            // a slow rise with holes, then a sudden heat
            probe.add(i % 7 == 0 || i < 3 ? Double.NaN : i == 800 ? 48 : 20 + i / 200.0);
            off.add(Double.NaN);
        }
        GroupLog log =
                new GroupLog(
                        seconds.build(),
                        steady.build(),
                        List.of(steady.build()),
                        List.of(off.build(), probe.build()));
        PackLog kept = LogThinning.kept(log, 100);
        assertEquals(1, kept.probes().size());
        List<Double> read = kept.probes().get(0);
        assertEquals(48, Collections.max(read), "what was hot is kept");
        assertEquals(20, read.get(0), 0.1);
        assertEquals(25, read.get(read.size() - 1), 0.4);
        GroupLog again = LogThinning.log(kept);
        assertEquals(kept, LogThinning.kept(again, 100), "thinned once it stays");
        assertTrue(
                LogThinning.kept(new GroupLog(log.seconds(), log.amps(), log.volts()))
                        .celsius()
                        .isEmpty());
    }

    private static LoadTest test(double ampHours, double... missing) {
        List<LoadTest.Group> groups = new ArrayList<>();
        for (double each : missing)
            groups.add(
                    new LoadTest.Group(
                            3.2,
                            OptionalDouble.empty(),
                            OptionalDouble.empty(),
                            each,
                            each > 0.5 ? Cause.LOW_CAPACITY : Cause.OK,
                            false));
        int worst = 0;
        for (int g = 1; g < missing.length; g++) if (missing[g] > missing[worst]) worst = g;
        return new LoadTest(
                ampHours,
                ampHours * 25,
                3600,
                true,
                worst,
                ampHours,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                missing[worst] > 0.5 ? OptionalInt.of(worst) : OptionalInt.empty(),
                groups);
    }

    @Test
    @DisplayName("two weak cells of a small pack mended bring a tenth back (common practice)")
    void mendingTheWeakestBringsWhatTheNextLets() {
        Shortfall shortfall =
                Shortfall.of(test(18, 0.2, 2.0, 0, 0.1), Optional.empty()).orElseThrow();
        assertEquals(1, shortfall.group());
        assertEquals(1.8, shortfall.lostAmpHours(), 1e-12, "until the group that lacks 0.2");
        assertEquals(19.8, shortfall.ampHoursAfter(), 1e-12);
        assertEquals(0.1, shortfall.lostAmpHours() / 18, 1e-12);
        assertEquals(OptionalInt.of(0), shortfall.nextGroup());
        assertEquals(1.8 * 25, shortfall.lostWattHours(), 1e-9);
        assertTrue(Shortfall.of(test(18, 0.1, 0.2), Optional.empty()).isEmpty());
        assertTrue(Shortfall.of(test(18, 2), Optional.empty()).orElseThrow().nextGroup().isEmpty());
    }

    @Test
    @DisplayName("600 Wh out, 64 Ah back at 12.6 V: 74 % the whole way (common practice)")
    void theRoundTripOfASystem() {
        SystemRun run =
                SystemRun.of(
                        new EnergyRun(
                                OptionalDouble.of(690),
                                OptionalDouble.of(600),
                                OptionalDouble.of(64 * 12.6),
                                OptionalDouble.of(50)));
        assertEquals(0.744, run.roundTrip().orElseThrow(), 5e-4);
        assertEquals(
                run.roundTrip().orElseThrow(),
                run.inverter().orElseThrow() * run.pack().orElseThrow(),
                1e-12);
        assertEquals(13.8, run.wattHoursPerKilometre().orElseThrow(), 1e-12);
        SystemRun nothing =
                SystemRun.of(
                        new EnergyRun(
                                OptionalDouble.empty(),
                                OptionalDouble.of(600),
                                OptionalDouble.empty(),
                                OptionalDouble.empty()));
        assertTrue(nothing.roundTrip().isEmpty() && nothing.inverter().isEmpty());
    }

    @ParameterizedTest
    @CsvSource({"0.010, true", "0.030, false", "0.090, false"})
    void groupsThatAreFullFirstAreBled(double apart, boolean isGood) {
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        double low = 4.10;
        PackChargeEnd end =
                PackChargeEnd.of(
                        new TreeMap<>(Map.of(0, low, 1, low + apart, 2, low)),
                        20,
                        Chemistry.NMC,
                        OptionalDouble.of(100));
        assertEquals(apart, end.spreadVolts(), 1e-12);
        assertEquals(isGood, end.spreadVolts() <= PackChargeEnd.GOOD_VOLTS);
        assertEquals(1, end.highest());
        double over = 20 * (curve.share(low + apart) - curve.share(low));
        assertEquals(over, end.toTake().get(1).ampHours(), 1e-9, "by the rest curve");
        assertEquals(over / 0.1, end.balancingHours().orElseThrow(), 1e-9);
        assertEquals(0, end.toTake().get(0).ampHours(), 1e-12);
    }

    @Test
    void overTheEndOfTheCurveAGroupIsStillOver() {
        PackChargeEnd end =
                PackChargeEnd.of(
                        new TreeMap<>(Map.of(0, 4.20, 1, 4.22)),
                        20,
                        Chemistry.NMC,
                        OptionalDouble.empty());
        assertTrue(end.toTake().get(1).ampHours() > 0);
        assertTrue(end.balancingHours().isEmpty());
        assertThrows(
                IllegalArgumentException.class,
                () ->
                        PackChargeEnd.of(
                                new TreeMap<>(Map.of(0, 4.2)),
                                20,
                                Chemistry.NMC,
                                OptionalDouble.empty()));
    }

    @Test
    void aFanHasTheGroupsUnderLoadOverWhatWasGiven() {
        GroupLog log = wandering(3, 2_000);
        LoadTest test = ProveLoad.judge(log, 3.0, Chemistry.NMC);
        GroupFan fan = GroupFan.of(log, test, 3.0, Optional.empty());
        assertEquals(2, fan.volts().size());
        assertEquals(fan.ampHours().size(), fan.volts().get(0).size());
        assertTrue(fan.expectedAmpHours().isEmpty() && fan.expected().isEmpty());
        for (int i = 1; i < fan.ampHours().size(); i++)
            assertTrue(fan.ampHours().get(i) >= fan.ampHours().get(i - 1));
    }

    private static Proof told(ProofFact... facts) {
        List<Act> acts = new ArrayList<>();
        Instant at = Instant.parse("2026-03-04T18:00:00Z");
        for (ProofFact fact : facts) {
            acts.add(
                    new Act(
                            acts.size() + 1,
                            at,
                            "said",
                            List.of(new Entry(acts.size() + 1, fact))));
            at = at.plusSeconds(600);
        }
        return Proofs.of(Chapters.fold(acts)).proof("P");
    }

    @Test
    void readingsByHandAreALog() {
        Proof proof =
                told(
                        new ProofFact.HandRead("P", "by hand", 3, 0, List.of(4.1, 4.1)),
                        new ProofFact.HandRead("P", "by hand", 3, 5, List.of(4.0, 3.9)),
                        new ProofFact.HandRead("P", "by hand", 3, 5, List.of(3.5, 2.99)));
        PackLog log = List.copyOf(proof.tests().values()).get(0).log();
        assertEquals(List.of(0.0, 600.0, 1200.0), log.seconds());
        LoadTest test = ProveLoad.judge(LogThinning.log(log), 3, Chemistry.NMC);
        assertTrue(test.reachedEnd());
        assertEquals(1, test.endedByGroup());
        assertEquals(5.0 / 6, test.ampHours(), 1e-9);
        // another number of groups begins anew
        Proof other =
                told(
                        new ProofFact.HandRead("P", "by hand", 3, 5, List.of(4.1, 4.1)),
                        new ProofFact.HandRead("P", "by hand", 3, 5, List.of(4.0)));
        assertEquals(1, List.copyOf(other.tests().values()).get(0).log().seconds().size());
        assertFalse(told().tests().containsKey("by hand"));
    }

    @Test
    void whatIsReadLastHolds() {
        Proof proof =
                told(
                        new ProofFact.FullRead("P", 1, 4.18),
                        new ProofFact.FullRead("P", 1, 4.19),
                        new ProofFact.GroupTested("P", 0, new AloneRun(20, OptionalDouble.empty())),
                        new ProofFact.GroupTested("P", 0, new AloneRun(21, OptionalDouble.empty())),
                        new ProofFact.TripSeen("P", new DeviceTrip(10.7, OptionalDouble.of(11.1))));
        assertEquals(Map.of(1, 4.19), proof.full());
        assertEquals(21, List.copyOf(proof.alone().values()).get(0).ampHours());
        assertEquals(10.7, proof.trip().orElseThrow().volts());
        assertThrows(
                IllegalArgumentException.class,
                () -> new ProofFact.TripSeen("P", new DeviceTrip(-1, OptionalDouble.empty())));
    }
}
