package pentacell.core.harvest;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.WarningSign;
import pentacell.core.judgement.Rule;
import pentacell.core.school.BandSchool;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.Schools;

final class DiagnoseTest {

    @ParameterizedTest(name = "{0}: {1}, groups {2}, {3}")
    // the first four rows are cases of common practice, the others follow its limits
    @CsvSource(
            delimiter = '|',
            value = {
                "4.05 3.40 4.05           | LOW_GROUP         | 2     | REPAIR",
                "0.0 4.40 0.0 4.41 0.0    | OVERCHARGED_GROUP | 2 4   | SCRAP",
                "3.90 3.92 1.32           | LOW_GROUP         | 3     | HARVEST",
                "2.10 2.12 2.09           | ALL_LOW           | 1 2 3 | REPAIR",
                "3.71 3.74 3.70           | HEALTHY           |       | USE",
                "3.90 3.90 0.02 3.91 0.01 | DEAD_GROUPS       | 3 5   | HARVEST",
                "0.10 0.0 0.05 3.6        | DEAD_GROUPS       | 1 2 3 | SCRAP",
                "0.0 0.0 0.0              | DEAD_GROUPS       | 1 2 3 | SCRAP",
                "4.10 3.98 3.87 4.08      | DRIFTED           | 2 3   | REPAIR",
                "3.90 4.31 3.92           | OVERCHARGED_GROUP | 2     | HARVEST",
                "3.85 0.0 3.86            | LOW_GROUP         | 2     | HARVEST",
                "1.50 1.52 1.49           | ALL_LOW           | 1 2 3 | REPAIR",
                // far down 0.6 V are hardly any charge: the pack is low, not one group
                "2.10 2.70 2.70           | ALL_LOW           | 1 2 3 | REPAIR",
                "1.10 2.70 2.70           | ALL_LOW           | 1 2 3 | HARVEST",
                "0.80 0.82 0.79 0.81      | ALL_LOW           | 1 2 3 4 | REPAIR",
                "0.30 0.28 0.31           | DEAD_GROUPS       | 1 2 3 | SCRAP",
                "4.07 3.81 3.79 4.02 3.78 | DRIFTED           | 2 3 5 | REPAIR",
                "3.95 3.55                | LOW_GROUP         | 2     | REPAIR",
                "3.7                      | HEALTHY           |       | USE",
                "3.60 3.62 3.61 4.02      | DRIFTED           | 1 2 3 | REPAIR",
            })
    void readingsAreNamedByTheirSignature(
            String volts, Signature signature, String groups, Advice advice) {
        Diagnosis diagnosis = Diagnose.pack(readings(volts), Schools.USUAL);
        assertEquals(signature, diagnosis.signature());
        assertEquals(numbers(groups), diagnosis.groups());
        assertEquals(advice, diagnosis.advice());
        assertFalse(diagnosis.reasons().isEmpty());
    }

    @ParameterizedTest(name = "LFP {0}: {1}, groups {2}")
    // LFP rests between 3.2 and 3.35 V and is charged to 3.65 V at most: common practice
    @CsvSource(
            delimiter = '|',
            value = {
                "3.29 3.30 3.28 3.30 | HEALTHY           |   ",
                "3.30 3.08 3.31 3.30 | LOW_GROUP         | 2 ",
                "3.30 3.30 3.98 3.31 | OVERCHARGED_GROUP | 3 ",
                "3.33 3.29 3.25 3.33 | DRIFTED           | 2 3",
                // 30 % and 70 % of charge on the rest curve
                "3.318 3.262 3.318   | DRIFTED           | 2",
                "3.315 3.315 3.265   | DRIFTED           | 3",
                "2.31 2.30 2.33      | ALL_LOW           | 1 2 3"
            })
    void lfpIsJudgedByItsOwnLimits(String volts, Signature signature, String groups) {
        PackReadings readings = PackReadings.of(Chemistry.LFP, list(volts));
        Diagnosis diagnosis = Diagnose.pack(readings, Schools.USUAL);
        assertEquals(signature, diagnosis.signature());
        assertEquals(numbers(groups), diagnosis.groups());
    }

