package pentacell.core.measure;

import java.util.Optional;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact.CapacityMeasured;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.Fate;
import pentacell.core.cell.CellRecord.LifeLineEntry;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact.CapacityCorrected;
import pentacell.core.cell.TestConditions;
import pentacell.core.journal.Origin;
import pentacell.core.measure.Standardise.Standardised;
import pentacell.core.school.Schools;
import pentacell.core.school.TestSchool;
import pentacell.core.state.WorkshopState;

/// Carries a capacity of the past over to the standard conditions of today: after a reference cell
/// told the gain of its bay, or after another school was chosen. It begins at the samples, never at
/// an earlier correction.
public final class Recorrection {
    /// Differences under this are not worth an entry, in mAh.
    private static final double LEAST_MILLIAMP_HOURS = 0.5;

    private Recorrection() {}

    /// A capacity that would change.
    ///
    /// @param beforeMilliampHours what holds now, in mAh
    /// @param fact what would hold
    /// @param origin of the capacity it begins at
    public record Change(double beforeMilliampHours, CapacityCorrected fact, Origin origin) {
        /// How far it would move, as a share of what holds now.
        public double share() {
            return fact.milliampHours() / beforeMilliampHours - 1;
        }
    }

    /// The run a cell's capacity was measured in; empty when it has none, or it was typed.
    public static Optional<String> runOf(CellRecord cell) {
        return measured(cell).flatMap(entry -> conditions(entry).run());
    }

    private static Optional<LifeLineEntry> measured(CellRecord cell) {
        return cell.lifeLine().stream()
                .filter(entry -> entry.fate() == Fate.STANDING)
                .filter(entry -> entry.fact() instanceof CapacityMeasured)
                .reduce((before, after) -> after);
    }

    private static TestConditions conditions(LifeLineEntry measured) {
        return ((CapacityMeasured) measured.fact()).conditions();
    }

    /// What a cell's capacity becomes by today's gains and standard conditions; empty when nothing
    /// changes.
    ///
    /// @param figures gains and repeatability of today
    /// @param log samples of the run it was measured in
    public static Optional<Change> of(
            WorkshopState state, InstrumentFigures figures, CellRecord cell, SampleLog log) {
        Optional<LifeLineEntry> measured = measured(cell);
        if (measured.isEmpty() || cell.milliampHours().isEmpty()) return Optional.empty();
        TestConditions conditions = conditions(measured.get());
        Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
        Chemistry chemistry = CellModel.chemistryOf(model);
        TestSchool policy = Schools.of(state).test();
        // read as it was then, to the end it had then; only the carrying over is of today
        double endVolts = conditions.endVolts().orElse(policy.endVolts(chemistry, model));
        Analysis analysis = Analyse.log(log, AnalysisSettings.of(endVolts, chemistry, model));
        if (analysis.discharge().filter(each -> each.milliampHours() > 1).isEmpty())
            return Optional.empty();
        Standardised standard =
                Standardise.capacity(log, analysis, policy, model, conditions.bay(), figures);
        double before = cell.milliampHours().getAsDouble();
        if (Math.abs(standard.milliampHours() - before) < LEAST_MILLIAMP_HOURS)
            return Optional.empty();
        return Optional.of(
                new Change(
                        before,
                        RunResults.corrected(cell.id(), conditions.run().orElse(""), standard),
                        measured.get().origin()));
    }
}
