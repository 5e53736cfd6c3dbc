package pentacell.core.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Oddity;
import pentacell.core.intake.OddValues;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;

/// Looks through a curve for what a careful person would stop at (common practice).
final class Oddities {
    /// A jump of voltage at steady current counts from this many V.
    private static final double JUMP_VOLTS = 0.030;

    /// and from this many times the change before and after it.
    private static final double JUMP_TIMES = 6;

    /// Currents this alike are the same current.
    private static final double SAME_CURRENT_SHARE = 0.03;

    /// Rising this much under load is odd, in V.
    private static final double RISE_VOLTS = 0.015;

    /// At the start a cold cell warms up and may rise a little; not looked at, in s.
    private static final double SETTLING_SECONDS = 120;

    /// Stopping this far over the end voltage is early, in V.
    private static final double EARLY_VOLTS = 0.10;

    /// Without a stated end voltage, a cell of the 4.2 V class that ends over this was not emptied.
    private static final double CLEARLY_NOT_EMPTY_VOLTS = 3.3;

    private static final double CLEARLY_NOT_LFP_VOLTS = 3.75;

    private static final double OVER_RATING_PERCENT = 100 * OddValues.OVER_NEW_SHARE;
    private static final double UNDER_RATING_PERCENT = 100 * OddValues.FAR_UNDER_RATING_SHARE;

    /// A charger and a meter may differ by this much from the limit, in V (common practice).
    private static final double OVERCHARGED_VOLTS = 0.03;

    /// A cell that gives its middle charge under this is iron phosphate, in V.
    private static final double MOST_LFP_MIDDLE_VOLTS = 3.35;

    private final SampleLog log;
    private final Steps.Found found;
    private final AnalysisSettings settings;
    private final List<Anomaly> anomalies = new ArrayList<>();

    private Oddities(SampleLog log, Steps.Found found, AnalysisSettings settings) {
        this.log = log;
        this.found = found;
        this.settings = settings;
    }

    static List<Anomaly> of(
            SampleLog log,
            Steps.Found found,
            Optional<Discharge> discharge,
            AnalysisSettings settings) {
        Oddities oddities = new Oddities(log, found, settings);
        oddities.contacts();
        oddities.gaps();
        oddities.risesUnderLoad();
        discharge.ifPresent(oddities::capacity);
        oddities.charges(discharge);
        oddities.heat();
        oddities.anomalies.sort(Comparator.comparingDouble(Anomaly::atSeconds));
        return List.copyOf(oddities.anomalies);
    }

    private void add(Oddity kind, double atSeconds, double figure, double limit, String note) {
        anomalies.add(new Anomaly(kind, atSeconds, new Reason(kind.rule(), figure, limit, note)));
    }

    private void contacts() {
        for (RunStep blip : found.blips()) {
            double lost = log.seconds(blip.last() + 1) - log.seconds(blip.first());
            add(Oddity.CONTACT_BLIP, blip.startSeconds(), lost, Steps.BLIP_SECONDS, "");
        }
        for (RunStep step : found.steps()) if (step.kind() != StepKind.PULSE) jumps(step);
    }

    /// Jumps of voltage at steady current; a dip and its return are told once.
    private void jumps(RunStep step) {
        int quietUntil = -1;
        for (int i = step.first() + 2; i + 2 <= step.last(); i++) {
            if (i <= quietUntil || !isSteady(i - 2, i + 2) || isNearBlip(i)) continue;
            double jump = Math.abs(log.volts(i) - log.volts(i - 1));
            if (jump < JUMP_VOLTS) continue;
            double around =
                    Math.max(
                            slope(i - 2) * (log.seconds(i) - log.seconds(i - 1)),
                            quietSlope(i, step.last()) * (log.seconds(i) - log.seconds(i - 1)));
            if (jump < JUMP_TIMES * around) continue;
            anomalies.add(
                    new Anomaly(
                            Oddity.CONTACT_BLIP,
                            log.seconds(i),
                            Reason.of(Rule.VOLTAGE_JUMPED, 1000 * jump, 1000 * JUMP_VOLTS)));
            quietUntil = i + 10;
        }
    }

    private boolean isSteady(int first, int last) {
        double level = log.amps(first);
        for (int i = first + 1; i <= last; i++)
            if (Math.abs(log.amps(i) - level)
                    > Math.max(0.01, SAME_CURRENT_SHARE * Math.abs(level))) return false;
        return true;
    }

    private boolean isNearBlip(int index) {
        for (RunStep blip : found.blips())
            if (index >= blip.first() - 2 && index <= blip.last() + 4) return true;
        return false;
    }

    /// Change of voltage a second between a sample and the next.
    private double slope(int i) {
        return Math.abs(log.volts(i + 1) - log.volts(i)) / (log.seconds(i + 1) - log.seconds(i));
    }

