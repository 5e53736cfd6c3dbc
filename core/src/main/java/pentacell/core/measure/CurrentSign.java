package pentacell.core.measure;

import java.util.function.IntToDoubleFunction;

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
    ///
    /// @param volts the voltage at each reading of the current
    public static Convention of(IntToDoubleFunction volts, Column amps) {
        boolean hasPositive = false;
        boolean hasNegative = false;
        for (int i = 0; i < amps.size() && !(hasPositive && hasNegative); i++) {
            double each = amps.get(i);
            hasPositive |= each > REST_AMPS;
            hasNegative |= each < -REST_AMPS;
        }
        if (!hasPositive && !hasNegative) return Convention.DISCHARGE_NEGATIVE;
        if (hasPositive != hasNegative && hasPositive)
            return chargesOnly(volts, amps) ? Convention.DISCHARGE_NEGATIVE : Convention.NONE;
        double agreement = 0;
        for (int first = 0; first < amps.size(); ) {
            int last = stretchEnd(amps, first);
            if (Math.abs(amps.get(first)) > REST_AMPS)
                agreement += Math.signum(amps.get(first)) * trend(volts, amps, first, last);
            first = last + 1;
        }
        return agreement >= 0 ? Convention.DISCHARGE_NEGATIVE : Convention.DISCHARGE_POSITIVE;
    }

    /// The currents with discharge under 0.
    ///
    /// @param volts the voltage at each reading of the current
    public static Column settled(IntToDoubleFunction volts, Column amps, Convention convention) {
        return switch (convention) {
            case DISCHARGE_NEGATIVE -> amps;
            case DISCHARGE_POSITIVE -> amps.map((i, each) -> -each);
            case NONE -> {
                Column.Builder settled = new Column.Builder();
                for (int first = 0; first < amps.size(); ) {
                    int last = stretchEnd(amps, first);
                    double sign = trend(volts, amps, first, last) < 0 ? -1 : 1;
                    for (int i = first; i <= last; i++) settled.add(sign * amps.get(i));
                    first = last + 1;
                }
                yield settled.build();
            }
        };
    }

    private static boolean chargesOnly(IntToDoubleFunction volts, Column amps) {
        for (int first = 0; first < amps.size(); ) {
            int last = stretchEnd(amps, first);
            if (amps.get(first) > REST_AMPS && trend(volts, amps, first, last) < 0) return false;
            first = last + 1;
        }
        return true;
    }

    /// Last index of the stretch that begins at an index: until the current stops, starts, changes
    /// its sign or rises by half.
    private static int stretchEnd(Column amps, int first) {
        int last = first;
        double before = amps.get(first);
        while (last + 1 < amps.size()) {
            double after = amps.get(last + 1);
            if (!isOneStretch(before, after)) break;
            before = after;
            last++;
        }
        return last;
    }

    private static boolean isOneStretch(double before, double after) {
        boolean restsBefore = Math.abs(before) <= REST_AMPS;
        boolean restsAfter = Math.abs(after) <= REST_AMPS;
        if (restsBefore || restsAfter) return restsBefore == restsAfter;
        return before * after > 0 && Math.abs(after) < 1.5 * Math.abs(before) + REST_AMPS;
    }

    /// Whether a stretch goes up or down: by its own voltage, else by the jump at its start.
    private static double trend(IntToDoubleFunction volts, Column amps, int first, int last) {
        double trend = volts.applyAsDouble(last) - volts.applyAsDouble(first);
        boolean isLong = last - first >= 5;
        if (Math.abs(trend) > TREND_VOLTS && isLong) return trend;
        if (first > 0 && Math.abs(amps.get(first - 1)) <= REST_AMPS)
            return volts.applyAsDouble(first) - volts.applyAsDouble(first - 1);
        return trend;
    }
}
