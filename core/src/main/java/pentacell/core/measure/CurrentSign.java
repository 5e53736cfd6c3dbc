package pentacell.core.measure;

/// Finds out what the sign of a current means in a log of unknown origin.
///
/// Some instruments write discharge under 0, some over, some write no sign at all. The voltage
/// tells: it rises while a cell is charged and falls while it is discharged.
public final class CurrentSign {
    /// A trend of voltage smaller than this says nothing, in V.
    private static final double TREND_VOLTS = 0.010;

    private static final double REST_AMPS = 0.01;

    private CurrentSign() {}

    /// What the signs of a log mean.
    public enum Convention {
        /// Discharge under 0, as everywhere in this program.
        DISCHARGE_NEGATIVE,
        /// Discharge over 0.
        DISCHARGE_POSITIVE,
        /// No sign: each stretch is known by its voltage alone.
        NONE
    }

    /// The convention that fits; a log without current keeps its signs.
    public static Convention of(double[] volts, double[] amps) {
        boolean hasPositive = false;
        boolean hasNegative = false;
        for (double each : amps) {
            hasPositive |= each > REST_AMPS;
            hasNegative |= each < -REST_AMPS;
        }
        if (!hasPositive && !hasNegative) return Convention.DISCHARGE_NEGATIVE;
        if (hasPositive != hasNegative && hasPositive)
            return chargesOnly(volts, amps) ? Convention.DISCHARGE_NEGATIVE : Convention.NONE;
        double agreement = 0;
        for (int first = 0; first < amps.length; ) {
            int last = stretchEnd(amps, first);
            if (Math.abs(amps[first]) > REST_AMPS)
                agreement += Math.signum(amps[first]) * trend(volts, amps, first, last);
            first = last + 1;
        }
        return agreement >= 0 ? Convention.DISCHARGE_NEGATIVE : Convention.DISCHARGE_POSITIVE;
    }

    /// The currents with discharge under 0.
    public static double[] settled(double[] volts, double[] amps, Convention convention) {
        double[] settled = amps.clone();
        switch (convention) {
            case DISCHARGE_NEGATIVE -> {}
            case DISCHARGE_POSITIVE -> {
                for (int i = 0; i < settled.length; i++) settled[i] = -amps[i];
            }
            case NONE -> {
                for (int first = 0; first < amps.length; ) {
                    int last = stretchEnd(amps, first);
                    if (trend(volts, amps, first, last) < 0)
                        for (int i = first; i <= last; i++) settled[i] = -amps[i];
                    first = last + 1;
                }
            }
        }
        return settled;
    }

    private static boolean chargesOnly(double[] volts, double[] amps) {
        for (int first = 0; first < amps.length; ) {
            int last = stretchEnd(amps, first);
            if (amps[first] > REST_AMPS && trend(volts, amps, first, last) < 0) return false;
            first = last + 1;
        }
        return true;
    }

    /// Last index of the stretch that begins at an index: until the current stops, starts, changes
    /// its sign or rises by half.
    private static int stretchEnd(double[] amps, int first) {
        int last = first;
        while (last + 1 < amps.length && isOneStretch(amps[last], amps[last + 1])) last++;
        return last;
    }

    private static boolean isOneStretch(double before, double after) {
        boolean restsBefore = Math.abs(before) <= REST_AMPS;
        boolean restsAfter = Math.abs(after) <= REST_AMPS;
        if (restsBefore || restsAfter) return restsBefore == restsAfter;
        return before * after > 0 && Math.abs(after) < 1.5 * Math.abs(before) + REST_AMPS;
    }

    /// Whether a stretch goes up or down: by its own voltage, else by the jump at its start.
    private static double trend(double[] volts, double[] amps, int first, int last) {
        double trend = volts[last] - volts[first];
        boolean isLong = last - first >= 5;
        if (Math.abs(trend) > TREND_VOLTS && isLong) return trend;
        if (first > 0 && Math.abs(amps[first - 1]) <= REST_AMPS)
            return volts[first] - volts[first - 1];
        return trend;
    }
}
