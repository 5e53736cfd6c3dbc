package pentacell.field;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.field.FieldPack.Family;
import pentacell.field.FieldPack.Use;
import pentacell.field.truth.CellLogTruth;
import pentacell.field.truth.DonorTruth;
import pentacell.field.truth.LoadTestTruth;
import pentacell.field.truth.PlugTruth;
import pentacell.field.truth.SignTruth;
import pentacell.field.truth.SignTruth.Convention;
import pentacell.field.truth.TruthOutcome;
import pentacell.field.truth.TruthTable;

/// What is said on the bench of donors, single cells, plugs and load tests, and of the sign of a
/// current, each with something hidden that the program must find.
@Tag("exhaustive")
final class BenchTruthTest {
    private static final long SEED = 1;

    @ParameterizedTest
    @EnumSource(FieldDonor.Hidden.class)
    @DisplayName("donors are judged rightly, and none is put back into use that should not be")
    void aDonor(FieldDonor.Hidden hidden) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (int number = 0; number < 40; number++)
                outcomes.add(DonorTruth.of(family, hidden, SEED, number));
        // the sum of many groups is read no better than what one of them lacks
        int missed = hidden == FieldDonor.Hidden.READ_TWICE ? 12 : 1;
        assertAtMost(missed, outcomes);
    }

    @ParameterizedTest
    @EnumSource(CellLoad.class)
    @DisplayName("capacity, resistance and the end of the charge, whatever the load and the sign")
    void aCell(CellLoad load) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (double seconds : new double[] {1, 10})
                for (int number = 0; number < 2; number++)
                    outcomes.add(CellLogTruth.of(family, load, seconds, SEED, number));
        assertAtMost(0, outcomes);
    }

    @ParameterizedTest
    @EnumSource(FieldPlug.Hidden.class)
    @DisplayName("mistakes of a plug are named, and nothing wrong is called safe")
    void aPlug(FieldPlug.Hidden hidden) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (int number = 0; number < 100; number++)
                outcomes.add(PlugTruth.of(family, hidden, SEED, number));
        assertTrue(
                outcomes.stream()
                        .flatMap(each -> each.wrong().stream())
                        .noneMatch(wrong -> wrong.startsWith("unsafe")),
                () -> TruthTable.of(outcomes).markdown());
        // two pairs of five leads may be the whole row reversed
        assertAtMost(2, outcomes);
    }

    @ParameterizedTest
    @EnumSource(Use.class)
    @DisplayName("the sign of the current is told from the voltages, whatever the use")
    void theSignOfACurrent(Use use) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (Convention convention : Convention.values())
                for (double seconds : new double[] {10, 60, 300, 900}) {
                    // without a sign, flat voltages and long intervals do not tell
                    boolean cannotTell = seconds > 60 || family == Family.LFP;
                    boolean givesBack = use == Use.RIDE_WITH_REGENERATION && seconds > 10;
                    if (convention == Convention.WITHOUT_SIGN && (cannotTell || givesBack))
                        continue;
                    outcomes.add(SignTruth.of(family, use, seconds, convention, SEED, 0));
                }
        assertAtMost(0, outcomes);
    }

    @ParameterizedTest(name = "{0} every {2} s, {1}, fast part {3}: within {4} %")
    @DisplayName(
            "resistance at once, from steps, at 1 mV of noise; what comes in 30 s is in it too")
    @CsvSource({
        "NMC, PULSES, 0.2, true, 1",
        "NMC, PULSES, 1, true, 1",
        "NMC, RIDE, 1, true, 1",
        "NMC, RIDE, 10, true, 8",
        // nothing tells here what was there at once and what came within 30 s
        "NMC, PULSES, 10, true, 8",
        "NMC, PULSES, 30, true, 25",
        "NMC, PULSES, 10, false, 1",
        "NMC, PULSES, 30, false, 2",
        "LFP, PULSES, 0.2, true, 1",
        "LFP, PULSES, 1, true, 1",
        "LFP, RIDE, 1, true, 1",
        "LFP, PULSES, 10, true, 8",
        "LFP, PULSES, 30, true, 25",
        "LFP, PULSES, 10, false, 1",
        "LFP, PULSES, 30, false, 2"
    })
    void theResistanceOfAPack(
            Family family, PackLoad load, double seconds, boolean hasFast, double percent) {
        for (int number = 0; number < 6; number++) {
            TruthOutcome outcome =
                    LoadTestTruth.resistance(family, load, seconds, hasFast, SEED, number);
            double error = 100 * outcome.error().orElse(Double.NaN);
            assertTrue(Math.abs(error) < percent, () -> outcome + ": " + error + " %");
        }
    }

    @ParameterizedTest
    @EnumSource(LoadTestTruth.Hidden.class)
    @DisplayName("why a group falls short in a load test, and that no other does")
    void whyAGroupFallsShort(LoadTestTruth.Hidden hidden) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (double seconds : new double[] {1, 10, 30})
                for (int number = 0; number < 3; number++)
                    outcomes.add(LoadTestTruth.cause(family, hidden, seconds, SEED, number));
        assertAtMost(2, outcomes);
    }

    @Test
    @DisplayName("the same seed gives the same packs and the same words")
    void sameSeedSameTable() {
        assertEquals(
                DonorTruth.of(Family.LFP, FieldDonor.Hidden.DRIFTED, 5, 3),
                DonorTruth.of(Family.LFP, FieldDonor.Hidden.DRIFTED, 5, 3));
    }

    private static void assertAtMost(int most, List<TruthOutcome> outcomes) {
        long odd =
                outcomes.stream()
                        .filter(each -> !each.isRight() || !each.wrong().isEmpty())
                        .count();
        assertTrue(odd <= most, () -> TruthTable.of(outcomes).markdown());
    }
}
