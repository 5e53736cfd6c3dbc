package pentacell.instruments.simulated;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.measure.TestProgramme;
import pentacell.core.school.TestSchool;
import pentacell.core.test.PhaseTimes;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Programme;
import pentacell.workshop.demo.TarnHollow;

/// How long a test takes by prediction, from capacity, resistance and first voltage, against the
/// second-by-second run of the same cell in a stand-in. The two share no code but the programme:
/// the prediction has a rest curve and no slow pair, the stand-in its own curve and one.
@Tag("exhaustive")
final class PredictedTimesTest {
    static Stream<Integer> seeds() {
        return IntStream.range(0, 24).boxed();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aTestTakesAsLongAsPredicted(int seed) {
        Random random = new Random(seed);
        Chemistry chemistry = seed % 4 == 3 ? Chemistry.LFP : Chemistry.NMC;
        double rated = 1400 + 1600 * random.nextDouble();
        double capacity = rated * (0.7 + 0.3 * random.nextDouble());
        double ohms = 0.03 + 0.07 * random.nextDouble();
        double share = 0.1 + 0.6 * random.nextDouble();
        Optional<CellModel> model =
                Optional.of(
                        CellModel.rated(
                                "Quill Q22",
                                CellFormat.parse("18650").orElseThrow(),
                                chemistry,
                                rated));
        VirtualCell cell = new VirtualCell(CellTruth.sound(chemistry, capacity, ohms, share));
        double volts = cell.volts(0);
        Bay bay = StandIn.FOUR_SLOT.bays("Charger A").get(0);
        TestSchool policy = TestSchool.SHIPPED.get(seed % TestSchool.SHIPPED.size());
        Programme programme =
                TestProgramme.of(waiting(chemistry), model, policy, bay, OptionalDouble.empty());
        SlotRun run = new SlotRun("R", programme, SlotTruth.GOOD, cell, new Random(seed));
        run.pass(1e7);
        assertEquals("done", run.how());
        double predicted = PhaseTimes.seconds(programme, chemistry, volts, capacity, ohms);
        assertEquals(1, predicted / run.seconds(), 0.1, () -> chemistry + " " + policy.name());
    }

    /// Some waiting cell of the demo; only its instruction matters: a normal test.
    private static WaitingForTest waiting(Chemistry chemistry) {
        WaitingForTest any =
                WaitingForTest.of(TarnHollow.state(TarnHollow.journal())).stream()
                        .filter(each -> each.instruction().slowUntilVolts().isEmpty())
                        .findFirst()
                        .orElseThrow();
        return new WaitingForTest(any.cell(), chemistry, any.instruction());
    }
}
