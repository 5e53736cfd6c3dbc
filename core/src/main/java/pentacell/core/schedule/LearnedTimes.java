package pentacell.core.schedule;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hipparchus.stat.descriptive.rank.Median;
import pentacell.core.bay.Bay;
import pentacell.core.bay.Instrument;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.fact.Cell;
import pentacell.core.fact.Cell.Fate;
import pentacell.core.fact.Cell.LifeLineEntry;
import pentacell.core.fact.RunFact;
import pentacell.core.fact.RunFact.RunEnd;
import pentacell.core.fact.WorkshopState;
import pentacell.core.intake.Instruction;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.measure.TestProgramme;
import pentacell.core.school.IntakeVerdict;

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
        for (Instrument instrument : state.instruments().values())
            for (Bay bay : instrument.bays()) bays.put(bay.name(), bay);
        Map<String, List<Double>> ratios = new HashMap<>();
        for (Cell cell : state.cells().values()) {
            Optional<String> bayName = Optional.empty();
            for (LifeLineEntry entry : cell.lifeLine()) {
                if (entry.fate() != Fate.STANDING) continue;
                if (entry.fact() instanceof RunFact.RunStarted started)
                    bayName = Optional.of(started.bay());
                if (entry.fact() instanceof RunFact.RunEnded ended
                        && ended.end() == RunEnd.DONE
                        && ended.seconds().isPresent()) {
                    Optional<Bay> bay = bayName.map(bays::get);
                    if (bay.isPresent())
                        ratios.computeIfAbsent(bay.get().instrument(), name -> new ArrayList<>())
                                .add(
                                        ended.seconds().getAsDouble()
                                                / predicted(state, cell, bay.get()));
                }
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

    /// What was predicted of a run before it began: from the first voltage and the rating alone.
    private static double predicted(WorkshopState state, Cell cell, Bay bay) {
        Optional<CellModel> model = state.modelOf(cell);
        Chemistry chemistry = CellModel.chemistryOf(model);
        return PhaseTimes.seconds(
                TestProgramme.of(
                        new WaitingForTest(
                                cell,
                                chemistry,
                                Instruction.of(
                                        IntakeVerdict.NORMAL,
                                        model,
                                        state.schools().bands(chemistry))),
                        model,
                        state.schools().test(),
                        bay,
                        OptionalDouble.empty()),
                chemistry,
                cell.firstVolts().orElse(chemistry.nominalVolts()),
                PhaseTimes.USUAL_SHARE_OF_RATING
                        * model.map(CellModel::ratedMinimumMilliampHours).orElse(2000.0),
                PhaseTimes.USUAL_OHMS);
    }

    /// Actual ÷ predicted of an instrument; 1 until there are enough runs.
    public double factor(String instrument) {
        return factors.getOrDefault(instrument, 1.0);
    }
}
