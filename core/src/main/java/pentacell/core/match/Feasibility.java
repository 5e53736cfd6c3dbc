package pentacell.core.match;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.pack.MatchRules;

/// Finds first groupings that keep every limit; when there are none, the limit at fault and the
/// nearest value that works.
final class Feasibility {
    private final List<Candidate> cells;
    private final MatchRules rules;
    private final Map<CellId, Integer> locks;
    private final long seed;
    private final BooleanSupplier stop;

    Feasibility(
            List<Candidate> cells,
            MatchRules rules,
            Map<CellId, Integer> locks,
            long seed,
            BooleanSupplier stop) {
        this.stop = stop;
        this.cells = cells;
        this.rules = rules;
        this.locks = locks;
        this.seed = seed;
    }

    /// Groupings that keep the limits; empty when none was found.
    List<Grouping> starts() {
        return starts(rules);
    }

    private List<Grouping> starts(MatchRules tried) {
        CandidateTable lot = new CandidateTable(cells, tried, locks);
        List<Grouping> keeping = new ArrayList<>();
        List<Grouping> broken = new ArrayList<>();
        for (Grouping start : Starts.all(lot, tried.selection(), stop))
            (start.violation() == 0 ? keeping : broken).add(start);
        SplittableRandom random = new SplittableRandom(seed);
        for (Grouping start : broken) {
            // mending is a gamble and takes time: enough when there is something to begin with
            if (keeping.size() >= 2
                    || !keeping.isEmpty() && (stop.getAsBoolean() || SparingSweep.isFor(lot)))
                break;
            if (LimitRepair.mend(start, random)) keeping.add(start);
        }
        return keeping;
    }

    private boolean works(MatchRules tried) {
        return !starts(tried).isEmpty();
    }

    /// Why [#starts()] found none.
    Infeasible obstacle() {
        MatchRules anySpread = rules.withMaxIrSpread(OptionalDouble.empty());
        if (rules.maxIrSpreadMilliohms().isPresent() && works(anySpread)) return spreadObstacle();
        MatchRules anyModels = rules.withMaxModels(OptionalInt.empty());
        if (rules.maxModels().isPresent() && works(anyModels)) return modelsObstacle();
        if (cells.stream().anyMatch(cell -> cell.count() > 1)) return unitsObstacle();
        return new Infeasible(new MatchObstacle.LocksUnmet());
    }

    private Infeasible spreadObstacle() {
        double[] spreads = possibleSpreads();
        int nearest =
                firstThat(
                        spreads.length,
                        i -> works(rules.withMaxIrSpread(OptionalDouble.of(spreads[i]))));
        return new Infeasible(
                new MatchObstacle.IrSpread(
                        rules,
                        nearest < spreads.length
                                ? OptionalDouble.of(Math.ceil(10 * spreads[nearest] - 1e-6) / 10)
                                : OptionalDouble.empty()));
    }

    private Infeasible unitsObstacle() {
        List<Integer> counts = cells.stream().map(Candidate::count).distinct().sorted().toList();
        int largest = rules.groupSizes().stream().mapToInt(Integer::intValue).max().orElseThrow();
        OptionalInt parallel =
                IntStream.iterate(largest - 1, size -> size > 0, size -> size - 1)
                        .filter(size ->
                                works(
                                        rules.with(change ->
                                                change.groupSizes(
                                                        Collections.nCopies(
                                                                rules.series(), size)))))
                        .findFirst();
        return new Infeasible(new MatchObstacle.UnitsDoNotFill(rules, counts, parallel));
    }

    private Infeasible modelsObstacle() {
        int cap = rules.maxModels().orElseThrow();
        int models = (int) cells.stream().map(Candidate::model).distinct().count();
        int nearest =
                cap
                        + 1
                        + firstThat(
                                models - cap,
                                i -> works(rules.withMaxModels(OptionalInt.of(cap + 1 + i))));
        return new Infeasible(new MatchObstacle.Models(rules, nearest));
    }

    /// Every spread over the limit that a group can have, rising; the least limit that works is
    /// among them. Without locks and model caps groups are runs in IR order and only the widths of
    /// such runs count, else any two cells may be the extremes.
    private double[] possibleSpreads() {
        double[] milliohms =
                cells.stream()
                        .mapToDouble(cell -> cell.milliohmsPerCan().orElseThrow())
                        .sorted()
                        .toArray();
        boolean groupsAreRuns =
                locks.isEmpty()
                        && rules.maxModels().isEmpty()
                        && cells.stream().allMatch(cell -> cell.count() == 1);
        double limit = rules.maxIrSpreadMilliohms().orElseThrow();
        IntStream reaches =
                groupsAreRuns
                        ? rules.groupSizes().stream().mapToInt(size -> size - 1).distinct()
                        : IntStream.range(1, milliohms.length);
        return reaches.boxed()
                .flatMapToDouble(reach ->
                        IntStream.range(0, milliohms.length - reach)
                                .mapToDouble(i -> milliohms[i + reach] - milliohms[i]))
                .filter(spread -> spread > limit)
                .sorted()
                .distinct()
                .toArray();
    }

    /// The first index from 0 that works, by bisection; `count` when none does.
    private static int firstThat(int count, IntPredicate works) {
        int from = 0;
        int to = count;
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (works.test(middle)) to = middle;
            else from = middle + 1;
        }
        return from;
    }

    /// The smallest limit on IR spread that admits a grouping, in mΩ; empty when an IR is missing
    /// or none does.
    OptionalDouble leastIrSpread() {
        if (cells.stream().anyMatch(cell -> cell.milliohms().isEmpty()))
            return OptionalDouble.empty();
        MatchRules any = rules.withMaxIrSpread(OptionalDouble.of(0));
        Feasibility unlimited = new Feasibility(cells, any, locks, seed, stop);
        double[] spreads = unlimited.possibleSpreads();
        if (works(any)) return OptionalDouble.of(0);
        int first =
                firstThat(
                        spreads.length,
                        i -> works(any.withMaxIrSpread(OptionalDouble.of(spreads[i]))));
        return first < spreads.length ? OptionalDouble.of(spreads[first]) : OptionalDouble.empty();
    }
}
