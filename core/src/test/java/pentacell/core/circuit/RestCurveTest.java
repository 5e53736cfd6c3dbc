package pentacell.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.cell.Chemistry;

final class RestCurveTest {

    @ParameterizedTest
    @EnumSource(Chemistry.class)
    void theCurveRisesAndReadsBothWays(Chemistry chemistry) {
        RestCurve curve = RestCurve.of(chemistry);
        for (double share = 0; share < 1; share += 0.005) {
            assertTrue(curve.volts(share + 0.005) > curve.volts(share), "at " + share);
            assertEquals(share, curve.share(curve.volts(share)), 1e-9);
            assertTrue(curve.curve().slope(share) > 0);
        }
        assertEquals(0, curve.share(0));
        assertEquals(1, curve.share(5));
        assertThrows(IllegalArgumentException.class, () -> curve.share(Double.NaN));
    }

    @ParameterizedTest
    @EnumSource(Chemistry.class)
    void noPlaceIsSteeperThanTheSteepest(Chemistry chemistry) {
        VoltageCurve curve = RestCurve.of(chemistry).curve();
        double most = 0;
        for (double share = 0; share <= 1; share += 1e-5) most = Math.max(most, curve.slope(share));
        assertTrue(curve.steepest() >= most);
        assertEquals(most, curve.steepest(), 1e-4 * most);
    }

    /// A kink would show in the curve of every stand-in, and would be found there as if it were the
    /// cell's own.
    @ParameterizedTest
    @EnumSource(Chemistry.class)
    void theCurveHasNoKinks(Chemistry chemistry) {
        RestCurve curve = RestCurve.of(chemistry);
        double step = 1e-6;
        for (double share = 0.001; share < 0.999; share += 0.0005) {
            double before = (curve.volts(share) - curve.volts(share - step)) / step;
            double after = (curve.volts(share + step) - curve.volts(share)) / step;
            assertEquals(before, after, 0.002 * before + 0.01, "at " + share);
            assertEquals(after, curve.curve().slope(share), 0.002 * after + 0.01, "at " + share);
        }
    }

    @ParameterizedTest
    @EnumSource(Chemistry.class)
    void theMeanIsNearTheNominalVoltage(Chemistry chemistry) {
        double sum = 0;
        for (int i = 0; i < 1000; i++) sum += RestCurve.of(chemistry).volts((i + 0.5) / 1000);
        // nominal 3.6 and 3.2 V under load (common practice), at rest a little more
        assertEquals(chemistry.nominalVolts(), sum / 1000, 0.15);
    }

    @Test
    void itLiesAboutWhereAPublishedCurveLies() {
        // Chen & Rincón-Mora 2006, open-circuit voltage of a 4.1 V polymer cell, from memory
        for (double share = 0.20; share <= 0.95; share += 0.05) {
            double published =
                    -1.031 * Math.exp(-35 * share)
                            + 3.685
                            + 0.2156 * share
                            - 0.1178 * share * share
                            + 0.3201 * share * share * share;
            // a cobalt cell lies over nickel ones in the middle
            assertEquals(published, RestCurve.of(Chemistry.NMC).volts(share), 0.18, "at " + share);
        }
    }
}
