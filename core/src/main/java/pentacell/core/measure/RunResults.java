package pentacell.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.CapacityMeasured;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellFact.ResistanceRead;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.cell.TestConditions;
import pentacell.core.measure.Standardise.Standardised;
import pentacell.core.school.Schools;
import pentacell.core.school.TestSchool;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Limit;

/// Makes facts of a finished run: each number with its conditions, the raw one and the one carried
/// over to standard conditions, and whatever was odd.
public final class RunResults {
    private RunResults() {}

    /// What a run ended with.
    ///
    /// @param analysis what its log says
    /// @param facts what is logged of it, the end of the run first
    public record Results(Analysis analysis, List<CellFact> facts) {
        public Results {
            facts = List.copyOf(facts);
        }
    }

    /// The facts of a run.
    ///
    /// @param bay bay it ran in, when that is known
    /// @param ending how it ended
    /// @param endVolts voltage the discharge was to end at, in V; the school's when it is not known
    public static Results of(
            WorkshopState state,
            CellRecord cell,
            String run,
            Optional<String> bay,
            SampleLog log,
            RunEnding ending,
            OptionalDouble endVolts) {
        Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
        Chemistry chemistry = CellModel.chemistryOf(model);
        TestSchool policy = Schools.of(state).test();
        AnalysisSettings settings =
                AnalysisSettings.of(
                        endVolts.orElse(policy.endVolts(chemistry, model)), chemistry, model);
        Analysis analysis = Analyse.log(log, settings);
        List<CellFact> facts = new ArrayList<>();
        OptionalDouble seconds =
                log.size() == 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(
                                Math.rint(log.seconds(log.size() - 1) - log.seconds(0)));
        facts.add(new RunFact.RunEnded(cell.id(), run, ending, seconds));
        InstrumentFigures figures = InstrumentFigures.of(state);
        analysis.discharge()
                .filter(discharge -> discharge.reachedEnd() && discharge.milliampHours() > 1)
                .ifPresent(discharge -> {
                    facts.add(
                            new CapacityMeasured(
                                    cell.id(),
                                    round(discharge.milliampHours(), 10),
                                    conditions(analysis, discharge, bay, run)));
                    Standardised standard =
                            Standardise.capacity(log, analysis, policy, model, bay, figures);
                    if (!standard.shares().isEmpty())
                        facts.add(corrected(cell.id(), run, standard));
                });
        // a reference cell is logged as read, or the next comparison would find nothing
        double contact =
                InstrumentFigures.isReference(cell)
                        ? 0
                        : bay.map(name -> figures.of(name).contactMilliohms()).orElse(0.0);
        OptionalDouble celsius =
                analysis.heat()
                        .map(heat -> OptionalDouble.of(round(heat.startCelsius(), 10)))
                        .orElse(OptionalDouble.empty());
        analysis.resistance()
                .map(resistance -> resistance.milliohms() - contact)
                .filter(Limit.RESISTANCE::holds)
                .ifPresent(milliohms ->
                        facts.add(
                                new ResistanceRead(
                                        cell.id(),
                                        round(milliohms, 10),
                                        ResistanceMethod.DC,
                                        bay,
                                        celsius)));
        analysis.heat()
                .ifPresent(heat ->
                        facts.add(
                                new RunFact.HeatSeen(
                                        cell.id(),
                                        run,
                                        Math.max(0, round(heat.riseKelvin(), 10)),
                                        round(heat.amps(), 1000))));
        for (Anomaly anomaly : analysis.anomalies())
            facts.add(
                    new RunFact.CurveOdd(
                            cell.id(), run, anomaly.kind(), anomaly.atSeconds(), anomaly.reason()));
        if (ending.end() == RunEnd.DONE && endsFull(analysis))
            facts.add(new RunFact.HoldBegan(cell.id(), holdDays(state, cell, chemistry)));
        return new Results(analysis, facts);
    }

    static RunFact.CapacityCorrected corrected(CellId cell, String run, Standardised standard) {
        return new RunFact.CapacityCorrected(
                cell,
                run,
                round(standard.milliampHours(), 10),
                round(standard.uncertaintyMilliampHours(), 10),
                standard.shares());
    }

    private static TestConditions conditions(
            Analysis analysis, Discharge discharge, Optional<String> bay, String run) {
        Optional<ChargeEnd> charge = analysis.chargeEnd();
        return new TestConditions(
                number(charge.map(ChargeEnd::volts), 1000),
                number(Optional.of(discharge.meanAmps()), 1000),
                number(Optional.of(discharge.endVolts()), 1000),
                number(charge.map(ChargeEnd::amps), 1000),
                number(charge.map(each -> each.restSeconds() / 60), 10),
                number(analysis.heat().map(Heat::meanCelsius), 10),
                bay,
                Optional.of(run));
    }

    private static OptionalDouble number(Optional<Double> value, double steps) {
        return value.filter(Double::isFinite)
                .map(each -> OptionalDouble.of(round(each, steps)))
                .orElse(OptionalDouble.empty());
    }

    /// Rounded to what an instrument of this trade can tell.
    private static double round(double value, double steps) {
        return Math.rint(value * steps) / steps;
    }

    private static boolean endsFull(Analysis analysis) {
        return analysis.steps().stream()
                .filter(step -> step.kind() != StepKind.REST)
                .reduce((before, after) -> after)
                .filter(step -> step.kind() == StepKind.CHARGE)
                .isPresent();
    }

    private static int holdDays(WorkshopState state, CellRecord cell, Chemistry chemistry) {
        // a rescued cell needs longer: copper that was dissolved shows up late
        return cell.isUnder(chemistry.endVolts())
                ? Schools.of(state).hold().rescuedDays()
                : Schools.of(state).hold().days();
    }
}
