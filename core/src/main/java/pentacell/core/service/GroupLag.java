package pentacell.core.service;

/// By how much charge a group lags behind the usual one, and by how much more each day.
///
/// While the usual group is at F(D), one that lags by L = a + l·t is at F(D + L), with resistances
/// of its own. The a and l are taken with which all readings miss that by the least, in the sum of
/// absolute values. How the voltage runs below the deepest state of the usual group is not known:
/// there the group may be anywhere lower.
final class GroupLag {
    /// A reading that misses by more counts as if it missed by this, in V.
    private static final double OUTLIER_VOLTS = 0.03;

    /// The most that a group lags or leads at first, as a part of the deepest charge.
    private static final double MOST_AT_FIRST = 0.1;

    /// The most that it lags more by the end, as a part of the same.
    private static final double MOST_GROWTH = 1.2;

    /// A grid is searched, then finer ones around its best point.
    private static final int ROUNDS = 3;

    private static final int GROWTHS = 30;
    private static final int FIRSTS = 14;

    /// 1 − r² of the current and its average above which their resistances can be told apart.
    private static final double APART = 1e-6;

    private final CountedRun run;
    private final double[] strays;
    private final double[] missed;

    private GroupLag(CountedRun run, double[] strays) {
        this.run = run;
        this.strays = strays;
        missed = new double[strays.length];
    }

    /// What a group lags more each day, in Ah.
    ///
    /// @param run of the usual group
    /// @param strays of the group from the usual one, at each reading of the run, in V
    static double ampHoursADay(CountedRun run, double[] strays) {
        return new GroupLag(run, strays).growth();
    }

    private double growth() {
        double deepest = run.deepestAmpHours();
        double days = run.days(run.size() - 1);
        Grid firsts = new Grid(-MOST_AT_FIRST * deepest, MOST_AT_FIRST * deepest, FIRSTS);
        Grid growths = new Grid(0, MOST_GROWTH * deepest / days, GROWTHS);
        double growth = 0;
        double first = 0;
        for (int round = 0; round < ROUNDS; round++) {
            double least = Double.POSITIVE_INFINITY;
            for (int x = 0; x <= GROWTHS; x++)
                for (int y = 0; y <= FIRSTS; y++) {
                    double misses = misses(firsts.at(y), growths.at(x));
                    if (misses >= least) continue;
                    least = misses;
                    growth = growths.at(x);
                    first = firsts.at(y);
                }
            firsts = firsts.around(first);
            growths = growths.around(growth);
        }
        return Math.max(0, growth);
    }

    /// Evenly spaced figures.
    private record Grid(double from, double to, int steps) {
        double at(int step) {
            return from + (to - from) * step / steps;
        }

        /// As many between the neighbours of one of them.
        Grid around(double one) {
            double step = (to - from) / steps;
            return new Grid(one - step, one + step, steps);
        }
    }

    /// How far all readings are from where a lag puts the group, in V.
    private double misses(double first, double growth) {
        double withFast = 0;
        double withSlow = 0;
        double fast = 0;
        double both = 0;
        double slow = 0;
        for (int k = 0; k < strays.length; k++) {
            double drawn = run.drawnAmpHours(k);
            missed[k] =
                    strays[k] - run.volts(drawn + first + growth * run.days(k)) + run.volts(drawn);
            if (isUnknown(k, first, growth) || Math.abs(missed[k]) > 2 * OUTLIER_VOLTS) continue;
            withFast += missed[k] * run.amps(k);
            withSlow += missed[k] * run.slowAmps(k);
            fast += run.amps(k) * run.amps(k);
            both += run.amps(k) * run.slowAmps(k);
            slow += run.slowAmps(k) * run.slowAmps(k);
        }
        double apart = fast * slow - both * both;
        boolean areApart = apart > APART * fast * slow;
        double fastOhms = areApart ? (withFast * slow - withSlow * both) / apart : 0;
        double slowOhms = areApart ? (withSlow * fast - withFast * both) / apart : 0;
        double sum = 0;
        for (int k = 0; k < strays.length; k++) {
            double miss = missed[k] - fastOhms * run.amps(k) - slowOhms * run.slowAmps(k);
            double counts = isUnknown(k, first, growth) ? Math.max(0, miss) : Math.abs(miss);
            sum += Math.min(counts, OUTLIER_VOLTS);
        }
        return sum;
    }

    /// Whether a lag puts the group below all that is known of the run.
    private boolean isUnknown(int reading, double first, double growth) {
        return run.drawnAmpHours(reading) + first + growth * run.days(reading)
                > run.deepestAmpHours();
    }
}
