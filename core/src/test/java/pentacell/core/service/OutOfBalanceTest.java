package pentacell.core.service;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.OptionalDouble;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What is said of a group that is sound and out of balance.
final class OutOfBalanceTest {
    /// Ah over the balancer's current; 50 mA when that is not known (common practice).
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "-0.96 | NaN | a balancer of 50 mA evens it in about 19 h near full; quicker: charge that group on its own",
                "1.5 | 60 | its balancer of 60 mA evens it in about 25 h near full; quicker: discharge that group on its own",
                "0.04 | 100 | its balancer of 100 mA evens it in under an hour near full; quicker: discharge that group on its own"
            })
    void howLongABalancerNeeds(double aheadAmpHours, double milliamps, String said) {
        assertEquals(
                said,
                new OutOfBalance(2, aheadAmpHours, aheadAmpHours / 20, false)
                        .remedy(
                                Double.isNaN(milliamps)
                                        ? OptionalDouble.empty()
                                        : OptionalDouble.of(milliamps))
                        .replace('\u00a0', ' '));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "-0.96 | group 3 sits 0.96 Ah below the others throughout, 4.8 % of the charge used: out of balance, not worn",
                "0.5 | group 3 sits 0.50 Ah above the others throughout, 2.5 % of the charge used: out of balance, not worn"
            })
    void howFarItSitsFromTheOthers(double aheadAmpHours, String said) {
        assertEquals(
                said,
                new OutOfBalance(2, aheadAmpHours, aheadAmpHours / 20, false)
                        .sentence()
                        .replace('\u00a0', ' '));
    }
}
