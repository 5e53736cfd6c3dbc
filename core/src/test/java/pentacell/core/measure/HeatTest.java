package pentacell.core.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

/// What a log says of the can's warmth.
final class HeatTest {
    private static final double[] VOLTS = {4.1, 4.0, 3.9, 3.8, 3.7};

    private static Heat heat(double[] seconds, double[] amps, double... celsius) {
        double[] volts = java.util.Arrays.copyOf(VOLTS, seconds.length);
        return Heat.of(SampleLog.of(seconds, volts, amps, celsius)).orElseThrow();
    }

    @Test
    void theRiseIsFromTheFirstToTheWarmestAndSaysWhen() {
        Heat heat =
                heat(
                        new double[] {0, 100, 200, 300, 400},
                        new double[] {0, -1, -1, -1, 0},
                        20,
                        22,
                        27,
                        25,
                        24);
        assertEquals(7, heat.riseKelvin(), 1e-12);
        assertEquals(20, heat.startCelsius(), 1e-12);
        assertEquals(200, heat.atSeconds(), 1e-12);
        // three stretches of the same length under load, at 22, 27 and 25 °C
        assertEquals((22 + 27 + 25) / 3.0, heat.meanCelsius(), 1e-12);
        assertEquals(1, heat.amps(), 1e-12);
    }

    @Test
    void theCurrentIsTheMeanOfTheDischargeByTime() {
        // 100 s at 3 A, 300 s at 1 A: 600 As in 400 s; the charge before it does not count
        Heat heat =
                heat(new double[] {0, 50, 150, 450}, new double[] {0, 2, -3, -1}, 20, 20, 30, 22);
        assertEquals(1.5, heat.amps(), 1e-12);
        assertEquals((100 * 30 + 300 * 22) / 400.0, heat.meanCelsius(), 1e-12);
    }

    @Test
    void withoutADischargeItIsTheCurrentOfTheCharge() {
        Heat heat = heat(new double[] {0, 100, 200}, new double[] {0, 2, 1}, 20, 24, 23);
        assertEquals(1.5, heat.amps(), 1e-12);
        assertEquals(20, heat.meanCelsius(), 1e-12);
        Heat rest = heat(new double[] {0, 100}, new double[] {0, 0}, 20, 21);
        assertEquals(0, rest.amps());
        assertEquals(1, rest.riseKelvin(), 1e-12);
    }

    @Test
    void missingTemperaturesAreLeftOut() {
        Heat heat =
                heat(
                        new double[] {0, 100, 200, 300},
                        new double[] {-1, -1, -1, -1},
                        Double.NaN,
                        21,
                        Double.NaN,
                        26);
        assertEquals(21, heat.startCelsius(), 1e-12);
        assertEquals(5, heat.riseKelvin(), 1e-12);
        assertTrue(
                Heat.of(SampleLog.of(new double[] {0, 1}, new double[] {4, 4}, new double[] {1, 1}))
                        .isEmpty());
    }
}
