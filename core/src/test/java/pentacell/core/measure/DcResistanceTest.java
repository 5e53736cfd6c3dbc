package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.measure.DcResistance.Method;

/// A cell at 3.8 V whose voltage follows the current over so many mΩ at once.
@DisplayName("resistance from steps of current")
final class DcResistanceTest {
    private static Logs flows(Logs logs, double seconds, double amps, double milliohms) {
        return logs.stretch(seconds, 1, amps, t -> 3.8 + amps * milliohms / 1000);
    }

    private static Optional<DcResistance> read(Logs logs) {
        return DcResistance.of(logs.log(), List.of());
    }

    /// IEC 61960-3 (from memory): 10 s at 0.2 It, then 1 s at 1 It; R = (U1 − U2) / (I2 − I1). The
    /// first current flows 5 to 30 s, the second up to 5 s and at least twice as strong.
    @ParameterizedTest(name = "{0} s at {1} A, {2} s at {3} A: {4}")
    @CsvSource({
        "10, -0.4, 2, -2, TWO_STEP",
        "6, -0.4, 2, -2, TWO_STEP",
        "5, -0.4, 2, -2, PULSE",
        "31, -0.4, 2, -2, TWO_STEP",
        "33, -0.4, 2, -2, PULSE",
        "10, -0.4, 6, -2, TWO_STEP",
        "10, -0.4, 8, -2, PULSE",
        "10, -0.4, 2, -0.8, TWO_STEP",
        "10, -0.4, 2, -0.7, PULSE",
        "10, 0.4, 2, -2, PULSE"
    })
    void theTwoStepPattern(
            double firstSeconds, double first, double secondSeconds, double second, Method method) {
        Logs logs = flows(new Logs(), 60, 0, 70);
        flows(logs, firstSeconds, first, 70);
        flows(logs, secondSeconds, second, 70);
        DcResistance found = read(flows(logs, 60, 0, 70)).orElseThrow();
        assertEquals(method, found.method());
        assertEquals(70, found.milliohms(), 1e-6);
        assertEquals(0, found.spreadMilliohms(), 1e-6);
        if (method == Method.TWO_STEP) {
            assertEquals(secondSeconds, found.seconds(), 1e-9);
            assertEquals(1, found.edges());
        } else assertEquals(1, found.seconds(), 1e-9);
    }

    /// Each pulse has two edges; of an even number the middle of the two middle ones counts.
    @Test
    void theMiddleOfThePulsesCounts() {
        Logs logs = flows(new Logs(), 60, 0, 0);
        for (double milliohms : new double[] {50, 60, 90}) {
            flows(logs, 20, -1, milliohms);
            flows(logs, 60, 0, 0);
        }
        DcResistance found = read(logs).orElseThrow();
        // 50 50 60 60 90 90; an edge to the next pulse is an edge from this one's rest
        assertEquals(60, found.milliohms(), 1e-6);
        assertEquals(40, found.spreadMilliohms(), 1e-6);
        assertEquals(Method.PULSE, found.method());
    }

    @Test
    void ofTwoValuesTheMeanIsTheMiddle() {
        Logs logs = new Logs().stretch(60, 1, 0, t -> 3.8).stretch(20, 1, -1, t -> 3.75);
        DcResistance found = read(logs.stretch(60, 1, 0, t -> 3.81)).orElseThrow();
        assertEquals(55, found.milliohms(), 1e-6);
        assertEquals(10, found.spreadMilliohms(), 1e-6);
        assertEquals(2, found.edges());
    }

    /// What is no step: a small one, one of a long level, one that the voltage goes against.
    @ParameterizedTest(name = "{0} s at {1} A: {2}")
    @CsvSource({
        "20, -0.06, true",
        "20, -0.04, false",
        "90, -1, true",
        "92, -1, false",
        "20, 1, true"
    })
    void onlyAShortCurrentIsAPulse(double seconds, double amps, boolean isRead) {
        Logs logs = flows(flows(flows(new Logs(), 200, 0, 80), seconds, amps, 80), 200, 0, 80);
        Optional<DcResistance> found = read(logs);
        assertEquals(isRead, found.isPresent());
        found.ifPresent(each -> assertEquals(80, each.milliohms(), 1e-6));
    }

    @Test
    void aVoltageThatGoesTheOtherWaySaysNothing() {
        Logs logs = flows(flows(flows(new Logs(), 200, 0, 0), 20, -1, -80), 200, 0, 0);
        assertTrue(read(logs).isEmpty());
    }

    /// A swing of the current by a tenth is one level; by a fifth it is another.
    @ParameterizedTest
    @CsvSource({"-1.1, false", "-1.25, true"})
    void aLevelMaySwing(double amps, boolean isRead) {
        Logs logs = flows(flows(flows(new Logs(), 200, -1, 80), 20, amps, 80), 200, -1, 80);
        assertEquals(isRead, read(logs).isPresent());
    }

    /// The pause of a lost contact is no pulse of current.
    @Test
    void aLostContactIsNoPulse() {
        SampleLog log = flows(flows(flows(new Logs(), 200, -1, 80), 3, 0, 80), 200, -1, 80).log();
        List<RunStep> blips = Steps.of(log).blips();
        assertEquals(1, blips.size());
        assertTrue(DcResistance.of(log, blips).isEmpty());
    }
}
