package pentacell.core.prove;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.measure.Column;
import pentacell.core.prove.LoadTest.Cause;

/// Load tests of packs with a hidden truth.
@Tag("exhaustive")
final class ProveLoadTest {
    private static final double AMP_HOURS = 20;
    private static final double OHMS = 0.006;
    private static final double SETTLING_SECONDS = 400;

    /// Groups of a pack.
    ///
    /// @param begin state of charge at the begin
    private record Truth(double ampHours, double ohms, double begin) {}

    private static List<Truth> even(Random random, int series) {
        List<Truth> groups = new ArrayList<>();
        for (int g = 0; g < series; g++)
            groups.add(
                    new Truth(
                            AMP_HOURS * (1 + 0.004 * random.nextGaussian()),
                            OHMS * (1 + 0.03 * random.nextGaussian()),
                            1));
        return groups;
    }

    /// How a pack is loaded, and logged.
    ///
    /// @param sign of a discharge
    /// @param slow the part of its resistance that a group follows the load with only after minutes
    private record Load(Chemistry chemistry, double amps, double end, int sign, double slow) {
        static Load nmc(double amps) {
            return new Load(Chemistry.NMC, amps, 3.0, 1, 0);
        }
    }

    /// Rest, the load until the first group is at its end, rest.
    private static GroupLog log(List<Truth> groups, Load load, Random random) {
        RestCurve curve = RestCurve.of(load.chemistry());
        double[] share = groups.stream().mapToDouble(Truth::begin).toArray();
        double[] late = new double[share.length];
        Column.Builder seconds = new Column.Builder();
        Column.Builder current = new Column.Builder();
        List<Column.Builder> volts = new ArrayList<>();
        for (int g = 0; g < share.length; g++) volts.add(new Column.Builder());
        double step = 10;
        boolean isOver = false;
        int after = 0;
        for (int i = 0; after < 60; i++) {
            double now = i < 12 || isOver ? 0 : load.amps();
            if (isOver) after++;
            seconds.add(i * step);
            current.add(load.sign() * now);
            for (int g = 0; g < share.length; g++) {
                double at = curve.volts(share[g]) - now * groups.get(g).ohms() - late[g];
                late[g] +=
                        (load.slow() * now * groups.get(g).ohms() - late[g])
                                * step
                                / SETTLING_SECONDS;
                volts.get(g).add(at + 0.001 * random.nextGaussian());
                if (now > 0 && at <= load.end()) isOver = true;
                share[g] -= now * step / 3600 / groups.get(g).ampHours();
            }
        }
        return GroupLog.of(
                seconds.build(),
                current.build(),
                volts.stream().map(Column.Builder::build).toList(),
                List.of());
    }

    @Test
    void anEvenPackIsFine() {
        Random random = new Random(1);
        LoadTest test =
                ProveLoad.judge(log(even(random, 7), Load.nmc(5), random), 3.0, Chemistry.NMC);
        assertEquals(AMP_HOURS, test.ampHours(), 0.03 * AMP_HOURS);
        assertTrue(test.reachedEnd());
        assertEquals(7 * 1000 * OHMS, test.packMilliohms().orElseThrow(), 4);
        assertEquals(5, test.meanAmps(), 1e-9);
        assertTrue(test.replaceFirst().isEmpty());
        assertTrue(test.groups().stream().allMatch(group -> group.cause() == Cause.OK));
        assertEquals(test.ampHours() * 7 * 3.7, test.wattHours(), 0.03 * test.wattHours());
        assertTrue(test.restSpreadMillivolts().isPresent());
    }

    @ParameterizedTest(name = "{0}")
    @DisplayName("hidden causes in 200 packs each: right, or the table says how often not")
    @EnumSource(Cause.class)
    void hiddenCausesAreFound(Cause hidden) {
        int right = 0;
        int accused = 0;
        double worstAmpHours = 0;
        for (int seed = 0; seed < 200; seed++) {
            Random random = new Random(1000L * hidden.ordinal() + seed);
            Chemistry chemistry = seed % 2 == 0 ? Chemistry.NMC : Chemistry.LFP;
            double end = chemistry == Chemistry.NMC ? 3.0 : 2.6;
            int series = 4 + random.nextInt(12);
            List<Truth> groups = even(random, series);
            int bad = random.nextInt(series);
            double by = 0.06 + 0.2 * random.nextDouble();
            switch (hidden) {
                case LOW_CAPACITY -> groups.set(bad, new Truth(AMP_HOURS * (1 - by), OHMS, 1));
                case STARTED_LOW -> groups.set(bad, new Truth(AMP_HOURS, OHMS, 1 - by));
                case HIGH_RESISTANCE ->
                        groups.set(bad, new Truth(AMP_HOURS, OHMS * (1.6 + 5 * by), 1));
                case OK -> {}
            }
            double amps = 4 + 6 * random.nextDouble();
            LoadTest test =
                    ProveLoad.judge(
                            log(
                                    groups,
                                    new Load(chemistry, amps, end, seed % 3 == 0 ? -1 : 1, 0),
                                    random),
                            end,
                            chemistry);
            boolean isRight = hidden == Cause.OK || test.groups().get(bad).cause() == hidden;
            if (isRight) right++;
            for (int g = 0; g < series; g++)
                if ((g != bad || hidden == Cause.OK) && test.groups().get(g).cause() != Cause.OK)
                    accused++;
            if (hidden == Cause.LOW_CAPACITY) {
                assertEquals(bad, test.replaceFirst().orElse(-1), "seed " + seed);
                assertEquals(bad, test.endedByGroup());
            }
            if (hidden == Cause.LOW_CAPACITY || hidden == Cause.STARTED_LOW)
                worstAmpHours =
                        Math.max(
                                worstAmpHours,
                                Math.abs(
                                        test.groups().get(bad).missingAmpHours() - by * AMP_HOURS));
        }
        String said =
                "%s: right %d of 200, falsely accused %d, worst Ah off %.2f"
                        .formatted(hidden, right, accused, worstAmpHours);
        assertTrue(right >= 195, said);
        assertTrue(accused <= 4, said);
        assertTrue(worstAmpHours < 0.03 * AMP_HOURS, said);
    }

