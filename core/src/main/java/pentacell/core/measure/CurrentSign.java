package pentacell.core.measure;

import java.util.function.IntToDoubleFunction;
import pentacell.core.unit.Middle;

/// Finds out what the sign of a current means in a log of unknown origin.
///
/// Some instruments write discharge under 0, some over, some write no sign at all. The voltage
/// tells, in two ways: at a step of the current it jumps, ΔV = R·ΔI with R above 0 where charge is,
/// and while a current flows it goes up or down, ΔV = s·I·Δt. Both are fitted at once by least
/// squares, and the one that is known better decides: under a load that varies the voltage rises
/// half of the time, and in a log with long intervals a step may hide the end of a charge.
public final class CurrentSign {
    /// A current below this is none, in A.
    private static final double REST_AMPS = 0.01;

    /// A change of the current counts above this part of the highest.
    private static final double STEP_SHARE = 0.2;

    /// No cell jumps by more from reading to reading, in V: a contact was lost.
    private static final double MOST_VOLTS = 0.6;

    private CurrentSign() {}

    /// What the signs of a log mean.
    public enum Convention {
        /// Discharge under 0, as everywhere in this program.
        DISCHARGE_NEGATIVE,
        /// Discharge over 0.
        DISCHARGE_POSITIVE,
        /// No sign: each moment is known by its voltage alone.
        NONE
    }

    /// The convention that fits; a log without current keeps its signs.
    ///
    /// @param seconds when each current was read, rising
    /// @param volts the voltage at each reading of the current
    public static Convention of(Column seconds, IntToDoubleFunction volts, Column amps) {
        boolean hasPositive = false;
        boolean hasNegative = false;
        for (int i = 0; i < amps.size() && !(hasPositive && hasNegative); i++) {
            double each = amps.get(i);
            hasPositive |= each > REST_AMPS;
            hasNegative |= each < -REST_AMPS;
        }
        if (!hasPositive && !hasNegative) return Convention.DISCHARGE_NEGATIVE;
        if (!hasNegative)
            return Unsigned.of(volts, amps).isChargedOnly()
                    ? Convention.DISCHARGE_NEGATIVE
                    : Convention.NONE;
        return isChargePositive(seconds, volts, amps)
                ? Convention.DISCHARGE_NEGATIVE
                : Convention.DISCHARGE_POSITIVE;
    }

    /// The currents with discharge under 0.
    ///
    /// @param volts the voltage at each reading of the current
    public static Column settled(IntToDoubleFunction volts, Column amps, Convention convention) {
        return switch (convention) {
            case DISCHARGE_NEGATIVE -> amps;
            case DISCHARGE_POSITIVE -> amps.map((i, each) -> -each);
            case NONE -> {
                Unsigned settled = Unsigned.of(volts, amps);
                yield amps.map((i, each) -> settled.isCharged(i) ? each : -each);
            }
        };
    }

    private static double most(Column amps) {
        double most = 0;
        for (int i = 0; i < amps.size(); i++) most = Math.max(most, Math.abs(amps.get(i)));
        return most;
    }

    private static boolean isChargePositive(
            Column seconds, IntToDoubleFunction volts, Column amps) {
        StepsAndFlow fit = new StepsAndFlow();
        for (int i = 1; i < amps.size(); i++) {
            double change = volts.applyAsDouble(i) - volts.applyAsDouble(i - 1);
            if (Math.abs(change) <= MOST_VOLTS)
                fit.add(
                        change,
                        amps.get(i) - amps.get(i - 1),
                        (seconds.get(i) - seconds.get(i - 1))
                                * (amps.get(i) + amps.get(i - 1))
                                / 2);
        }
        return fit.risesWithCurrent();
    }

