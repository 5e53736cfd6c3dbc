package pentacell.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.pack.MatchRules;

/// What a school of matching makes of a lot: which cells it admits, which limit it sets, or that
/// nothing is searched at all.
sealed interface Schooled {

    /// Cells to search among, under these rules.
    record Admitted(List<Candidate> cells, MatchRules rules) implements Schooled {}

    /// A match that was dealt and not searched.
    record Dealt(MatchOutcome outcome) implements Schooled {}

    /// The school cannot be followed with these cells.
    record Obstacle(Infeasible infeasible) implements Schooled {}

    /// @param locks locked cells are admitted whatever the school says of them
    static Schooled of(
            List<Candidate> candidates, MatchRules rules, Map<CellId, Integer> locks, long seed) {
        return switch (rules.policyInUse().school()) {
            case EQUAL_SUMS -> new Admitted(candidates, rules);
            case RESISTANCE_FIRST -> {
                OptionalDouble least = PlainMatch.leastIrSpread(candidates, rules, locks, seed);
                // nothing to go by: the search then says what is missing
                yield new Admitted(
                        candidates,
                        least.isPresent()
                                ? rules.withMaxIrSpread(
                                        OptionalDouble.of(
                                                TradeOff.upToHundredth(least.getAsDouble())))
                                : rules);
            }
            case NARROW_BINS -> narrowBin(candidates, rules, locks);
            case TIGHT_POPULATION -> tightPopulation(candidates, rules, locks);
            case AS_THEY_COME -> new Dealt(AsTheyCome.deal(candidates, rules, locks));
        };
    }

    private static Schooled narrowBin(
            List<Candidate> candidates, MatchRules rules, Map<CellId, Integer> locks) {
        List<Candidate> cells = Eligible.of(candidates, rules, locks).cells();
        Run run = Run.narrowest(cells, Candidate::milliampHoursPerCan, rules.cellsNeeded());
        double width = rules.policyInUse().figure();
        if (cells.isEmpty() || run.isTooFew()) return new Admitted(candidates, rules);
        if (run.width() > width)
            return new Obstacle(
                    new Infeasible(new MatchObstacle.BinTooNarrow(rules, Math.ceil(run.width()))));
        Run strongest =
                Run.highest(cells, Candidate::milliampHoursPerCan, rules.cellsNeeded(), width);
        return new Admitted(strongest.or(locks), rules);
    }

    private static Schooled tightPopulation(
            List<Candidate> candidates, MatchRules rules, Map<CellId, Integer> locks) {
        List<Candidate> cells = Eligible.of(candidates, rules, locks).cells();
        if (Candidate.cans(cells) < rules.cellsNeeded()) return new Admitted(candidates, rules);
        double mean =
                cells.stream().mapToDouble(Candidate::milliampHoursPerCan).average().orElse(0);
        double sigma =
                Math.sqrt(
                        cells.stream()
                                .mapToDouble(cell -> square(cell.milliampHoursPerCan() - mean))
                                .average()
                                .orElse(0));
        double figure = rules.policyInUse().figure();
        // all alike: nobody is far from the mean
        ToDoubleFunction<Candidate> far =
                cell -> sigma == 0 ? 0 : Math.abs(cell.milliampHoursPerCan() - mean) / sigma;
        List<Candidate> within =
                cells.stream()
                        .filter(cell ->
                                far.applyAsDouble(cell) <= figure + 1e-9
                                        || locks.containsKey(cell.id()))
                        .toList();
        if (Candidate.cans(within) >= rules.cellsNeeded()) return new Admitted(within, rules);
        double works = Math.ceil(100 * reaching(cells, far, rules.cellsNeeded()) - 1e-6) / 100;
        return new Obstacle(new Infeasible(new MatchObstacle.PopulationTooTight(rules, works)));
    }

    private static double reaching(
            List<Candidate> cells, ToDoubleFunction<Candidate> far, int needed) {
        List<Candidate> nearest = new ArrayList<>(cells);
        nearest.sort(Comparator.comparingDouble(far));
        int cans = 0;
        for (Candidate cell : nearest) {
            cans += cell.count();
            if (cans >= needed) return far.applyAsDouble(cell);
        }
        throw new IllegalStateException("fewer cells than needed");
    }

    private static double square(double x) {
        return x * x;
    }

    /// Cells that follow each other in the order of a figure.
    ///
    /// @param cells all of them, rising
    /// @param from the first
    /// @param to the one after the last
    /// @param width from the first to the last
    record Run(List<Candidate> cells, int from, int to, double width) {
        boolean isTooFew() {
            return from == to;
        }

        /// The narrowest run that holds so many cans.
        static Run narrowest(
                List<Candidate> cells, ToDoubleFunction<Candidate> figure, int needed) {
            return best(cells, figure, needed, Comparator.comparingDouble(Run::width));
        }

        /// The highest run no wider than that which holds so many cans, with all that is as near to
        /// its top.
        static Run highest(
                List<Candidate> cells,
                ToDoubleFunction<Candidate> figure,
                int needed,
                double width) {
            Comparator<Run> order =
                    Comparator.comparingInt((Run run) -> run.width() > width ? 1 : 0)
                            .thenComparingInt(run -> -run.to());
            Run run = best(cells, figure, needed, order);
            int from = run.from();
            double top = figure.applyAsDouble(run.cells().get(run.to() - 1));
            while (from > 0 && top - figure.applyAsDouble(run.cells().get(from - 1)) <= width)
                from--;
            return new Run(run.cells(), from, run.to(), width);
        }

        private static Run best(
                List<Candidate> cells,
                ToDoubleFunction<Candidate> figure,
                int needed,
                Comparator<Run> order) {
            List<Candidate> rising = new ArrayList<>(cells);
            rising.sort(Comparator.comparingDouble(figure).thenComparing(Candidate::id));
            Optional<Run> best = Optional.empty();
            int from = 0;
            int cans = 0;
            for (int to = 1; to <= rising.size(); to++) {
                cans += rising.get(to - 1).count();
                while (cans - rising.get(from).count() >= needed)
                    cans -= rising.get(from++).count();
                if (cans < needed) continue;
                Run run =
                        new Run(
                                rising,
                                from,
                                to,
                                figure.applyAsDouble(rising.get(to - 1))
                                        - figure.applyAsDouble(rising.get(from)));
                if (best.isEmpty() || order.compare(run, best.get()) < 0) best = Optional.of(run);
            }
            return best.orElse(new Run(rising, 0, 0, 0));
        }

        /// The cells of the run, and those that are locked.
        List<Candidate> or(Map<CellId, Integer> locks) {
            List<Candidate> chosen = new ArrayList<>(cells.subList(from, to));
            for (int i = 0; i < cells.size(); i++)
                if ((i < from || i >= to) && locks.containsKey(cells.get(i).id()))
                    chosen.add(cells.get(i));
            return chosen;
        }
    }
}