    @ParameterizedTest(name = "{0}, pack {1}, of {2}: {3} of groups {4}")
    @CsvSource(
            delimiter = '|',
            value = {
                "3.92 -3.90 3.91      |        |   | GROUP_REVERSED    | 2",
                "3.92 7.81 3.91       |        |   | READ_ACROSS_TWO   | 2",
                "3.92 7.83 11.74      |        |   | READ_AS_TAPS      | 1 2 3",
                "2.4 4.8 7.2          |        |   | READ_AS_TAPS      | 1 2 3",
                "4.05 4.05 4.02       | 11.47  |   | SUM_DISAGREES     | 1 2",
                "3.90 3.92 3.91       | 15.62  |   | SUM_DISAGREES     | 1 2 3",
                "3.90 3.92 3.91       | -11.73 |   | SUM_DISAGREES     | 1 2 3",
                "3.90 3.91 3.91 3.88  |        | 3 | GROUPS_MISCOUNTED | 2 3",
                "3.90 3.92            |        | 3 | GROUPS_MISCOUNTED | 1 2"
            })
    void wrongReadingsAreRecognisedAsSuch(
            String volts, Double pack, Integer series, Rule rule, String groups) {
        PackReadings readings =
                new PackReadings(
                        Chemistry.NMC,
                        true,
                        list(volts),
                        series == null ? OptionalInt.empty() : OptionalInt.of(series),
                        pack == null ? OptionalDouble.empty() : OptionalDouble.of(pack),
                        OptionalDouble.empty(),
                        Set.of());
        Diagnosis diagnosis = Diagnose.pack(readings, Schools.USUAL);
        assertEquals(Signature.READING_ERROR, diagnosis.signature());
        assertEquals(Advice.READ_AGAIN, diagnosis.advice());
        assertEquals(rule, diagnosis.reasons().get(0).rule());
        assertEquals(numbers(groups), diagnosis.groups());
    }

    @Test
    void aTableWithAGroupTwiceOrNotAtAllIsAReadingError() {
        Diagnosis twice = table(1, 3.9, 2, 3.4, 2, 3.9, 3, 3.9);
        assertEquals(Signature.READING_ERROR, twice.signature());
        assertEquals(List.of(2), twice.groups());
        Diagnosis gap = table(1, 3.9, 2, 3.9, 5, 3.9);
        assertEquals(Signature.READING_ERROR, gap.signature());
        assertEquals(List.of(3, 4), gap.groups());
        assertEquals(List.of(2), table(3, 3.9, 2, 3.4, 1, 3.9, 2, 3.401).groups(), "in any order");
    }

    private static Diagnosis table(double... groupAndVolts) {
        List<TableReading> table =
                IntStream.range(0, groupAndVolts.length / 2)
                        .mapToObj(i ->
                                new TableReading(
                                        (int) groupAndVolts[2 * i], groupAndVolts[2 * i + 1]))
                        .toList();
        return Diagnose.table(table, volts -> PackReadings.of(Chemistry.NMC, volts), Schools.USUAL);
    }

    @Test
    void tapsReadFromTheNegativeAreTurnedIntoGroups() {
        String sentence =
                Diagnose.pack(readings("3.92 7.83 11.74"), Schools.USUAL)
                        .reasons()
                        .get(0)
                        .sentence();
        assertTrue(sentence.contains("3.920, 3.910, 3.910 V"), sentence);
    }

    @Test
    void goodGroupsAndNoOutputAreADeadBoard() {
        Diagnosis diagnosis = judge("3.90 3.92 3.91", 11.73, 0.3);
        assertEquals(Signature.BOARD_DEAD, diagnosis.signature());
        assertEquals(Sureness.SURE, diagnosis.sureness());
        assertEquals(Signature.HEALTHY, judge("3.90 3.92 3.91", 11.73, 11.7).signature());
        // with a low group the protection is right to hold back
        assertEquals(Signature.LOW_GROUP, judge("3.90 2.92 3.91", 10.73, 0.0).signature());
    }

    @Test
    void aChargerThatRefusesAGoodPackPointsToTheBoardUnlessThePackIsFull() {
        Set<WarningSign> refuses = EnumSet.of(WarningSign.CHARGER_REFUSES);
        assertEquals(
                Signature.BOARD_DEAD, judge("3.70 3.71 3.70", refuses, Schools.USUAL).signature());
        assertEquals(
                Signature.HEALTHY, judge("4.15 4.16 4.15", refuses, Schools.USUAL).signature());
    }

