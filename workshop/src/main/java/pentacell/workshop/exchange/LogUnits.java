package pentacell.workshop.exchange;

import java.util.Arrays;
import java.util.function.Consumer;
import pentacell.core.measure.Column;

/// What a column of a log is written in when its name does not say, or says it wrongly: the values
/// tell.
final class LogUnits {
    /// A typical value over this has no unit but mV or mA.
    private static final double SURELY_MILLI = 60;

    private static final int LOOKED_AT = 2000;

    private LogUnits() {}

    /// Volts in one of its units, of a cell or of a group.
    ///
    /// @param named as its name says; 0 when it says none
    /// @param notes takes what was taken for granted
    static double ofVolts(double named, Column values, Consumer<String> notes) {
        boolean isMilli = typical(values, 0.5) > SURELY_MILLI;
        if (named == 1 && isMilli) {
            notes.accept("voltage is named in V but its values are mV");
            return 0.001;
        }
        return named == 0 ? unnamed(isMilli, "voltage", "mV", notes) : named;
    }

    /// Amperes in one of its units, of a cell.
    ///
    /// @param named as its name says; 0 when it says none
    /// @param notes takes what was taken for granted
    static double ofAmps(double named, Column values, Consumer<String> notes) {
        // a cell mostly rests at 0 A, but never at 0 V
        return named == 0
                ? unnamed(typical(values, 0.9) > SURELY_MILLI, "current", "mA", notes)
                : named;
    }

    private static double unnamed(
            boolean isMilli, String what, String milli, Consumer<String> notes) {
        if (isMilli) notes.accept("%s without a unit: taken as %s".formatted(what, milli));
        return isMilli ? 0.001 : 1;
    }

    /// A value that stands for a column.
    ///
    /// @param rank share of the values under it
    private static double typical(Column values, double rank) {
        double[] some = new double[Math.min(values.size(), LOOKED_AT)];
        for (int i = 0; i < some.length; i++)
            some[i] = Math.abs(values.get((int) ((long) i * values.size() / some.length)));
        Arrays.sort(some);
        return some.length == 0 ? 0 : some[(int) (some.length * rank)];
    }
}
