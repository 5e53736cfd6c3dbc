package pentacell.core.measure;

import java.util.List;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.Fate;
import pentacell.core.cell.CellRecord.LifeLineEntry;
import pentacell.core.cell.RunFact.HeatSeen;
import pentacell.core.judgement.Judged;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;

/// What follows when a cell became hot: it is set aside, cycled again at a lower current, and out
/// when that does not settle it (common practice).
public final class HeatLadder {
    /// A second run counts as gentler from this share of the current of the hot one.
    private static final double GENTLER_SHARE = 0.7;

    private HeatLadder() {}

    /// A rung of the ladder.
    public enum Rung {
        /// It never became hot, or no temperature was measured.
        CALM,
        /// It became hot once: to be cycled again at half the current.
        AGAIN_AT_LESS,
        /// It became hot, but not at a lower current.
        SETTLED,
        /// It became hot at a lower current as well.
        OUT;
    }

    /// Where a cell stands.
    public static Judged<Rung> judge(CellRecord cell) {
        List<HeatSeen> runs =
                cell.lifeLine().stream()
                        .filter(entry -> entry.fate() == Fate.STANDING)
                        .map(LifeLineEntry::fact)
                        .filter(HeatSeen.class::isInstance)
                        .map(HeatSeen.class::cast)
                        .toList();
        double limit = AnalysisSettings.HOT_KELVIN;
        double hotAmps = Double.NaN;
        Rung rung = Rung.CALM;
        Reason reason = Reason.of(Rule.HEAT_CALM, 0, limit);
        for (HeatSeen run : runs) {
            boolean isHot = run.riseKelvin() >= limit;
            boolean isGentler = run.amps() <= GENTLER_SHARE * hotAmps;
            if (isHot) {
                rung = isGentler ? Rung.OUT : Rung.AGAIN_AT_LESS;
                reason =
                        Reason.of(
                                isGentler ? Rule.HEAT_OUT : Rule.HEAT_AGAIN,
                                run.riseKelvin(),
                                limit);
                hotAmps = Double.isNaN(hotAmps) ? run.amps() : Math.min(hotAmps, run.amps());
            } else if (rung == Rung.AGAIN_AT_LESS) {
                rung = Rung.SETTLED;
                reason = Reason.of(Rule.HEAT_SETTLED, run.riseKelvin(), limit);
            } else if (rung == Rung.CALM) {
                reason = Reason.of(Rule.HEAT_CALM, run.riseKelvin(), limit);
            }
            if (rung == Rung.OUT) break;
        }
        return Judged.because(rung, reason);
    }
}
