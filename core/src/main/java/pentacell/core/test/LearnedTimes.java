package pentacell.core.test;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hipparchus.stat.descriptive.rank.Median;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.cell.TestRun;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.measure.TestProgramme;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.school.Schools;
import pentacell.core.school.TestSchool;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Bench;
import pentacell.core.test.facts.Instrument;

/// How much longer or shorter than predicted the tests of this workshop took, by instrument: the
/// middle of actual ÷ predicted over the runs that were done.
public final class LearnedTimes {
    /// So many runs teach something.
    private static final int LEAST_RUNS = 5;

    private static final double LEAST_FACTOR = 0.5;
    private static final double MOST_FACTOR = 2;

    private final Map<String, Double> factors;

    private LearnedTimes(Map<String, Double> factors) {
        this.factors = factors;
    }

    /// What the runs of a workshop teach.
    public static LearnedTimes of(WorkshopState state) {
        Map<String, Bay> bays = new HashMap<>();
        for (Instrument instrument : Bench.of(state).instruments().values())
            for (Bay bay : instrument.bays()) bays.put(bay.name(), bay);
        Map<String, List<Double>> ratios = new HashMap<>();
        for (CellRecord cell : Cells.of(state).all().values()) {
            for (TestRun run : cell.runs()) {
                if (!run.counts()) continue;
                Optional<Bay> bay = Optional.ofNullable(bays.get(run.bay()));
                OptionalDouble seconds =
                        run.end()
                                .filter(end -> end.ending().end() == RunEnd.DONE)
                                .map(TestRun.End::seconds)
                                .orElse(OptionalDouble.empty());
                if (bay.isPresent() && seconds.isPresent())
                    ratios.computeIfAbsent(bay.get().instrument(), name -> new ArrayList<>())
                            .add(seconds.getAsDouble() / predicted(state, cell, run, bay.get()));
            }
        }
        Map<String, Double> factors = new HashMap<>();
        ratios.forEach((instrument, values) -> {
            if (values.size() < LEAST_RUNS) return;
            double middle =
                    new Median()
                            .evaluate(values.stream().mapToDouble(Double::doubleValue).toArray());
            factors.put(instrument, Math.clamp(middle, LEAST_FACTOR, MOST_FACTOR));
        });
        return new LearnedTimes(factors);
    }

    /// What was predicted of a run before it began: from the first voltage and the rating alone, at
    /// the rate and to the end it was made with, whatever the school is today.
    private static double predicted(WorkshopState state, CellRecord cell, TestRun run, Bay bay) {
        Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
        Chemistry chemistry = CellModel.chemistryOf(model);
        return PhaseTimes.seconds(
                TestProgramme.of(
                        WaitingForTest.after(IntakeVerdict.NORMAL, cell, state),
                        model,
                        madeUnder(Schools.of(state).test(), cell, run),
                        bay,
                        OptionalDouble.empty()),
                chemistry,
                cell.firstVolts().orElse(chemistry.nominalVolts()),
                PhaseTimes.USUAL_SHARE_OF_RATING
                        * model.map(CellModel::ratedMinimumMilliampHours).orElse(2000.0),
                PhaseTimes.USUAL_OHMS);
    }

    private static TestSchool madeUnder(TestSchool today, CellRecord cell, TestRun run) {
        return cell.conditionsOf(run.run())
                .map(made -> today.at(made.dischargeAmps(), made.endVolts()))
                .orElse(today);
    }

    /// Actual ÷ predicted of an instrument; 1 until there are enough runs.
    public double factor(String instrument) {
        return factors.getOrDefault(instrument, 1.0);
    }
}
