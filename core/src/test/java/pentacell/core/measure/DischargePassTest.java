package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.core.measure.Logs.line;

import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@DisplayName("a discharge from full to empty")
final class DischargePassTest {
    private static Discharge pass(SampleLog log, double endVolts) {
        return DischargePass.of(log, Steps.of(log).steps(), OptionalDouble.of(endVolts))
                .orElseThrow();
    }

    private static String ranges(Logs logs) {
        return DischargePass.ranges(logs.log(), Steps.of(logs.log()).steps()).stream()
                .map(range -> range[0] + "-" + range[1])
                .collect(Collectors.joining(" "));
    }

    @Test
    void passesAreWhatLiesBetweenCharges() {
        Logs logs =
                new Logs()
                        .stretch(200, 10, -1, t -> 3.7)
                        .stretch(100, 10, 0, t -> 3.8)
                        .stretch(200, 10, -1, t -> 3.6)
                        .stretch(400, 10, 1, t -> 3.9)
                        .stretch(100, 10, 0, t -> 3.9)
                        .stretch(200, 10, -1, t -> 3.7);
        assertEquals("0-49 100-119", ranges(logs));
        assertEquals("", ranges(new Logs().stretch(300, 10, 1, t -> 4)));
    }

    @Test
    void aLoadThatGivesBackForAMomentIsOnePass() {
        Logs logs = new Logs().stretch(100, 10, 0, t -> 4.1);
        for (int i = 0; i < 20; i++)
            logs.stretch(200, 10, -1, t -> 3.7).stretch(100, 10, 0.5, t -> 3.8);
        SampleLog log = logs.stretch(200, 10, -1, t -> 3.5).log();
        Discharge found = pass(log, 3.0);
        // 4200 s of 1 A less 2000 s of 0.5 A, by hand; edges count by half
        assertEquals((4200 - 1000) / 3.6, found.milliampHours(), 3);
    }

    @Test
    void burstsAreADischargeWhenTheyGoOnAndAReadingOfResistanceWhenNot() {
        Logs few = new Logs().stretch(100, 10, 0, t -> 4.1);
        for (int i = 0; i < 3; i++) few.stretch(30, 10, -1, t -> 3.9).stretch(60, 10, 0, t -> 4.0);
        assertEquals("", ranges(few));
        Logs many = new Logs().stretch(100, 10, 0, t -> 4.1);
        for (int i = 0; i < 40; i++)
            many.stretch(30, 10, -1, t -> 3.9).stretch(60, 10, 0, t -> 4.0);
        assertEquals(1, DischargePass.ranges(many.log(), Steps.of(many.log()).steps()).size());
        assertEquals(40 * 30 / 3.6, pass(many.log(), 3.0).milliampHours(), 1);
    }

    /// 1 A from a line of 3.6 mV a sample: the end lies where the line crosses it, between samples;
    /// charge, energy, mean voltage and time come to the closed form.
    @ParameterizedTest(name = "to {0} V")
    @CsvSource({"3.0", "3.0018", "3.31", "2.9"})
    void theEndLiesWhereTheLineCrossesIt(double end) {
        SampleLog log =
                new Logs()
                        .stretch(100, 10, 0, t -> 4.08)
                        .stretch(4000, 10, -1, t -> 4.0 - 3.6e-4 * t)
                        .log();
        Discharge found = pass(log, end);
        double seconds = (4.0 - end) / 3.6e-4;
        // the ramp from rest counts by half
        assertEquals((seconds + 5) / 3.6, found.milliampHours(), 1e-6);
        assertEquals(100 + seconds, found.endSeconds(), 1e-6);
        assertEquals(100, found.startSeconds());
        assertEquals(4.08, found.startVolts());
        assertEquals(end, found.lastVolts());
        assertEquals(seconds + 5, found.seconds(), 1e-6);
        assertEquals(1, found.meanAmps(), 1e-9);
        assertTrue(found.reachedEnd());
        double joules = seconds * (4.0 + end) / 2 + 10 * 4.0 / 2;
        assertEquals(joules / 3600, found.wattHours(), 1e-6);
        assertEquals(joules / (seconds + 5), found.meanVolts(), 1e-6);
        assertEquals((4.0 + end) / 2, found.midVolts(), 0.005);
    }

