package pentacell.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import pentacell.core.cell.CellId;
import pentacell.core.pack.MatchRules;

/// The cells of a lot that a match needs to look at.
///
/// Where the strongest are wanted, a stronger cell in the place of a weaker one never lowers a
/// group. Without a limit the best smallest group is had from the strongest cells alone; under a
/// cap on models, from the strongest of each model. Under a limit L on IR each group lies in a
/// window of that width, and the window of a group with a cell of resistance r holds all of [r −
/// L/2, r] or all of [r, r + L/2]: a cell that finds enough stronger ones for the whole pack in
/// both halves is never needed, for one of them is free and can take its place. A good many more
/// are looked at for the sake of a small spread. A shelf of a million cells that are far weaker
/// would only be carried along.
///
/// Where the tightest are wanted this proves nothing, but of a huge shelf the strongest tens of
/// thousands hold equal groups as well as any.
///
/// @param near to be searched
/// @param far not needed, strongest first
record Reach(List<Candidate> near, List<Candidate> far) {
    private static final int LEAST_SPARE = 4_000;

    /// Within each half window: the windows overlap, so fewer give as much choice.
    private static final int LEAST_SPARE_IN_WINDOW = 500;

    private static final int HUGE = 100_000;

    /// Strongest first, then by id: never by the order of the input.
    static final Comparator<Candidate> STRONGEST_FIRST =
            Comparator.comparingDouble(Candidate::milliampHours)
                    .reversed()
                    .thenComparing(Candidate::id);

    static Reach of(List<Candidate> cells, MatchRules rules, Map<CellId, Integer> locks) {
        int needed = rules.cellsNeeded();
        int looked = Math.max(2 * needed, needed + LEAST_SPARE);
        boolean isOrdered =
                switch (rules.selection()) {
                    case STRONGEST -> true;
                    case TIGHTEST -> cells.size() > HUGE;
                    case ALL -> false;
                };
        // units do not take each other's places one by one
        boolean hasUnits = cells.stream().anyMatch(cell -> cell.count() > 1);
        if (!isOrdered || hasUnits || cells.size() <= looked) return new Reach(cells, List.of());
        boolean isLimited = rules.maxIrSpreadMilliohms().isPresent();
        return of(
                cells,
                rules,
                locks,
                isLimited ? Math.max(5 * needed / 4, needed + LEAST_SPARE_IN_WINDOW) : looked);
    }

    /// Lays aside each free cell that has `enough` stronger ones that could take its place.
    static Reach of(
            List<Candidate> cells, MatchRules rules, Map<CellId, Integer> locks, int enough) {
        List<Candidate> ordered = new ArrayList<>(cells);
        ordered.sort(STRONGEST_FIRST);
        double halfWindow = rules.maxIrSpreadMilliohms().orElse(0) / 2;
        // without a limit all lie at one place
        ToDoubleFunction<Candidate> place =
                rules.maxIrSpreadMilliohms().isPresent()
                        ? cell -> cell.milliohms().orElseThrow()
                        : cell -> 0;
        Function<Candidate, String> kind =
                rules.maxModels().isPresent() ? Candidate::model : cell -> "";
        double[] row = ordered.stream().mapToDouble(place).sorted().distinct().toArray();
        Map<String, Stronger> strongerOf = new HashMap<>();
        List<Candidate> near = new ArrayList<>();
        List<Candidate> far = new ArrayList<>();
        for (Candidate cell : ordered) {
            Stronger stronger =
                    strongerOf.computeIfAbsent(kind.apply(cell), name -> new Stronger(row));
            double at = place.applyAsDouble(cell);
            boolean isNeeded =
                    locks.containsKey(cell.id())
                            || stronger.count(at - halfWindow, at) < enough
                            || stronger.count(at, at + halfWindow) < enough;
            (isNeeded ? near : far).add(cell);
            stronger.add(at);
        }
        return new Reach(near, far);
    }

    /// Counts along the row of resistances.
    private static final class Stronger {
        private final double[] row;
        private final int[] counts;

        Stronger(double[] rising) {
            row = rising;
            counts = new int[rising.length + 1];
        }

        void add(double milliohms) {
            for (int i = before(milliohms) + 1; i < counts.length; i += i & -i) counts[i]++;
        }

        /// How many of those added lie from one resistance to another, both included.
        int count(double from, double to) {
            return sum(before(Math.nextUp(to))) - sum(before(from));
        }

        private int sum(int places) {
            int sum = 0;
            for (int i = places; i > 0; i -= i & -i) sum += counts[i];
            return sum;
        }

        /// How many of the row are lower.
        private int before(double milliohms) {
            int low = 0;
            int high = row.length;
            while (low < high) {
                int middle = (low + high) >>> 1;
                if (row[middle] < milliohms) low = middle + 1;
                else high = middle;
            }
            return low;
        }
    }
}
