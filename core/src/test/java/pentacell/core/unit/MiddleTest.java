package pentacell.core.unit;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Random;
import org.hipparchus.stat.descriptive.rank.Median;
import org.junit.jupiter.api.Test;

/// The median, judged by a statistics library.
final class MiddleTest {
    @Test
    void theMiddleIsTheLibrarysMedianOfFewAndOfMany() {
        Random random = new Random(5);
        for (int count = 0; count < 200; count++) {
            int steps = 1 + random.nextInt(50);
            double[] values =
                    random.doubles(count).map(each -> Math.rint(each * steps) - 3).toArray();
            double[] before = values.clone();

            assertEquals(new Median().evaluate(values), Middle.of(values), count + " values");
            assertArrayEquals(before, values, "they stay as they are");
        }
    }
}
