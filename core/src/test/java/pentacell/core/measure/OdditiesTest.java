package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static pentacell.core.measure.Logs.line;

import java.util.List;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Oddity;
import pentacell.core.judgement.Rule;

/// Where the line runs between what is told and what is passed over, and with which figures.
@DisplayName("what is odd in a curve")
final class OdditiesTest {

    /// A discharge at 1 A, sampled every 10 s for half an hour; voltage and current by sample.
    private static SampleLog discharge(IntToDoubleFunction volts, IntToDoubleFunction amps) {
        Logs logs = new Logs();
        for (int i = 0; i < 180; i++)
            logs.sample(10.0 * i, volts.applyAsDouble(i), amps.applyAsDouble(i));
        return logs.log();
    }

    private static SampleLog steady(IntToDoubleFunction volts) {
        return discharge(volts, i -> -1);
    }

    private static List<Anomaly> odd(SampleLog log, AnalysisSettings settings) {
        return Analyse.log(log, settings).anomalies();
    }

    /// An end under the last voltage by less than counts as stopping early.
    private static final AnalysisSettings TO_THE_END = AnalysisSettings.NONE.endingAt(3.3);

    private static List<Anomaly> jumps(SampleLog log) {
        return odd(log, AnalysisSettings.NONE).stream()
                .filter(each -> each.reason().rule() == Rule.VOLTAGE_JUMPED)
                .toList();
    }

    private static void assertTold(
            Anomaly told, Oddity kind, double atSeconds, double figure, double limit) {
        assertEquals(kind, told.kind());
        assertEquals(atSeconds, told.atSeconds(), 1e-9);
        assertEquals(figure, told.reason().figure(), 1e-6);
        assertEquals(limit, told.reason().limit(), 1e-6);
    }

    /// The voltage falls by `fall` mV a sample and drops by `drop` mV more at the 90th.
    @ParameterizedTest(name = "falling {0} mV a sample, {1} mV at once: told {2}")
    @CsvSource({
        "0, 29, false",
        "0, 31, true",
        "-2, -31, true",
        "8, 31, false",
        "8, 48, true",
        "4, 25, false"
    })
    void aJumpStandsOutFromTheSlopeAroundIt(double fall, double drop, boolean isTold) {
        SampleLog log = steady(i -> 3.9 - fall * i / 1000 - (i >= 90 ? drop / 1000 : 0));
        List<Anomaly> told = jumps(log);
        assertEquals(isTold ? 1 : 0, told.size(), told::toString);
        if (isTold) assertTold(told.get(0), Oddity.CONTACT_BLIP, 900, Math.abs(fall + drop), 30);
    }

    @Test
    void jumpsOneAfterTheOtherAreOneFault() {
        assertEquals(1, jumps(steady(i -> i < 90 ? 3.9 : i < 100 ? 3.85 : 3.8)).size());
        assertEquals(2, jumps(steady(i -> i < 90 ? 3.9 : i < 102 ? 3.85 : 3.8)).size());
    }

    /// A dip for one sample is told with its first edge; the slope of one neighbour is no slope.
    @Test
    void aDipIsToldAtItsFirstEdge() {
        List<Anomaly> told = jumps(steady(i -> i == 90 ? 3.8 : 3.9));
        assertEquals(1, told.size());
        assertTold(told.get(0), Oddity.CONTACT_BLIP, 900, 100, 30);
    }

    /// At the ends of a step there is nothing to hold a jump against.
    @ParameterizedTest
    @CsvSource({"1, 0", "2, 1", "177, 1", "178, 0", "179, 0"})
    void jumpsAtTheVeryEndsOfAStepAreNotLookedAt(int at, int times) {
        assertEquals(times, jumps(steady(i -> i < at ? 3.9 : 3.8)).size());
    }

    /// The current changes by `percent` two samples from the jump: with the current the voltage may
    /// jump as well.
    @ParameterizedTest(name = "the current changes by {0} % {1} samples on: told {2}")
    @CsvSource({
        "2, 0, true",
        "5, 0, false",
        "5, 2, false",
        "5, -1, false",
        "5, 3, true",
        "5, -2, true"
    })
    void aJumpOfTheCurrentExplainsOneOfTheVoltage(double percent, int samplesOn, boolean isTold) {
        SampleLog log =
                discharge(
                        i -> i < 90 ? 3.9 : 3.8, i -> i < 90 + samplesOn ? -1 : -1 - percent / 100);
        assertEquals(isTold ? 1 : 0, jumps(log).size());
    }

