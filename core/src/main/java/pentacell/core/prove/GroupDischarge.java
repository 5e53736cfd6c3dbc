package pentacell.core.prove;

import java.util.Arrays;
import org.hipparchus.stat.regression.SimpleRegression;
import pentacell.core.unit.Middle;

/// The discharge curve of a group in its pack: its voltage over what was given, with the drop over
/// its resistance added back. A few hundred points of it are kept, each the mean of many readings,
/// so that noise does not tell where a voltage was passed.
final class GroupDischarge {
    private static final int POINTS = 500;
    private static final int SMOOTHED = 5;

    /// The voltage at the end is told by the readings of this last part of what was given.
    private static final double END_SHARE = 0.01;

    private static final int MOST_AT_END = 200;

    /// How fast it fell at the end is told by this last part.
    private static final double LAST_SHARE = 0.05;

    private final double[] given;
    private final double[] volts;
    private final double end;

    private GroupDischarge(LoadSpan span, int group, double ohms, int from) {
        double[] amps = new double[span.moments() - from];
        double[] inside = new double[amps.length];
        span.log().amps().read(span.begin() + from, amps);
        span.log().volts().get(group).read(span.begin() + from, inside);
        double[] passed = new double[amps.length];
        int loaded = 0;
        for (int i = 0; i < amps.length; i++) {
            if (!span.isLoaded(amps[i])) continue;
            passed[loaded] = span.given(from + i);
            inside[loaded] = inside[i] + (Double.isNaN(ohms) ? 0 : ohms * amps[i]);
            loaded++;
        }
        int size = Math.ceilDiv(span.moments(), POINTS);
        int points = Math.ceilDiv(loaded, size);
        given = new double[points];
        double[] raw = new double[points];
        for (int k = 0; k < points - 1; k++) {
            given[k] = mean(passed, k * size, (k + 1) * size);
            raw[k] = mean(inside, k * size, (k + 1) * size);
        }
        // the last point is the end itself
        given[points - 1] = passed[loaded - 1];
        raw[points - 1] = inside[loaded - 1];
        volts = smooth(raw);
        end = atEnd(passed, inside, loaded);
    }

    /// The whole curve of a group.
    ///
    /// @param ohms its resistance; NaN when it is not known
    static GroupDischarge whole(LoadSpan span, int group, double ohms) {
        return new GroupDischarge(span, group, ohms, 0);
    }

    /// The last part of it, which tells how it ended.
    static GroupDischarge end(LoadSpan span, int group, double ohms) {
        int from = span.moments() - 1;
        while (from > 0 && span.ampHours() - span.given(from) < 2 * LAST_SHARE * span.ampHours())
            from--;
        return new GroupDischarge(span, group, ohms, from);
    }

    private static double mean(double[] values, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) sum += values[i];
        return sum / (to - from);
    }

    /// Against noise: each is the median of those about it.
    private static double[] smooth(double[] raw) {
        double[] smooth = raw.clone();
        int half = SMOOTHED / 2;
        for (int i = half; i < raw.length - half; i++)
            smooth[i] = Middle.of(Arrays.copyOfRange(raw, i - half, i + half + 1));
        return smooth;
    }

    private static double atEnd(double[] given, double[] inside, int loaded) {
        int last = loaded - 1;
        SimpleRegression line = new SimpleRegression();
        for (int i = last; i >= 0 && line.getN() < MOST_AT_END; i--) {
            double before = given[last] - given[i];
            if (before > END_SHARE * given[last]) break;
            line.addData(-before, inside[i]);
        }
        return line.getN() < 3 || given[last] <= 0 ? inside[last] : line.getIntercept();
    }

    /// The voltage at the end, in V.
    double endVolts() {
        return end;
    }

    /// How fast the voltage fell at the end, in V/Ah; 0 when it did not.
    double endFall() {
        return fall(LAST_SHARE);
    }

    private double fall(double share) {
        int last = given.length - 1;
        int before = last;
        while (before > 0 && given[last] - given[before] < share * given[last]) before--;
        double passed = given[last] - given[before];
        return passed > 0 ? Math.max(0, volts[before] - volts[last]) / passed : 0;
    }

    /// What was given after a voltage had been passed, in Ah; negative for one below the last, by
    /// going on straight.
    double givenAfter(double passed) {
        int last = given.length - 1;
        if (passed < volts[last]) {
            double fall = fall(LAST_SHARE);
            return fall > 0 ? -(volts[last] - passed) / fall : 0;
        }
        for (int i = last; i > 0; i--)
            if (volts[i - 1] >= passed) {
                double part =
                        volts[i - 1] == volts[i]
                                ? 0
                                : (passed - volts[i]) / (volts[i - 1] - volts[i]);
                return given[last] - given[i] + Math.clamp(part, 0, 1) * (given[i] - given[i - 1]);
            }
        return given[last];
    }
}