    /// Its voltage is down long before it is empty, and comes back in the rest.
    @ParameterizedTest(name = "{0} times, at {1} C, {2} of it slow")
    @CsvSource({"3, 0.5, 0.6", "3, 0.5, 0", "2, 0.1, 0.6", "2, 0.1, 0"})
    void aGroupThatIsDownEarlyByItsResistanceLacksNoCapacity(
            double times, double rate, double slow) {
        int right = 0;
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(seed);
            int series = 4 + random.nextInt(10);
            List<Truth> groups = even(random, series);
            int bad = random.nextInt(series);
            groups.set(bad, new Truth(AMP_HOURS, times * OHMS, 1));
            LoadTest test =
                    ProveLoad.judge(
                            log(
                                    groups,
                                    new Load(Chemistry.NMC, rate * AMP_HOURS, 3.0, 1, slow),
                                    random),
                            3.0,
                            Chemistry.NMC);
            List<Cause> causes = new ArrayList<>(Collections.nCopies(series, Cause.OK));
            causes.set(bad, Cause.HIGH_RESISTANCE);
            if (test.groups().stream().map(LoadTest.Group::cause).toList().equals(causes)) right++;
        }
        assertTrue(right >= 58, "right in %d of 60".formatted(right));
    }

    @Test
    @DisplayName("153.7 Ah that became 141.9 Ah: 7.7 % less (common practice)")
    void whatAPackLostIsSeen() {
        Random random = new Random(4);
        List<Truth> groups = new ArrayList<>();
        for (int g = 0; g < 14; g++) groups.add(new Truth(153.7, 0.001, 1));
        groups.set(8, new Truth(141.9, 0.001, 1));
        LoadTest test = ProveLoad.judge(log(groups, Load.nmc(40), random), 3.0, Chemistry.NMC);
        assertEquals(8, test.endedByGroup());
        assertEquals(11.8, test.groups().get(8).missingAmpHours(), 1.5);
        assertEquals(Cause.LOW_CAPACITY, test.groups().get(8).cause());
    }

    @Test
    void aLoadThatIsLetGoAFewReadingsLateIsFollowedByItsRest() {
        Random random = new Random(5);
        LoadTest test =
                ProveLoad.judge(
                        log(even(random, 4), new Load(Chemistry.NMC, 5, 2.975, 1, 0), random),
                        3.0,
                        Chemistry.NMC);
        assertTrue(test.reachedEnd());
        assertTrue(test.restSpreadMillivolts().isPresent());
        assertTrue(test.groups().get(0).restVolts().orElseThrow() > 3.0);
    }

    @Test
    void aTestThatWasStoppedEarlyDidNotReachItsEnd() {
        Random random = new Random(2);
        GroupLog whole = log(even(random, 4), Load.nmc(5), random);
        int half = whole.size() / 2;
        Column.Builder seconds = new Column.Builder();
        Column.Builder amps = new Column.Builder();
        List<Column.Builder> volts =
                new ArrayList<>(Arrays.asList(new Column.Builder(), new Column.Builder()));
        for (int i = 0; i < half; i++) {
            seconds.add(whole.seconds().get(i));
            amps.add(whole.amps().get(i));
            for (int g = 0; g < 2; g++) volts.get(g).add(whole.volts().get(g).get(i));
        }
        LoadTest test =
                ProveLoad.judge(
                        GroupLog.of(
                                seconds.build(),
                                amps.build(),
                                volts.stream().map(Column.Builder::build).toList(),
                                List.of()),
                        3.0,
                        Chemistry.NMC);
        assertTrue(!test.reachedEnd());
        assertTrue(test.restSpreadMillivolts().isEmpty());
    }

    /// A load of a moment, or readings that never move: nothing is missing, and nothing is NaN.
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 50})
    void readingsThatDoNotMoveAccuseNobody(int loaded) {
        Column.Builder seconds = new Column.Builder();
        Column.Builder amps = new Column.Builder();
        Column.Builder volts = new Column.Builder();
        for (int i = 0; i < loaded + 50; i++) {
            seconds.add(10 * i);
            amps.add(i < loaded ? 5 : 0);
            volts.add(3.3);
        }
        Column each = volts.build();
        LoadTest test =
                ProveLoad.judge(
                        new GroupLog(seconds.build(), amps.build(), List.of(each, each, each)),
                        3.0,
                        Chemistry.LFP);
        for (LoadTest.Group group : test.groups()) {
            assertEquals(0, group.missingAmpHours());
            assertEquals(Cause.OK, group.cause());
        }
        assertTrue(test.restSpreadMillivolts().isPresent());
    }

    @Test
    void aLogInWhichNothingIsDrawnIsNoTest() {
        Column.Builder some = new Column.Builder();
        Column.Builder none = new Column.Builder();
        Column.Builder volts = new Column.Builder();
        for (int i = 0; i < 10; i++) {
            some.add(i);
            none.add(0);
            volts.add(4);
        }
        GroupLog log = GroupLog.of(some.build(), none.build(), List.of(volts.build()), List.of());
        assertThrows(IllegalArgumentException.class, () -> ProveLoad.judge(log, 3, Chemistry.NMC));
        assertThrows(
                IllegalArgumentException.class,
                () -> new GroupLog(some.build(), none.build(), List.of()));
    }
}
