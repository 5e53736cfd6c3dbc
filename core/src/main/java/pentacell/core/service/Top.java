package pentacell.core.service;

import pentacell.core.measure.SomeMoments;

/// The top of the figures of a log, without the few that stray above it.
final class Top {
    private Top() {}

    /// The figure that only a small part of all lies above, read from some thousand of them.
    ///
    /// @param figures NaN where there is none
    /// @param above that part, from 0 to 1
    /// @return NaN without any figure
    static double of(double[] figures, double above) {
        double[] sorted =
                SomeMoments.of(figures.length)
                        .mapToDouble(i -> figures[i])
                        .filter(each -> !Double.isNaN(each))
                        .sorted()
                        .toArray();
        return sorted.length == 0 ? Double.NaN : sorted[(int) ((1 - above) * (sorted.length - 1))];
    }
}