    /// A discharge to 3.0 V on a line, that stopped so many mV over an end; the last sample fell by
    /// 5 mV.
    @ParameterizedTest(name = "{0} mV over the end: reached {1}")
    @CsvSource({"0, true", "6, true", "6.9, true", "7.1, false", "20, false"})
    void oneSampleMoreWouldHaveBeenTheEnd(double over, boolean isReached) {
        SampleLog log =
                new Logs().stretch(2000, 10, -1, line(4.0, 3.0, 2000)).sample(2000, 3.0, -1).log();
        Discharge found = pass(log, 3.0 - over / 1000);
        assertEquals(isReached, found.reachedEnd());
        assertEquals(2000 / 3.6, found.milliampHours(), 1e-6);
        assertEquals(2000, found.endSeconds());
        assertEquals(3.0, found.lastVolts(), 1e-9);
    }

    @Test
    void aDischargeOfTwoSamplesReachesOnlyWhatItShows() {
        Logs two = new Logs().sample(0, 3.5, -1).sample(10, 3.2, -1);
        assertFalse(pass(two.log(), 3.1).reachedEnd());
        assertTrue(pass(two.log(), 3.2).reachedEnd());
        assertEquals(10 / 3.6, pass(two.log(), 3.1).milliampHours(), 1e-9);
    }

    /// So many samples under the end in the middle of a discharge: three in a row are its end.
    @ParameterizedTest(name = "{0} samples under the end")
    @CsvSource({"1, false", "2, false", "3, true", "5, true"})
    void aDipIsNoEnd(int samples, boolean isEnd) {
        Logs logs = new Logs();
        for (int i = 0; i < 300; i++) {
            boolean dips = i >= 150 && i < 150 + samples;
            logs.sample(10 * i, dips ? 2.9 : 4.0 - 0.002 * i, -1);
        }
        Discharge found = pass(logs.log(), 3.0);
        assertEquals(isEnd, found.reachedEnd());
        if (isEnd)
            assertEquals(1490 + 10 * (3.702 - 3.0) / (3.702 - 2.9), found.endSeconds(), 1e-6);
    }

    /// Under the end at the last samples is an end too, however few; samples at rest do not count.
    @Test
    void theLastSamplesMayBeFew() {
        Logs logs = new Logs().stretch(1000, 10, -1, line(4.0, 3.1, 1000)).sample(1000, 2.95, -1);
        assertTrue(pass(logs.log(), 3.0).reachedEnd());
        Logs rests =
                new Logs()
                        .stretch(1000, 10, -1, line(4.0, 3.1, 1000))
                        .stretch(100, 10, 0, t -> 2.9)
                        .stretch(500, 10, -1, line(3.1, 3.05, 500));
        assertFalse(pass(rests.log(), 3.0).reachedEnd());
        assertEquals(3.051, pass(rests.log(), 3.0).lastVolts(), 0.001);
    }

    /// After the last sample under load the current falls to rest within an interval, of which half
    /// counts.
    @Test
    void theRampDownCountsByHalf() {
        SampleLog log =
                new Logs()
                        .stretch(1000, 10, -1, line(4.0, 3.5, 1000))
                        .stretch(300, 10, 0, t -> 3.7)
                        .log();
        assertEquals((990 + 5) / 3.6, pass(log, 3.0).milliampHours(), 1e-9);
    }

    /// Of several passes: the last that reached its end unless it is a small remainder; while none
    /// did, the one that gave most.
    @ParameterizedTest(name = "{0} s to {1} V, then {2} s to {3} V: counts {4} s")
    @CsvSource({
        "3000, 2.9, 2000, 2.9, 2000",
        "3000, 2.9, 1000, 2.9, 3000",
        "1000, 2.9, 3000, 2.9, 3000",
        "3000, 3.4, 1700, 2.9, 1700",
        "1000, 3.4, 2000, 3.4, 2000",
        "2000, 3.4, 1000, 3.4, 2000",
        "2000, 2.9, 3000, 3.4, 2000"
    })
    void thePassThatCounts(
            double first, double firstEnd, double second, double secondEnd, double counts) {
        SampleLog log =
                new Logs()
                        .stretch(first, 10, -1, line(4.1, firstEnd, first - 10))
                        .stretch(600, 10, 1, t -> 4)
                        .stretch(second, 10, -1, line(4.1, secondEnd, second - 10))
                        .log();
        boolean isFirst = counts == first;
        assertEquals(isFirst ? 0 : first + 600, pass(log, 3.0).startSeconds());
    }
}
