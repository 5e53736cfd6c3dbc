package pentacell.core.measure;

import java.util.List;
import java.util.Optional;

/// Finds in a log what it says of the cell.
public final class Analyse {
    private Analyse() {}

    /// The analysis of a log; an empty log has no steps.
    public static Analysis log(SampleLog log, AnalysisSettings settings) {
        if (log.size() == 0)
            return new Analysis(
                    List.of(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    List.of());
        Steps.Found found = Steps.of(log);
        Optional<Discharge> discharge = DischargePass.of(log, found.steps(), settings.endVolts());
        return new Analysis(
                found.steps(),
                discharge,
                discharge.flatMap(
                        each -> ChargeEnd.before(each.startSeconds(), log, found.steps())),
                DcResistance.of(log, found.blips()),
                Heat.of(log),
                Oddities.of(log, found, discharge, settings));
    }
}
