package pentacell.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact.Correction;
import pentacell.core.cell.RunFact.Share;
import pentacell.core.circuit.RestCurve;
import pentacell.core.school.TestSchool;

/// Carries a capacity over to the workshop's standard conditions.
///
/// - *Gain of the bay*: times what reference cells say of it.
/// - *Charge end*: what a cell charged to less than its limit lacks, from the rest curve at the
///   voltage it was charged to less the drop of its last current.
/// - *Rate and end voltage*: the discharge is followed to the voltage at which, with the standard
///   current, the standard end would have come: U = U_std + (I_std − I)·R. Where the log goes that
///   far the charge is read off the curve itself; beyond its end the last slope is carried on.
/// - *Temperature*: 0.4 %/K between 0 and 45 °C (from memory, a middle figure of used cells).
///
/// Each step brings a doubt of its own; they add by squares to the repeatability.
public final class Standardise {
    /// Loss of capacity a kelvin under the standard temperature, as a share.
    private static final double SHARE_A_KELVIN = 0.004;

    /// Doubt of a correction as a share of it: read off the curve itself, or from a general figure.
    private static final double MEASURED_DOUBT = 0.1;

    private static final double GENERAL_DOUBT = 0.4;

    /// A slope is carried on for no more than this share of the capacity.
    private static final double MOST_BEYOND_SHARE = 0.05;

    /// Temperatures this near the standard need no correction, in K.
    private static final double SAME_KELVIN = 3;

    private Standardise() {}

    /// A capacity at standard conditions.
    ///
    /// @param milliampHours in mAh
    /// @param uncertaintyMilliampHours one standard deviation, in mAh
    /// @param shares what each step added; empty when the test was at standard conditions
    public record Standardised(
            double milliampHours, double uncertaintyMilliampHours, List<Share> shares) {
        public Standardised {
            shares = List.copyOf(shares);
        }
    }

    /// Carries over the discharge of a log.
    ///
    /// @param log the samples
    /// @param analysis what they say; with a discharge
    /// @param standard the standard conditions
    /// @param rated rated capacity in mAh, when it is known
    /// @param gain gain of the bay
    /// @param repeatability of a capacity, as a share
    public static Standardised capacity(
            SampleLog log,
            Analysis analysis,
            TestSchool standard,
            Chemistry chemistry,
            OptionalDouble rated,
            double gain,
            double repeatability) {
        Discharge discharge = analysis.discharge().orElseThrow();
        double raw = discharge.milliampHours();
        List<Share> shares = new ArrayList<>();
        double variance = Math.pow(repeatability * raw, 2);

        double byGain = raw * (gain - 1);
        variance += add(shares, Correction.BAY_GAIN, byGain, MEASURED_DOUBT);

        double ohms = analysis.resistance().map(DcResistance::milliohms).orElse(0.0) / 1000;
        if (analysis.chargeEnd().isPresent()) {
            double lacking = lackingShare(analysis.chargeEnd().get(), standard, chemistry, ohms);
            variance += add(shares, Correction.CHARGE_END, raw * lacking, GENERAL_DOUBT);
        }

        double amps = discharge.meanAmps();
        double standardAmps = standard.dischargeAmps(rated);
        double sameEnd = standard.endVolts(chemistry) + (standardAmps - amps) * ohms;
        double shift =
                chargeTo(log, discharge, sameEnd) - chargeTo(log, discharge, discharge.lastVolts());
        boolean isBeyond = sameEnd < discharge.lastVolts();
        boolean rateUnknown = ohms == 0 && Math.abs(standardAmps - amps) > 0.1 * standardAmps;
        variance +=
                add(
                        shares,
                        Correction.RATE_AND_END,
                        shift,
                        isBeyond ? GENERAL_DOUBT : MEASURED_DOUBT);
        // without a resistance the step between the currents stays in doubt
        if (rateUnknown) variance += Math.pow(0.01 * raw, 2);

        double celsius = analysis.heat().map(Heat::meanCelsius).orElse(standard.celsius());
        double colder = standard.celsius() - Math.clamp(celsius, 0, 45);
        if (Math.abs(colder) > SAME_KELVIN)
            variance +=
                    add(
                            shares,
                            Correction.TEMPERATURE,
                            raw * SHARE_A_KELVIN * colder,
                            GENERAL_DOUBT);
        double sum = raw + shares.stream().mapToDouble(Share::milliampHours).sum();
        return new Standardised(sum, Math.sqrt(variance), shares);
    }

    /// Carries over the capacity of a run to the standard conditions of a workshop.
    ///
    /// @param model model of the cell
    /// @param bay bay it ran in
    static Standardised capacity(
            SampleLog log,
            Analysis analysis,
            TestSchool standard,
            Optional<CellModel> model,
            Optional<String> bay,
            InstrumentFigures figures) {
        return capacity(
                log,
                analysis,
                standard,
                CellModel.chemistryOf(model),
                CellModel.ratedOf(model),
                bay.map(name -> figures.of(name).gain()).orElse(1.0),
                figures.repeatability());
    }

    /// Notes a share of at least half a mAh, and returns its variance.
    private static double add(
            List<Share> shares, Correction correction, double milliampHours, double doubt) {
        if (!(Math.abs(milliampHours) >= 0.5)) return 0;
        shares.add(new Share(correction, milliampHours));
        return Math.pow(doubt * milliampHours, 2);
    }

    private static double lackingShare(
            ChargeEnd end, TestSchool standard, Chemistry chemistry, double ohms) {
        RestCurve curve = RestCurve.of(chemistry);
        double limit = chemistry.chargeLimitVolts();
        // the rest curve ends where a full cell rests; both sides are seen from there
        double fullRest = curve.volts(1);
        double difference =
                (limit - standard.cutoffAmps() * ohms) - (end.volts() - end.amps() * ohms);
        if (Math.abs(difference) < 0.003) return 0;
        return 1 - curve.share(fullRest - Math.max(0, difference));
    }

    /// Charge in mAh until the loaded voltage falls to a value.
    private static double chargeTo(SampleLog log, Discharge discharge, double volts) {
        double coulombs = 0;
        double total = 3.6 * discharge.milliampHours();
        double last = Double.NaN;
        double lastSlope = Double.NaN;
        for (int i = 1; i < log.size(); i++) {
            if (log.seconds(i - 1) < discharge.startSeconds()) continue;
            if (!(log.amps(i) < 0 && log.amps(i - 1) < 0)) continue;
            double interval = log.seconds(i) - log.seconds(i - 1);
            double moved = -(log.amps(i) + log.amps(i - 1)) / 2 * interval;
            double fall = log.volts(i - 1) - log.volts(i);
            boolean staysUnder =
                    log.volts(i) <= volts
                            && (i + 1 >= log.size()
                                    || log.amps(i + 1) >= 0
                                    || log.volts(i + 1) <= volts);
            if (staysUnder) {
                double share = fall > 0 ? Math.clamp((log.volts(i - 1) - volts) / fall, 0, 1) : 1;
                return (coulombs + share * moved) / 3.6;
            }
            coulombs += moved;
            last = log.volts(i);
            lastSlope = fall > 0 ? moved / fall : Double.NaN;
        }
        if (!Double.isFinite(lastSlope)) return discharge.milliampHours();
        double beyond = Math.min((last - volts) * lastSlope, MOST_BEYOND_SHARE * total);
        return (coulombs + Math.max(0, beyond)) / 3.6;
    }
}
