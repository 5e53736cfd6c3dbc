package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
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
                Standardise.Standard.of(TestSchool.BENCH_LOAD, Chemistry.NMC, Optional.empty()),
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

    private static Standardised lfp(double chargeVolts) {
        Logs logs =
                new Logs()
                        .stretch(600, 10, 0.05, t -> chargeVolts)
                        .stretch(900, 10, 0, t -> chargeVolts)
                        .stretch(10, 1, -1, t -> 3.25)
                        .stretch(60, 10, 0, t -> 3.30)
                        .stretch(10_566, 10, -1, Logs.line(3.25, 2.5, 10_556));
        SampleLog log = logs.log();
        return Standardise.capacity(
                log,
                Analyse.log(log, AnalysisSettings.NONE.endingAt(2.5)),
                Standardise.Standard.of(TestSchool.BENCH_LOAD, Chemistry.LFP, Optional.empty()),
                1,
                0.01);
    }

    /// Over its plateau iron phosphate is full within a percent, whatever the charger's end.
    @ParameterizedTest
    @ValueSource(doubles = {3.65, 3.60, 3.50, 3.45, 3.40})
    void anLfpCellChargedOverItsPlateauIsFull(double chargeVolts) {
        assertEquals(2935, lfp(chargeVolts).milliampHours(), 30);
    }

    @Test
    void onThePlateauTheDoubtSaysThatNobodyKnows() {
        Standardised carried = lfp(3.335);
        assertTrue(
                carried.shares().stream()
                        .anyMatch(each -> each.correction() == Correction.CHARGE_END_ON_PLATEAU));
        assertTrue(carried.uncertaintyMilliampHours() > 290, carried::toString);
        assertTrue(carried.milliampHours() < 1.15 * 2935, carried::toString);
    }

    @Test
    void aModelOfALowerLimitLacksNothingThere() {
        CellModel model =
                new CellModel(
                        "Old 20",
                        CellFormat.parse("18650").orElseThrow(),
                        Chemistry.NMC,
                        2000,
                        2000,
                        new CellLimits(4.10, 2.75, 1, 2));
        SampleLog log = Logs.falling(1, 3.0, 4.10);
        Standardised carried =
                Standardise.capacity(
                        log,
                        Analyse.log(log, AnalysisSettings.NONE.endingAt(3.0)),
                        Standardise.Standard.of(
                                TestSchool.BENCH_LOAD, Chemistry.NMC, Optional.of(model)),
                        1,
                        0.01);
        assertTrue(carried.shares().isEmpty(), carried::toString);
    }

    /// Its own heating is no warmth it was tested in; 0.4 %/K under 25 °C, a quarter of that above.
    @ParameterizedTest(name = "from {0} °C to {1} °C: {2}")
    @CsvSource({"25, 34, 1", "25, 25, 1", "23, 23, 1.0081", "15, 24, 1.0417", "35, 40, 0.9901"})
    void theTemperatureItBeganAtCounts(double from, double to, double factor) {
        SampleLog plain = Logs.falling(1, 3.0, 4.2);
        SampleLog.Builder builder = new SampleLog.Builder();
        for (int i = 0; i < plain.size(); i++)
            builder.add(
                    plain.seconds(i),
                    plain.volts(i),
                    plain.amps(i),
                    from + (to - from) * i / plain.size());
        double carried = standardised(builder.build(), 3.0, 1).milliampHours();
        assertEquals(factor, carried / standardised(plain, 3.0, 1).milliampHours(), 1e-4);
    }

    @Test
    void aGapIsNoFlowInTheCorrectionEither() {
        SampleLog whole = Logs.falling(0.5, 2.8, 4.2);
        SampleLog.Builder builder = new SampleLog.Builder();
        for (int i = 0; i < whole.size(); i++) {
            double later = i > whole.size() / 2 ? 3600 : 0;
            builder.add(whole.seconds(i) + later, whole.volts(i), whole.amps(i), Double.NaN);
        }
        assertEquals(
                standardised(whole, 2.8, 1).milliampHours(),
                standardised(builder.build(), 2.8, 1).milliampHours(),
                2);
    }
}
