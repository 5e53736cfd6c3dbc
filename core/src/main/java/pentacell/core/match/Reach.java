package pentacell.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import pentacell.core.cell.CellId;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// The cells of a lot that a match needs to look at.
///
/// Where the strongest are wanted and nothing but a limit on IR binds cells together, a stronger
/// cell in the place of a weaker one never lowers a group. Without a limit the best smallest group
/// is had from the strongest cells alone. Under a limit L each group lies in a window of that
/// width, and the window of a group with a cell of resistance r holds all of [r − L/2, r] or all of
/// [r, r + L/2]: a cell that finds enough stronger ones for the whole pack in both halves is never
/// needed, for one of them is free and can take its place. A good many more are looked at for the
/// sake of a small spread. A shelf of a million cells that are far weaker would only be carried
/// along.
///
/// @param near to be searched
/// @param far not needed, strongest first
record Reach(List<Candidate> near, List<Candidate> far) {
    private static final int LEAST_SPARE = 4_000;

    /// Within each half window: the windows overlap, so fewer give as much choice.
    private static final int LEAST_SPARE_IN_WINDOW = 500;

    /// Strongest first, then by id: never by the order of the input.
    static final Comparator<Candidate> STRONGEST_FIRST =
            Comparator.comparingDouble(Candidate::milliampHours)
                    .reversed()
                    .thenComparing(Candidate::id);

    static Reach of(List<Candidate> cells, MatchRules rules, Map<CellId, Integer> locks) {
        int needed = rules.cellsNeeded();
        int looked = Math.max(2 * needed, needed + LEAST_SPARE);
        boolean bind =
                rules.selection() != Selection.STRONGEST
                        || rules.maxModels().isPresent()
                        || !locks.isEmpty();
        if (bind || cells.size() <= looked) return new Reach(cells, List.of());
        List<Candidate> ordered = new ArrayList<>(cells);
        ordered.sort(STRONGEST_FIRST);
        if (rules.maxIrSpreadMilliohms().isPresent())
            return underLimit(
                    ordered,
                    rules.maxIrSpreadMilliohms().getAsDouble() / 2,
                    Math.max(5 * needed / 4, needed + LEAST_SPARE_IN_WINDOW));
        return new Reach(
                List.copyOf(ordered.subList(0, looked)),
                List.copyOf(ordered.subList(looked, ordered.size())));
    }

    /// Lays aside each cell that has `enough` stronger ones in both halves of its window.
    static Reach underLimit(List<Candidate> ordered, double halfWindow, int enough) {
        double[] row =
                ordered.stream()
                        .mapToDouble(cell -> cell.milliohms().orElseThrow())
                        .sorted()
                        .toArray();
        Stronger stronger = new Stronger(row);
        List<Candidate> near = new ArrayList<>();
        List<Candidate> far = new ArrayList<>();
        for (Candidate cell : ordered) {
            double milliohms = cell.milliohms().orElseThrow();
            boolean isNeeded =
                    stronger.count(milliohms - halfWindow, milliohms) < enough
                            || stronger.count(milliohms, milliohms + halfWindow) < enough;
            (isNeeded ? near : far).add(cell);
            stronger.add(milliohms);
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