    @Test
    void aCurrentOfAFewMilliampsMayWaverByTen() {
        assertEquals(
                1,
                jumps(discharge(i -> i < 90 ? 3.9 : 3.8, i -> i % 2 == 0 ? -0.032 : -0.04)).size());
        assertEquals(
                0,
                jumps(discharge(i -> i < 90 ? 3.9 : 3.8, i -> i % 2 == 0 ? -0.032 : -0.05)).size());
    }

    /// One sample without current in the middle, and a jump of the voltage some samples from it.
    @ParameterizedTest(name = "{0} samples on: told {1} times")
    @CsvSource({"-4, 1", "-3, 1", "-1, 0", "1, 0", "4, 0", "5, 1", "9, 1"})
    void afterALostContactTheVoltageFindsItsWay(int samplesOn, int times) {
        SampleLog log = discharge(i -> i < 90 + samplesOn ? 3.9 : 3.8, i -> i == 90 ? 0 : -1);
        assertEquals(times, jumps(log).size());
        Anomaly blip =
                odd(log, AnalysisSettings.NONE).stream()
                        .filter(each -> each.kind() == Oddity.CONTACT_BLIP)
                        .filter(each -> each.reason().rule() != Rule.VOLTAGE_JUMPED)
                        .findFirst()
                        .orElseThrow();
        assertTold(blip, Oddity.CONTACT_BLIP, 900, 10, 20);
    }

    @Test
    void whatIsOddIsToldInTheOrderOfTime() {
        SampleLog log = discharge(i -> i < 40 ? 3.9 : 3.8 - 1e-4 * i, i -> i == 90 ? 0 : -1);
        assertEquals(
                List.of(400.0, 900.0, 1790.0),
                odd(log, AnalysisSettings.NONE).stream().map(Anomaly::atSeconds).toList());
    }

    /// A pause of `seconds` between samples of 5 s, at these currents before and after.
    @ParameterizedTest(name = "{0} s between {1} and {2} A: told {3}")
    @CsvSource({
        "59, -1, -1, false",
        "61, -1, -1, true",
        "61, -1, 0, false",
        "61, 0, -1, false",
        "61, 0.02, 0.02, true",
        "61, 0.01, 0.01, false"
    })
    void aGapWhileCurrentFlowsIsTold(double seconds, double before, double after, boolean isTold) {
        Logs logs = new Logs().stretch(600, 5, before, t -> 3.7);
        for (int i = 0; i < 100; i++) logs.sample(595 + seconds + 5 * i, 3.7, after);
        List<Anomaly> told =
                odd(logs.log(), AnalysisSettings.NONE).stream()
                        .filter(each -> each.kind() == Oddity.TIME_GAP)
                        .toList();
        assertEquals(isTold ? 1 : 0, told.size());
        if (isTold) assertTold(told.get(0), Oddity.TIME_GAP, 595, seconds, 60);
    }

    private static List<Anomaly> rises(SampleLog log) {
        return odd(log, TO_THE_END).stream()
                .filter(each -> each.kind() == Oddity.RISES_UNDER_LOAD)
                .toList();
    }

    /// Falling to 3.5 V at sample 60, then rising by 2 mV a sample up to `rise` mV, then falling.
    private static double valley(int i, double rise) {
        if (i < 60) return 3.8 - 0.005 * i;
        return 3.5 + Math.min(rise, 2 * (i - 60)) / 1000 - Math.max(0, i - 60 - rise / 2) * 0.002;
    }

    @ParameterizedTest(name = "up {0} mV: told {1}")
    @CsvSource({"14, false", "16, false", "18, true", "30, true"})
    void aVoltageThatRisesUnderLoadIsTold(double rise, boolean isTold) {
        List<Anomaly> told = rises(steady(i -> valley(i, rise)));
        assertEquals(isTold ? 1 : 0, told.size());
        // told at the lowest point, with the first rise over the limit that lasts two samples
        if (isTold) assertTold(told.get(0), Oddity.RISES_UNDER_LOAD, 600, 16, 15);
    }

