package pentacell.core.service;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.stat.regression.OLSMultipleLinearRegression;
import pentacell.core.service.PackHistory.Moment;

/// How a group strays from the others, taken apart by what can cause it.
///
/// With D the charge drawn since full, S the slope of voltage over charge there, I the current and
/// t the time, a group strays by b − ΔR·I + S·(a − k·D − l·t): b is misread, ΔR its resistance, a
/// its balance at the begin, k = 1/c − 1 of the share c of its capacity that is left, l what it
/// loses by itself. All are found together by least squares, so that causes at the same time are
/// told apart as far as the history moves them apart.
///
/// @param offsetVolts b, in V
/// @param ohms ΔR, in Ω
/// @param lostShare 1 − c
/// @param ampHoursADay l, in Ah
record GroupDeviation(double offsetVolts, double ohms, double lostShare, double ampHoursADay) {
    private static final int OFFSET = 0;
    private static final int CURRENT = 1;
    // the term of the balance at the begin stands between them
    private static final int DEPTH = 3;
    private static final int TIME = 4;
    private static final int TERMS = 5;

    /// A term that moves the voltage by less than this between its ends is left out, in V for a
    /// unit of its figure.
    private static final double STILL = 1e-9;

    /// From fewer moments inside of what is known, and than half of all, nothing is told.
    private static final int LEAST_KNOWN = 40;

    static GroupDeviation of(List<Moment> all, int group) {
        List<Moment> moments =
                all.stream().filter(each -> !Double.isNaN(each.slopes().get(group))).toList();
        if (moments.size() < Math.min(LEAST_KNOWN, all.size() / 2))
            return new GroupDeviation(0, 0, 0, 0);
        double[][] terms = new double[moments.size()][];
        double[] strays = new double[moments.size()];
        for (int i = 0; i < strays.length; i++) {
            Moment at = moments.get(i);
            double slope = at.slopes().get(group);
            terms[i] =
                    new double[] {
                        1, -at.amps(), slope, -slope * at.drawnAmpHours(), -slope * at.days()
                    };
            strays[i] = at.strays().get(group);
        }
        List<Integer> moving = new ArrayList<>();
        for (int term = 0; term < TERMS; term++)
            if (term == OFFSET || moves(terms, term)) moving.add(term);
        double[] found = fit(terms, strays, moving);
        double off = found[DEPTH];
        return new GroupDeviation(
                found[OFFSET], found[CURRENT], off <= -0.5 ? -1 : off / (1 + off), found[TIME]);
    }

    private static boolean moves(double[][] terms, int term) {
        double low = Double.MAX_VALUE;
        double high = -Double.MAX_VALUE;
        for (double[] each : terms) {
            low = Math.min(low, each[term]);
            high = Math.max(high, each[term]);
        }
        return high - low > STILL;
    }

    /// Least squares; where terms cannot be told apart the last of them are left out.
    private static double[] fit(double[][] terms, double[] strays, List<Integer> moving) {
        List<Integer> kept = new ArrayList<>(moving);
        while (true) {
            double[][] some = new double[terms.length][kept.size()];
            for (int i = 0; i < terms.length; i++)
                for (int k = 0; k < kept.size(); k++) some[i][k] = terms[i][kept.get(k)];
            try {
                OLSMultipleLinearRegression regression = new OLSMultipleLinearRegression(1e-12);
                regression.setNoIntercept(true);
                regression.newSampleData(strays, some);
                double[] parameters = regression.estimateRegressionParameters();
                double[] found = new double[TERMS];
                for (int k = 0; k < parameters.length; k++) found[kept.get(k)] = parameters[k];
                return found;
            } catch (MathRuntimeException alike) {
                kept.removeLast();
                if (kept.isEmpty()) return new double[TERMS];
            }
        }
    }
}
