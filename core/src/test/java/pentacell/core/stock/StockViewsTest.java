package pentacell.core.stock;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Bins, and how near a lot is to a bell curve.
final class StockViewsTest {
    @ParameterizedTest
    @ValueSource(doubles = {50, 100, 130})
    void everyValueIsInOneBinOfItsWidth(double width) {
        double[] values = new Random(3).doubles(200, 1200, 2600).toArray();
        Bins bins = Bins.ofWidth(width, values);
        assertEquals(200, bins.counts().stream().mapToInt(Integer::intValue).sum());
        for (double value : values) {
            int held = 0;
            for (int bin = 0; bin < bins.counts().size(); bin++) if (bins.holds(bin, value)) held++;
            assertEquals(1, held);
        }
        assertEquals(0, Math.IEEEremainder(bins.edges().get(0), width), 1e-9);
    }

    @Test
    void aValueOnAnEdgeIsInTheBinAboveIt() {
        Bins bins = Bins.between(List.of(0.0, 80.0, 90.0, 200.0), 79.9, 80, 90, 95, -1, 200);
        assertEquals(List.of(1, 1, 2), bins.counts());
        assertEquals(2, bins.tallest());
        assertThrows(IllegalArgumentException.class, () -> Bins.between(List.of(1.0), 1));
        assertThrows(IllegalArgumentException.class, () -> Bins.between(List.of(1.0, 1.0), 1));
        assertThrows(IllegalArgumentException.class, () -> Bins.ofWidth(0.1, 1, 2600));
        assertThrows(IllegalArgumentException.class, () -> Bins.between(List.of(1.0, Double.NaN)));
    }

    /// Shares of a normal lot: 68.27 % and 95.45 % (from memory of the normal table).
    @Test
    void aNormalLotLooksNormal() {
        Random random = new Random(5);
        double[] values = new double[20_000];
        for (int i = 0; i < values.length; i++) values[i] = 2100 + 150 * random.nextGaussian();
        Normality normal = Normality.of(values);
        assertEquals(0.6827, normal.withinOne(), 0.01);
        assertEquals(0.9545, normal.withinTwo(), 0.01);
        assertEquals(0, normal.skewness(), 0.05);
        assertEquals(0.6827 * 20_000, normal.expected(1950, 2250), 200);
    }

    @Test
    void aLongWeakEndLeansToTheWeakSide() {
        double[] values = new double[300];
        Random random = new Random(6);
        for (int i = 0; i < values.length; i++)
            values[i] = 2300 - 200 * -Math.log(1 - random.nextDouble());
        assertTrue(Normality.of(values).skewness() < -1);
    }

    @Test
    void fewOrEqualValuesSayNothing() {
        assertTrue(Double.isNaN(Normality.of(2000, 2100).skewness()));
        Normality alike = Normality.of(2000, 2000, 2000);
        assertTrue(Double.isNaN(alike.skewness()) && Double.isNaN(alike.expected(0, 1)));
        assertEquals(1, alike.withinOne());
        assertFalse(LotStatistics.of(1, 2, 3).isWithin(3, 0.5));
    }
}