    /// The first two minutes after a start or a change of current are not looked at.
    @Test
    void aCellThatWarmsUpMayRise() {
        assertEquals(
                0, rises(steady(i -> i < 12 ? 3.6 + 0.01 * i : 3.72 - 0.002 * (i - 12))).size());
        assertEquals(
                1, rises(steady(i -> i < 24 ? 3.6 + 0.01 * i : 3.84 - 0.002 * (i - 24))).size());
        IntToDoubleFunction halved = i -> i < 60 ? -1 : -0.5;
        assertEquals(
                0,
                rises(discharge(i -> i < 60 ? 3.8 - 0.005 * i : 3.6 - 0.001 * i, halved)).size());
        assertEquals(
                0,
                rises(
                                discharge(
                                        i ->
                                                i < 60
                                                        ? 3.8 - 0.005 * i
                                                        : 3.5 + 0.005 * Math.min(12, i - 60),
                                        halved))
                        .size());
        assertEquals(
                1, rises(discharge(i -> i < 60 ? 3.8 : 3.5 + 0.001 * (i - 60), halved)).size());
    }

    @Test
    void aDipIsNotToldAgainAsARise() {
        SampleLog dip = steady(i -> i >= 90 && i < 94 ? 3.4 : 3.9 - 0.001 * i);
        assertEquals(0, rises(dip).size());
        assertEquals(1, jumps(dip).size());
    }

    /// A discharge from 4.1 V to `last` V that was to end at `end` V.
    @ParameterizedTest(name = "to {0} V instead of {1} V: told {2}")
    @CsvSource({"3.09, 3.0, false", "3.12, 3.0, true", "2.95, 3.0, false", "2.95, 2.8, true"})
    void aStopFarOverTheEndIsEarly(double last, double end, boolean isTold) {
        List<Anomaly> told =
                odd(
                        new Logs().stretch(1800, 5, -1, line(4.1, last, 1795)).log(),
                        AnalysisSettings.NONE.endingAt(end));
        assertEquals(isTold ? 1 : 0, told.size(), told::toString);
        if (isTold) assertTold(told.get(0), Oddity.STOPPED_EARLY, 1795, last, end);
    }

    /// Without a stated end; iron phosphate begins too low to be held against 3.3 V.
    @ParameterizedTest(name = "from {0} to {1} V: told {2}")
    @CsvSource({"4.1, 3.35, true", "4.1, 3.25, false", "3.7, 3.35, false", "3.8, 3.35, true"})
    void withoutAnEndAHighStopIsEarly(double first, double last, boolean isTold) {
        List<Anomaly> told =
                odd(
                        new Logs().stretch(1800, 5, -1, line(first, last, 1795)).log(),
                        AnalysisSettings.NONE);
        assertEquals(isTold ? 1 : 0, told.size(), told::toString);
        if (isTold) assertTold(told.get(0), Oddity.STOPPED_EARLY, 1795, last, 3.3);
    }

    /// An hour at 1 A is 1000 mAh; far under the rating counts only when the cell was emptied.
    @ParameterizedTest(name = "1000 mAh of {0} mAh, ended at {1} V: {2}")
    @CsvSource({
        "960, 3.0, ",
        "945, 3.0, OVER_RATING",
        "3200, 3.0, ",
        "3400, 3.0, FAR_UNDER_RATING",
        "3400, 3.08, "
    })
    void aCapacityFarFromTheRatingIsTold(double rated, double last, Oddity told) {
        List<Anomaly> odd =
                odd(
                        new Logs().stretch(3605, 5, -1, line(4.1, last, 3600)).log(),
                        AnalysisSettings.NONE.endingAt(3.0).rated(rated));
        assertEquals(
                told == null ? List.of() : List.of(told), odd.stream().map(Anomaly::kind).toList());
        if (told != null)
            assertTold(
                    odd.get(0), told, 3600, 100_000 / rated, told == Oddity.OVER_RATING ? 105 : 30);
    }

    @Test
    void aChargeOverTheLimitIsToldAtItsHighest() {
        List<Anomaly> told =
                odd(
                        new Logs()
                                .stretch(600, 10, 1, line(4.0, 4.3, 600))
                                .stretch(600, 10, 0.5, line(4.3, 4.2, 600))
                                .log(),
                        AnalysisSettings.NONE);
        assertEquals(1, told.size());
        assertTold(told.get(0), Oddity.OVERCHARGED, 600, 4.3, 4.2);
    }
}