    /// The smaller slope of the next intervals: a dip returns at once and is no slope.
    private double quietSlope(int i, int last) {
        double least = Double.POSITIVE_INFINITY;
        for (int k = i; k < Math.min(i + 3, last); k++) least = Math.min(least, slope(k));
        return least;
    }

    private void gaps() {
        Intervals intervals = new Intervals(log);
        for (int i = 1; i < log.size(); i++) {
            boolean carries = Math.abs(log.amps(i)) > 0.01 && Math.abs(log.amps(i - 1)) > 0.01;
            if (carries && intervals.isGap(i - 1))
                add(
                        Oddity.TIME_GAP,
                        log.seconds(i - 1),
                        log.seconds(i) - log.seconds(i - 1),
                        Intervals.GAP_SECONDS,
                        "");
        }
    }

    private void risesUnderLoad() {
        for (RunStep step : found.steps()) {
            if (step.kind() != StepKind.DISCHARGE) continue;
            double lowest = Double.POSITIVE_INFINITY;
            double lowestAt = 0;
            double level = log.amps(step.first());
            double from = step.startSeconds() + SETTLING_SECONDS;
            for (int i = step.first(); i <= step.last(); i++) {
                double current = log.amps(i);
                if (Math.abs(current - level) > SAME_CURRENT_SHARE * Math.abs(level)) {
                    // another current: the voltage may well rise
                    level = current;
                    lowest = Double.POSITIVE_INFINITY;
                    from = log.seconds(i) + SETTLING_SECONDS;
                    continue;
                }
                if (log.seconds(i) < from) continue;
                boolean lasts =
                        log.volts(i) - lowest > RISE_VOLTS
                                && i + 1 <= step.last()
                                && log.volts(i + 1) - lowest > RISE_VOLTS
                                && !isAfterJump(lowestAt);
                if (lasts) {
                    add(
                            Oddity.RISES_UNDER_LOAD,
                            lowestAt,
                            1000 * (log.volts(i) - lowest),
                            1000 * RISE_VOLTS,
                            "");
                    return;
                }
                if (log.volts(i) < lowest) {
                    lowest = log.volts(i);
                    lowestAt = log.seconds(i);
                }
            }
        }
    }

    /// A dip that was told as a lost contact is not told again as a rise.
    private boolean isAfterJump(double seconds) {
        for (Anomaly each : anomalies)
            if (each.kind() == Oddity.CONTACT_BLIP && Math.abs(each.atSeconds() - seconds) < 120)
                return true;
        return false;
    }

    /// Charges that went over the limit; of an unknown cell, that of the chemistry its discharge
    /// looks like.
    private void charges(Optional<Discharge> discharge) {
        boolean looksLikeLfp =
                discharge.filter(each -> each.midVolts() < MOST_LFP_MIDDLE_VOLTS).isPresent();
        Chemistry likely = looksLikeLfp ? Chemistry.LFP : Chemistry.NMC;
        double limit = settings.chargeVolts().orElse(likely.chargeLimitVolts());
        for (RunStep step : found.steps()) {
            if (step.kind() != StepKind.CHARGE) continue;
            int highest = step.first();
            for (int i = step.first(); i <= step.last(); i++)
                if (log.volts(i) > log.volts(highest)) highest = i;
            if (log.volts(highest) > limit + OVERCHARGED_VOLTS)
                add(Oddity.OVERCHARGED, log.seconds(highest), log.volts(highest), limit, "");
        }
    }

    private void capacity(Discharge discharge) {
        double over = discharge.lastVolts() - settings.endVolts().orElse(Double.NaN);
        boolean notEmptied =
                settings.endVolts().isEmpty()
                        && discharge.lastVolts() > CLEARLY_NOT_EMPTY_VOLTS
                        && discharge.startVolts() > CLEARLY_NOT_LFP_VOLTS;
        if (!discharge.reachedEnd() && over > EARLY_VOLTS || notEmptied)
            add(
                    Oddity.STOPPED_EARLY,
                    discharge.endSeconds(),
                    discharge.lastVolts(),
                    settings.endVolts().orElse(CLEARLY_NOT_EMPTY_VOLTS),
                    "");
        if (settings.ratedMilliampHours().isEmpty()) return;
        double percent =
                100 * discharge.milliampHours() / settings.ratedMilliampHours().getAsDouble();
        if (percent > OVER_RATING_PERCENT)
            add(Oddity.OVER_RATING, discharge.endSeconds(), percent, OVER_RATING_PERCENT, "");
        if (percent < UNDER_RATING_PERCENT && discharge.reachedEnd())
            add(Oddity.FAR_UNDER_RATING, discharge.endSeconds(), percent, UNDER_RATING_PERCENT, "");
    }

    private void heat() {
        Heat.of(log)
                .filter(heat -> heat.riseKelvin() >= settings.hotKelvin())
                .ifPresent(heat ->
                        add(
                                Oddity.HOT,
                                heat.atSeconds(),
                                heat.riseKelvin(),
                                settings.hotKelvin(),
                                ""));
    }
}