    @Test
    void fourLfpGroupsThatRestFullMayRefuseTheChargerRightly() {
        Set<WarningSign> refuses = EnumSet.of(WarningSign.CHARGER_REFUSES);
        for (double volts : new double[] {3.33, 3.34, 3.40})
            assertEquals(
                    Signature.HEALTHY,
                    Diagnose.pack(lfp(Collections.nCopies(4, volts), refuses), Schools.USUAL)
                            .signature());
        assertEquals(
                Signature.BOARD_DEAD,
                Diagnose.pack(lfp(Collections.nCopies(4, 3.28), refuses), Schools.USUAL)
                        .signature());
    }

    private static PackReadings lfp(List<Double> volts, Set<WarningSign> signs) {
        return new PackReadings(
                Chemistry.LFP,
                true,
                volts,
                OptionalInt.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                signs);
    }

    @Test
    void aBoardIsWokenBeforeItIsCalledDead() {
        assertTrue(hasReason(judge("3.90 3.92 3.91", 11.73, 0.3), Rule.WAKE_BOARD_FIRST));
    }

    @Test
    void deadGroupsAreNamedBesideOverchargedOnes() {
        Diagnosis diagnosis = Diagnose.pack(readings("0.0 4.40 0.0 4.41 0.0"), Schools.USUAL);
        assertEquals(
                3,
                diagnosis.reasons().stream()
                        .filter(each -> each.rule() == Rule.GROUP_DEAD)
                        .count());
    }

    /// The strict school recycles what the others bring up slowly.
    @ParameterizedTest
    @CsvSource({
        "0.80, STRICT, SCRAP",
        "0.80, USUAL, REPAIR",
        "0.80, RESCUE, REPAIR",
        "1.50, STRICT, SCRAP",
        "1.50, USUAL, REPAIR",
        "2.70, STRICT, SCRAP"
    })
    void theSchoolDecidesOnAPackThatSankTogether(double volts, String school, Advice advice) {
        Schools schools =
                Schools.USUAL.with(
                        switch (school) {
                            case "STRICT" -> BandSchool.STRICT_NMC;
                            case "RESCUE" -> BandSchool.RESCUE_NMC;
                            default -> BandSchool.USUAL_NMC;
                        });
        PackReadings ten = PackReadings.of(Chemistry.NMC, Collections.nCopies(10, volts));
        Diagnosis diagnosis = Diagnose.pack(ten, schools);
        assertEquals(Signature.ALL_LOW, diagnosis.signature());
        assertEquals(advice, diagnosis.advice());
        assertEquals(
                advice == Advice.REPAIR,
                hasReason(diagnosis, Rule.DEEP_PACK_IS_PROVED)
                        && Repair.plans(ten, diagnosis, OptionalDouble.of(4), 2, schools).size()
                                == 10);
    }

    private static boolean hasReason(Diagnosis diagnosis, Rule rule) {
        return diagnosis.reasons().stream().anyMatch(each -> each.rule() == rule);
    }

    @Test
    void withoutBalanceLeadsLessDriftTellsAndRepairDoesNotLast() {
        Set<WarningSign> noLeads = EnumSet.of(WarningSign.NO_BALANCE_LEADS);
        assertEquals(
                Signature.HEALTHY, judge("3.90 3.97 3.92", Set.of(), Schools.USUAL).signature());
        Diagnosis diagnosis = judge("3.90 3.97 3.92", noLeads, Schools.USUAL);
        assertEquals(Signature.DRIFTED, diagnosis.signature());
        assertEquals(Advice.HARVEST, diagnosis.advice());
    }

    @ParameterizedTest
    @EnumSource(WarningSign.class)
    void aSwollenWetCorrodedOrWarmPackIsNeverChargedOrUsedAgain(WarningSign sign) {
        Advice low = judge("4.05 3.40 4.05", EnumSet.of(sign), Schools.USUAL).advice();
        Advice good = judge("3.90 3.91 3.90", EnumSet.of(sign), Schools.USUAL).advice();
        if (sign.forbidsRepair()) {
            assertEquals(Advice.HARVEST, low);
            assertEquals(Advice.HARVEST, good);
        } else {
            assertNotEquals(Advice.READ_AGAIN, low);
        }
    }