    /// What the voltage does at steps of the current, and between them.
    ///
    /// @param usualOhms the usual size of ΔV ÷ ΔI at a step, in Ω; 0 without steps
    /// @param usualVolts by which the voltage changes on average between readings without a step
    private record Steps(double usualOhms, double usualVolts) {
        static Steps of(IntToDoubleFunction volts, Column amps) {
            double least = Math.max(REST_AMPS, STEP_SHARE * most(amps));
            Column.Builder ohms = new Column.Builder();
            double sum = 0;
            int others = 0;
            for (int i = 1; i < amps.size(); i++) {
                double step = amps.get(i) - amps.get(i - 1);
                double change = Math.abs(volts.applyAsDouble(i) - volts.applyAsDouble(i - 1));
                if (!(change <= MOST_VOLTS)) continue;
                if (Math.abs(step) > least) ohms.add(change / Math.abs(step));
                else {
                    sum += change;
                    others++;
                }
            }
            return new Steps(
                    ohms.size() == 0 ? 0 : Middle.of(ohms.build().toArray()),
                    others == 0 ? 0 : sum / others);
        }
    }

    /// A log without signs, moment by moment charged or discharged, as its voltage is best
    /// explained: what a resistance does not explain of its changes should go up while it is
    /// charged and down while it is discharged. The best way through all moments is found by
    /// dynamic programming (Viterbi 1967).
    private static final class Unsigned {
        /// Of what is left unexplained, the wrong direction costs (1 + this) ÷ (1 − this) times as
        /// much as the right one.
        private static final double DIRECTION = 0.5;

        /// What it costs to change from charge to discharge, in V, and in usual changes between two
        /// readings.
        private static final double CHANGE_VOLTS = 0.005;

        private static final double CHANGE_USUAL = 3;

        /// Below this part of the highest current the voltage still recovers from what flowed
        /// before, and its direction says nothing.
        private static final double LIGHT_SHARE = 0.05;

        private final IntToDoubleFunction volts;
        private final Column amps;
        private final double ohms;
        private final double changeVolts;
        private final double lightAmps;
        private final boolean[] charged;

        private Unsigned(IntToDoubleFunction volts, Column amps) {
            this.volts = volts;
            this.amps = amps;
            Steps steps = Steps.of(volts, amps);
            ohms = steps.usualOhms();
            changeVolts = CHANGE_VOLTS + CHANGE_USUAL * steps.usualVolts();
            lightAmps = LIGHT_SHARE * most(amps);
            charged = new boolean[amps.size()];
            settle();
        }

        static Unsigned of(IntToDoubleFunction volts, Column amps) {
            return new Unsigned(volts, amps);
        }

        boolean isCharged(int moment) {
            return charged[moment];
        }

        boolean isChargedOnly() {
            for (int i = 0; i < charged.length; i++)
                if (!charged[i] && amps.get(i) > REST_AMPS) return false;
            return true;
        }

        private void settle() {
            // whether the best way to being charged, or discharged, at a moment came from charge
            boolean[] toCharged = new boolean[charged.length];
            boolean[] toDischarged = new boolean[charged.length];
            double costCharged = 0;
            double costDischarged = 0;
            for (int i = 1; i < charged.length; i++) {
                double keptCharge = costCharged + cost(i, 1, 1);
                double endedDischarge = costDischarged + cost(i, -1, 1);
                double keptDischarge = costDischarged + cost(i, -1, -1);
                double endedCharge = costCharged + cost(i, 1, -1);
                toCharged[i] = keptCharge <= endedDischarge;
                toDischarged[i] = endedCharge < keptDischarge;
                costCharged = Math.min(keptCharge, endedDischarge);
                costDischarged = Math.min(keptDischarge, endedCharge);
            }
            boolean isCharged = costCharged <= costDischarged;
            for (int i = charged.length - 1; i >= 0; i--) {
                charged[i] = isCharged;
                isCharged = isCharged ? toCharged[i] : toDischarged[i];
            }
        }

        private double cost(int moment, int signBefore, int sign) {
            double before = amps.get(moment - 1);
            double now = amps.get(moment);
            boolean rests = before <= REST_AMPS || now <= REST_AMPS;
            double change = volts.applyAsDouble(moment) - volts.applyAsDouble(moment - 1);
            if (!(Math.abs(change) <= MOST_VOLTS)) return 0;
            double left = change - ohms * (sign * now - signBefore * before);
            boolean isLight = rests || now < lightAmps;
            return Math.abs(left)
                    // what a rest does says nothing of the current
                    - (isLight ? 0 : DIRECTION * sign * left)
                    + (sign != signBefore && !rests ? changeVolts : 0);
        }
    }
}
