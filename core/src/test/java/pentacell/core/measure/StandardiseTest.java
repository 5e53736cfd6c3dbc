package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact.Correction;
import pentacell.core.measure.Standardise.Standardised;
import pentacell.core.school.TestSchool;

/// Capacities carried over to standard conditions (1 A to 3.0 V from 4.2 V).
final class StandardiseTest {
    private static Standardised standardised(SampleLog log, double endVolts, double gain) {
        return Standardise.capacity(
                log,
                Analyse.log(log, AnalysisSettings.NONE.endingAt(endVolts)),
                TestSchool.BENCH_LOAD,
                Chemistry.NMC,
                OptionalDouble.of(2000),
                gain,
                0.01);
    }

    @Test
    void atStandardConditionsNothingChanges() {
        Standardised same = standardised(Logs.falling(1, 3.0, 4.2), 3.0, 1);
        assertTrue(same.shares().isEmpty(), () -> same.toString());
        assertEquals(1100, same.milliampHours(), 2);
        assertEquals(11, same.uncertaintyMilliampHours(), 0.1);
    }

    /// With 100 mΩ, 1 A to 3.0 V ends at 3.1 V open circuit: 1100 mAh, whatever the test was.
    @ParameterizedTest
    @CsvSource({"0.5, 2.8", "0.5, 3.0", "1, 2.8", "2, 2.8", "0.2, 2.5"})
    void otherRatesAndEndsComeToTheSame(double amps, double endVolts) {
        Standardised carried = standardised(Logs.falling(amps, endVolts, 4.2), endVolts, 1);
        assertEquals(1100, carried.milliampHours(), 3, carried::toString);
    }

    @Test
    void aBayThatReadsHighIsBroughtDown() {
        Standardised carried = standardised(Logs.falling(1, 3.0, 4.2), 3.0, 1 / 1.03);
        assertEquals(1100 / 1.03, carried.milliampHours(), 2);
        assertEquals(Correction.BAY_GAIN, carried.shares().get(0).correction());
    }

    @Test
    void aCellChargedToLessLacksAFewPercent() {
        SampleLog log = Logs.falling(1, 3.0, 4.16);
        Standardised carried = standardised(log, 3.0, 1);
        double raw =
                Analyse.log(log, AnalysisSettings.NONE.endingAt(3.0))
                        .discharge()
                        .orElseThrow()
                        .milliampHours();
        assertEquals(Correction.CHARGE_END, carried.shares().get(0).correction());
        // 40 mV under full are 3 to 4 % on our own rest curve
        assertEquals(1.034, carried.milliampHours() / raw, 0.005);
        assertTrue(carried.uncertaintyMilliampHours() > 0.0101 * raw, "the doubt grows");
    }
}
