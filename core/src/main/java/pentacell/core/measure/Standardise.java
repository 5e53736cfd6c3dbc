package pentacell.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact.Correction;
import pentacell.core.cell.RunFact.Share;
import pentacell.core.circuit.RestCurve;
import pentacell.core.intake.KnownChemistry;
import pentacell.core.school.TestSchool;

/// Carries a capacity over to the workshop's standard conditions.
///
/// - *Gain of the bay*: times what reference cells say of it.
/// - *Charge end*: what a cell charged to less than its limit lacks, by one rest curve: the charge
///   at the limit less the drop of the standard's last current, less the charge at the voltage it
///   was charged to less the drop of its own last current. With that share l of the whole lacking,
///   the whole is raw ÷ (1 − l). On the plateau of iron phosphate the voltage does not tell the
///   share; the doubt says so.
/// - *Rate and end voltage*: the discharge is followed to the voltage at which, with the standard
///   current, the standard end would have come: U = U_std + (I_std − I)·R. Where the log goes that
///   far the charge is read off the curve itself; beyond its end the last slope is carried on.
/// - *Temperature* it began at, not what it warmed itself up to: 0.4 %/K under 25 °C and 0.1 %/K
///   over that, between 0 and 45 °C (from memory, middle figures of used cells).
///
/// Each step brings a doubt of its own; they add by squares to the repeatability.
public final class Standardise {
    /// Loss of capacity a kelvin, as a share of that at 25 °C: in the cold, and what warmth adds.
    private static final double COLD_SHARE_A_KELVIN = 0.004;

    private static final double WARM_SHARE_A_KELVIN = 0.001;
    private static final double REFERENCE_CELSIUS = 25;

    /// Doubt of a share that the plateau hides, as a share of the capacity.
    private static final double PLATEAU_DOUBT = 0.1;

    /// Doubt of a correction as a share of it: read off the curve itself, or from a general figure.
    private static final double MEASURED_DOUBT = 0.1;

    private static final double GENERAL_DOUBT = 0.4;

    /// A slope is carried on for no more than this share of the capacity.
    private static final double MOST_BEYOND_SHARE = 0.05;

    /// Voltages this near are the same, in V.
    private static final double SAME_VOLTS = 0.003;

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

    /// What capacities are carried over to.
    ///
    /// @param chargeVolts voltage of the charge in V
    /// @param cutoffAmps current the charge ends at, in A
    /// @param dischargeAmps discharge current in A
    /// @param endVolts voltage the discharge ends at, in V
    /// @param celsius temperature in °C
    public record Standard(
            Chemistry chemistry,
            double chargeVolts,
            double cutoffAmps,
            double dischargeAmps,
            double endVolts,
            double celsius) {
        /// The standard of a school for cells of a model.
        public static Standard of(
                TestSchool school, Chemistry chemistry, Optional<CellModel> model) {
            return new Standard(
                    chemistry,
                    KnownChemistry.chargeVolts(Optional.of(chemistry), model),
                    school.cutoffAmps(),
                    school.dischargeAmps(CellModel.ratedOf(model)),
                    school.endVolts(chemistry, model),
                    school.celsius());
        }
    }

    /// Carries over the discharge of a log.
    ///
    /// @param log the samples
    /// @param analysis what they say; with a discharge
    /// @param standard the standard conditions
    /// @param gain gain of the bay
    /// @param repeatability of a capacity, as a share
    public static Standardised capacity(
            SampleLog log,
            Analysis analysis,
            Standard standard,
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
            Lacking lacking = Lacking.of(analysis.chargeEnd().get(), standard, ohms);
            double missing = raw * lacking.share() / (1 - lacking.share());
            variance +=
                    add(
                            shares,
                            lacking.isHidden()
                                    ? Correction.CHARGE_END_ON_PLATEAU
                                    : Correction.CHARGE_END,
                            missing,
                            GENERAL_DOUBT);
            if (lacking.isHidden()) variance += Math.pow(PLATEAU_DOUBT * raw, 2);
        }

        double amps = discharge.meanAmps();
        double standardAmps = standard.dischargeAmps();
        double sameEnd = standard.endVolts() + (standardAmps - amps) * ohms;
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

        double celsius = analysis.heat().map(Heat::startCelsius).orElse(standard.celsius());
        double byTemperature = warmth(standard.celsius()) / warmth(celsius) - 1;
        variance += add(shares, Correction.TEMPERATURE, raw * byTemperature, GENERAL_DOUBT);
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
                Standard.of(standard, CellModel.chemistryOf(model), model),
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

    /// Capacity at a temperature as a share of that at 25 °C.
    private static double warmth(double celsius) {
        double over = Math.clamp(celsius, 0, 45) - REFERENCE_CELSIUS;
        return 1 + over * (over < 0 ? COLD_SHARE_A_KELVIN : WARM_SHARE_A_KELVIN);
    }

    /// What a cell lacked when its charge ended.
    ///
    /// @param share of its whole charge, 0 to 0.9
    /// @param isHidden whether the plateau hides how much it is
    private record Lacking(double share, boolean isHidden) {
        static Lacking of(ChargeEnd end, Standard standard, double ohms) {
            RestCurve curve = RestCurve.of(standard.chemistry());
            double wanted = standard.chargeVolts() - standard.cutoffAmps() * ohms;
            double reached = end.volts() - end.amps() * ohms;
            if (wanted - reached < SAME_VOLTS) return new Lacking(0, false);
            return new Lacking(
                    Math.clamp(curve.share(wanted) - curve.share(reached), 0, 0.9),
                    standard.chemistry() == Chemistry.LFP && reached < HoldLimits.PLATEAU_VOLTS);
        }
    }

    /// Charge in mAh until the loaded voltage falls to a value.
    private static double chargeTo(SampleLog log, Discharge discharge, double volts) {
        double coulombs = 0;
        double total = 3.6 * discharge.milliampHours();
        Intervals intervals = new Intervals(log);
        double last = Double.NaN;
        double lastSlope = Double.NaN;
        for (int i = 1; i < log.size(); i++) {
            if (log.seconds(i - 1) < discharge.startSeconds()) continue;
            if (!(log.amps(i) < 0 && log.amps(i - 1) < 0) || !intervals.counts(i - 1)) continue;
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