    @Test
    void theSchoolDecidesBetweenRepairAndHarvest() {
        Schools harvest = Schools.USUAL.with(RepairSchool.HARVEST_ALWAYS);
        Diagnosis diagnosis = judge("4.05 3.40 4.05", Set.of(), harvest);
        assertEquals(Advice.HARVEST, diagnosis.advice());
        assertTrue(
                diagnosis.reasons().stream()
                        .anyMatch(reason -> reason.rule() == Rule.SCHOOL_HARVESTS));
        // the rescue school's floor lets a group at 1.32 V be tried
        Schools rescue = Schools.USUAL.with(BandSchool.RESCUE_NMC);
        assertEquals(Advice.REPAIR, judge("3.90 3.92 1.32", Set.of(), rescue).advice());
        Schools strict = Schools.USUAL.with(BandSchool.STRICT_NMC);
        assertEquals(Advice.HARVEST, judge("3.90 3.92 2.70", Set.of(), strict).advice());
    }

    @Test
    void surenessFollowsTheMarginAndTheConfirmation() {
        assertEquals(Sureness.SURE, judge("4.05 3.40 4.05", 11.5, 0).sureness());
        assertEquals(
                Sureness.LIKELY,
                Diagnose.pack(readings("4.05 3.40 4.05"), Schools.USUAL).sureness());
        assertEquals(Sureness.POSSIBLE, judge("4.05 3.74 4.05", 11.84, 0).sureness());
    }

    @Test
    void theLimitItselfIsStillAlike() {
        assertEquals(
                Signature.DRIFTED,
                Diagnose.pack(readings("4.05 3.75 4.05"), Schools.USUAL).signature(),
                "0.30 V under the others is not more than 0.30 V");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void turningThePackRoundTurnsTheGroupNumbersAndNothingElse(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int round = 0; round < 200; round++) {
            int count = 1 + random.nextInt(14);
            Double[] volts = new Double[count];
            double level = 2.5 + 1.8 * random.nextDouble();
            for (int i = 0; i < count; i++)
                volts[i] =
                        switch (random.nextInt(10)) {
                            case 0 -> 0.02 * random.nextInt(20);
                            case 1 -> level - random.nextDouble();
                            default -> level + 0.05 * random.nextDouble();
                        };
            List<Double> forward = Arrays.asList(volts);
            Diagnosis one = Diagnose.pack(PackReadings.of(Chemistry.NMC, forward), Schools.USUAL);
            Collections.reverse(forward);
            Diagnosis other = Diagnose.pack(PackReadings.of(Chemistry.NMC, forward), Schools.USUAL);
            String where = "seed " + seed + ": " + forward;
            assertEquals(one.signature(), other.signature(), where);
            assertEquals(one.advice(), other.advice(), where);
            assertEquals(
                    one.groups(),
                    other.groups().stream().map(group -> count + 1 - group).sorted().toList(),
                    where);
        }
    }

    @Test
    void anythingButReadingsIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> readings(""));
        assertThrows(
                IllegalArgumentException.class,
                () -> PackReadings.of(Chemistry.NMC, List.of(Double.NaN)));
    }

    @Test
    void aLongStringIsReadToTheEnd() {
        List<Double> volts =
                IntStream.rangeClosed(1, 96).mapToObj(group -> group == 77 ? 3.1 : 3.8).toList();
        assertEquals(
                List.of(77),
                Diagnose.pack(PackReadings.of(Chemistry.NMC, volts), Schools.USUAL).groups());
    }

    private static Diagnosis judge(String volts, double pack, double output) {
        return Diagnose.pack(
                new PackReadings(
                        Chemistry.NMC,
                        true,
                        list(volts),
                        OptionalInt.empty(),
                        OptionalDouble.of(pack),
                        OptionalDouble.of(output),
                        Set.of()),
                Schools.USUAL);
    }

    private static Diagnosis judge(String volts, Set<WarningSign> signs, Schools schools) {
        return Diagnose.pack(
                new PackReadings(
                        Chemistry.NMC,
                        true,
                        list(volts),
                        OptionalInt.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        signs),
                schools);
    }

    private static PackReadings readings(String volts) {
        return PackReadings.of(Chemistry.NMC, list(volts));
    }

    private static List<Double> list(String volts) {
        return Arrays.stream(volts.strip().split(" +"))
                .filter(text -> !text.isEmpty())
                .map(Double::valueOf)
                .toList();
    }

    private static List<Integer> numbers(String groups) {
        return groups == null
                ? List.of()
                : Arrays.stream(groups.strip().split(" +")).map(Integer::valueOf).toList();
    }
}
