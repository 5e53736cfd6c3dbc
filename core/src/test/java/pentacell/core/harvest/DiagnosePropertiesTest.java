package pentacell.core.harvest;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.Schools;

/// What must hold for any pack, tried on many made at random; the seed is in the failure.
final class DiagnosePropertiesTest {
    private static final int ROUNDS = 300;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void anEvenPackIsHealthyWhateverItsMeterReadsWithinItsError(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int round = 0; round < ROUNDS; round++) {
            List<Double> volts = even(random, 2 + random.nextInt(19), 3.1 + random.nextDouble());
            double sum = volts.stream().mapToDouble(Double::doubleValue).sum();
            // the same meter twice: a gain of 0.4 % on its other range, and a digit
            double pack = sum * (1 + 0.004 * (2 * random.nextDouble() - 1));
            Diagnosis diagnosis = judge(volts, OptionalDouble.of(pack));
            assertEquals(Signature.HEALTHY, diagnosis.signature(), "seed " + seed + ": " + volts);
            assertEquals(Advice.USE, diagnosis.advice());
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void aSingleLowGroupIsFoundWhereverItIs(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int round = 0; round < ROUNDS; round++) {
            int count = 3 + random.nextInt(18);
            List<Double> volts = even(random, count, 3.7 + 0.4 * random.nextDouble());
            int low = 1 + random.nextInt(count);
            volts.set(low - 1, volts.get(low - 1) - 0.45 - random.nextDouble());
            Diagnosis diagnosis = judge(volts, OptionalDouble.empty());
            String where = "seed " + seed + ": " + volts;
            assertEquals(Signature.LOW_GROUP, diagnosis.signature(), where);
            assertEquals(List.of(low), diagnosis.groups(), where);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void aGroupReadForItsNeighbourIsCaughtByTheWholePackWhenItMatters(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int round = 0; round < ROUNDS; round++) {
            int count = 3 + random.nextInt(5);
            List<Double> truth = even(random, count, 3.9);
            int low = 1 + random.nextInt(count - 1);
            truth.set(low, truth.get(low) - 0.6);
            double pack = truth.stream().mapToDouble(Double::doubleValue).sum();
            List<Double> read = new ArrayList<>(truth);
            read.set(low, truth.get(low - 1));
            Diagnosis diagnosis = judge(read, OptionalDouble.of(pack));
            String where = "seed " + seed + ": " + read;
            assertEquals(Signature.READING_ERROR, diagnosis.signature(), where);
            assertTrue(diagnosis.groups().containsAll(List.of(low, low + 1)), where);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void overchargeIsNeverOverlookedAndNeverRepaired(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int toReadAgain = 0;
        for (int round = 0; round < ROUNDS; round++) {
            int count = 1 + random.nextInt(14);
            List<Double> volts = new ArrayList<>();
            for (int i = 0; i < count; i++) volts.add(4.2 * random.nextDouble());
            volts.set(random.nextInt(count), 4.26 + 0.5 * random.nextDouble());
            Diagnosis diagnosis = judge(volts, OptionalDouble.empty());
            // two empty groups under a full one can look like readings from the negative
            if (diagnosis.signature() == Signature.READING_ERROR) {
                toReadAgain++;
                assertEquals(Advice.READ_AGAIN, diagnosis.advice(), "" + volts);
                continue;
            }
            assertEquals(Signature.OVERCHARGED_GROUP, diagnosis.signature(), "" + volts);
            assertNotEquals(Advice.REPAIR, diagnosis.advice());
            assertNotEquals(Advice.USE, diagnosis.advice());
        }
        assertTrue(toReadAgain <= ROUNDS / 50, toReadAgain + " of " + ROUNDS + " not judged");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void noPlanEverChargesOverItsLimitOrAGroupThatShouldNotBe(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int round = 0; round < ROUNDS; round++) {
            Chemistry chemistry = random.nextBoolean() ? Chemistry.NMC : Chemistry.LFP;
            List<Double> volts = new ArrayList<>();
            int count = 1 + random.nextInt(10);
            for (int i = 0; i < count; i++) volts.add(4.5 * random.nextDouble());
            PackReadings readings = PackReadings.of(chemistry, volts);
            Diagnosis diagnosis = Diagnose.pack(readings, Schools.USUAL);
            List<RepairPlan> plans =
                    Repair.plans(readings, diagnosis, OptionalDouble.of(5), 2, Schools.USUAL);
            String where = "seed " + seed + ", " + chemistry + " " + volts;
            for (RepairPlan plan : plans) {
                assertTrue(plan.setVolts() <= chemistry.chargeLimitVolts() - 0.2 + 1e-9, where);
                assertTrue(plan.setVolts() > plan.fromVolts(), where);
                assertTrue(plan.limitAmps() <= 0.5 + 1e-9, where);
                // but for a pack whose groups sank together
                assertTrue(
                        plan.fromVolts() >= Schools.USUAL.bands(chemistry).recoveryFloorVolts()
                                || diagnosis.signature() == Signature.ALL_LOW
                                        && Collections.max(volts) - Collections.min(volts) <= 0.3,
                        where);
                assertTrue(plan.chargeHours().orElse(0) > 0, where);
            }
            assertTrue(plans.isEmpty() || diagnosis.advice() == Advice.REPAIR, where);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void theSchoolOfHarvestingNeverRepairsAndChangesNothingElse(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Schools harvest = Schools.USUAL.with(RepairSchool.HARVEST_ALWAYS);
        for (int round = 0; round < ROUNDS; round++) {
            List<Double> volts = new ArrayList<>();
            int count = 1 + random.nextInt(8);
            for (int i = 0; i < count; i++) volts.add(4.4 * random.nextDouble());
            PackReadings readings = PackReadings.of(Chemistry.NMC, volts);
            Diagnosis usual = Diagnose.pack(readings, Schools.USUAL);
            Diagnosis other = Diagnose.pack(readings, harvest);
            assertEquals(usual.signature(), other.signature());
            assertEquals(usual.groups(), other.groups());
            assertNotEquals(Advice.REPAIR, other.advice());
            if (usual.advice() != Advice.REPAIR) assertEquals(usual.advice(), other.advice());
        }
    }

    private static List<Double> even(SplittableRandom random, int count, double level) {
        List<Double> volts = new ArrayList<>();
        for (int i = 0; i < count; i++)
            volts.add(Math.rint((level + 0.02 * random.nextDouble()) * 1000) / 1000);
        return volts;
    }

    private static Diagnosis judge(List<Double> volts, OptionalDouble pack) {
        return Diagnose.pack(
                new PackReadings(
                        Chemistry.NMC,
                        true,
                        volts,
                        OptionalInt.empty(),
                        pack,
                        OptionalDouble.empty(),
                        Set.of()),
                Schools.USUAL);
    }
}
