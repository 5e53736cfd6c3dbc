package pentacell.core.test;

import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.test.facts.Programme;
import pentacell.core.test.facts.Programme.Charge;
import pentacell.core.test.facts.Programme.Discharge;
import pentacell.core.test.facts.Programme.Level;
import pentacell.core.test.facts.Programme.Pulse;
import pentacell.core.test.facts.Programme.Rest;
import pentacell.core.test.facts.Programme.Stage;

/// Predicts how long the stages of a programme take.
///
/// A charge at steady current lasts until the open circuit voltage is I·R under the limit; what is
/// missing then, q, follows at steady voltage with a current that falls evenly with it, so that it
/// takes q/(I − I_end)·ln(I/I_end). A discharge lasts charge ÷ current.
public final class PhaseTimes {
    /// Resistance of a cell that was not read yet, in Ω.
    public static final double USUAL_OHMS = 0.09;

    /// Share of the rating a salvaged cell holds until it is measured (common practice).
    public static final double USUAL_SHARE_OF_RATING = 0.85;

    private PhaseTimes() {}

    /// Seconds from a point of a programme to its end.
    ///
    /// @param restVolts resting voltage the cell begins with, in V
    /// @param milliampHours capacity it is taken to have, in mAh
    /// @param ohms resistance it is taken to have, in Ω
    public static double seconds(
            Programme programme,
            Chemistry chemistry,
            double restVolts,
            double milliampHours,
            double ohms) {
        double[] stages = stages(programme, chemistry, restVolts, milliampHours, ohms);
        double sum = 0;
        for (double each : stages) sum += each;
        return sum;
    }

    /// Seconds of each stage.
    public static double[] stages(
            Programme programme,
            Chemistry chemistry,
            double restVolts,
            double milliampHours,
            double ohms) {
        if (!(milliampHours > 0 && ohms >= 0))
            throw new IllegalArgumentException(
                    "capacity must be above 0 mAh and resistance not under 0, were %s and %s"
                            .formatted(milliampHours, ohms));
        double ampHours = milliampHours / 1000;
        RestCurve curve = RestCurve.of(chemistry);
        double share = curve.share(restVolts);
        double[] seconds = new double[programme.stages().size()];
        for (int i = 0; i < seconds.length; i++) {
            Stage stage = programme.stages().get(i);
            switch (stage) {
                case Rest rest -> seconds[i] = rest.seconds();
                case Charge charge -> {
                    double end = endShare(curve, chemistry, charge, ohms);
                    seconds[i] = 3600 * chargeHours(curve, charge, share, end, ampHours, ohms);
                    share = Math.max(share, end);
                }
                case Discharge discharge -> {
                    double end = curve.share(discharge.volts() + discharge.amps() * ohms);
                    seconds[i] = 3600 * Math.max(0, share - end) * ampHours / discharge.amps();
                    share = Math.min(share, end);
                }
                case Pulse pulse -> {
                    for (Level level : pulse.levels()) {
                        seconds[i] += level.seconds();
                        share -= level.amps() * level.seconds() / 3600 / ampHours;
                    }
                    share = Math.max(0, share);
                }
            }
        }
        return seconds;
    }

    private static double endShare(
            RestCurve curve, Chemistry chemistry, Charge charge, double ohms) {
        boolean isFull = charge.volts() >= chemistry.chargeLimitVolts() - 0.01;
        // a full LFP cell falls far back at rest: its limit says full, whatever the curve
        return isFull ? 1 : curve.share(charge.volts() - charge.cutoffAmps() * ohms);
    }

    private static double chargeHours(
            RestCurve curve,
            Charge charge,
            double share,
            double end,
            double ampHours,
            double ohms) {
        double lacking = Math.max(0, end - share) * ampHours;
        if (lacking == 0) return 0;
        double steadyUntil =
                Math.min(end, Math.max(share, curve.share(charge.volts() - charge.amps() * ohms)));
        double falling = (end - steadyUntil) * ampHours;
        double steady = lacking - falling;
        double ratio = charge.amps() / charge.cutoffAmps();
        double taper =
                ratio > 1.01
                        ? falling / (charge.amps() - charge.cutoffAmps()) * Math.log(ratio)
                        : falling / charge.amps();
        return steady / charge.amps() + taper;
    }
}
