package pentacell.core.match;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/// Groups cut as windows from a row of cells, each window keeping the limits on IR spread and
/// models.
///
/// For equal groups and an IR limit alone the greedy cut is exact: if any grouping keeps the limit,
/// then so does one whose groups are runs in IR order, and taking each run as early as it is
/// allowed leaves the most room for the rest. With a model cap of one the same holds inside each
/// model. Otherwise it is a good try, mended by [LimitRepair].
final class Windows {
    private static final int BISECTIONS = 16;
    private static final int MOST_STOPS = 400;

    private Windows() {}

    /// Cuts groups, or empty when the row gives out before every group is full.
    static Optional<int[]> cut(CandidateTable lot) {
        for (int[] order : orders(lot)) {
            for (int[] groups : groupOrders(lot)) {
                Optional<int[]> found = cut(lot, order, groups);
                if (found.isPresent()) return found;
            }
        }
        return Optional.empty();
    }

    /// Cuts groups that are strong as well: along the IR order each takes the strongest cells
    /// within the limit, but only where they come to a bar; weak stretches are passed over. The
    /// highest bar that still fills every group is found by bisection.
    ///
    /// @param stop asked on the way; the highest bar reached so far is then taken
    /// @return empty where it does not apply: without an IR limit, with locks, or for groups of
    ///   unequal size
    static Optional<int[]> cutStrongest(CandidateTable lot, BooleanSupplier stop) {
        boolean equalSizes = Arrays.stream(lot.groupSizes()).distinct().count() == 1;
        if (!lot.limitsIrSpread() || lot.hasLocks() || !equalSizes) return Optional.empty();
        int[] order = sorted(lot, Comparator.comparingDouble(lot::milliohms));
        long low = 0;
        long high = (long) lot.ticks(0) * lot.groupSizes()[0];
        Optional<int[]> best = Optional.empty();
        for (int i = 0; i < BISECTIONS && low <= high && !stop.getAsBoolean(); i++) {
            long bar = (low + high) >>> 1;
            Optional<int[]> cut = cutAbove(lot, order, bar, stop);
            if (cut.isPresent()) {
                best = cut;
                low = bar + 1;
            } else high = bar - 1;
        }
        return best;
    }

    private static Optional<int[]> cutAbove(
            CandidateTable lot, int[] order, long bar, BooleanSupplier stop) {
        int stride = Math.max(1, order.length / MOST_STOPS);
        int[] groupOf = new int[lot.size()];
        Arrays.fill(groupOf, lot.groups());
        int group = 0;
        int from = 0;
        while (group < lot.groups() && from < order.length && !stop.getAsBoolean()) {
            int[] strongest = strongestFrom(lot, order, groupOf, from);
            boolean reachesBar =
                    strongest.length == lot.groupSizes()[0]
                            && Arrays.stream(strongest).mapToLong(lot::ticks).sum() >= bar;
            if (reachesBar) {
                for (int cell : strongest) groupOf[cell] = group;
                group++;
            } else from += stride;
        }
        return group == lot.groups() ? Optional.of(groupOf) : Optional.empty();
    }

    /// The strongest free cells from a place in the row on that keep the IR limit together, a
    /// group's worth at most.
    private static int[] strongestFrom(CandidateTable lot, int[] order, int[] groupOf, int from) {
        double highest = lot.milliohms(order[from]) + lot.maxIrSpread() + 1e-9;
        // cells of a lot are numbered strongest first
        return Arrays.stream(order, from, order.length)
                .takeWhile(cell -> lot.milliohms(cell) <= highest)
                .filter(cell -> groupOf[cell] == lot.groups())
                .sorted()
                .limit(lot.groupSizes()[0])
                .toArray();
    }

    private static Optional<int[]> cut(CandidateTable lot, int[] order, int[] groups) {
        int[] groupOf = new int[lot.size()];
        Arrays.fill(groupOf, lot.groups());
        int next = 0;
        for (int group : groups) {
            int size = lot.groupSizes()[group];
            while (next + size <= order.length && !keepsLimits(lot, order, next, size)) next++;
            if (next + size > order.length) return Optional.empty();
            for (int i = next; i < next + size; i++) groupOf[order[i]] = group;
            next += size;
        }
        return Optional.of(groupOf);
    }

    private static boolean keepsLimits(CandidateTable lot, int[] order, int from, int size) {
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        boolean[] seen = new boolean[lot.models()];
        int models = 0;
        for (int i = from; i < from + size; i++) {
            int cell = order[i];
            low = Math.min(low, lot.milliohms(cell));
            high = Math.max(high, lot.milliohms(cell));
            if (!seen[lot.model(cell)]) {
                seen[lot.model(cell)] = true;
                models++;
            }
        }
        boolean spreadKept = !lot.limitsIrSpread() || high - low <= lot.maxIrSpread() + 1e-9;
        return spreadKept && models <= lot.maxModels();
    }

    private static Iterable<int[]> orders(CandidateTable lot) {
        Comparator<Integer> byIr = Comparator.comparingDouble(lot::milliohms);
        Comparator<Integer> byModel = Comparator.comparingInt(lot::model);
        int[] alongIr = sorted(lot, byIr);
        int[] alongModel = sorted(lot, byModel.thenComparing(byIr));
        return lot.limitsModels()
                ? java.util.List.of(alongModel, alongIr)
                : java.util.List.of(alongIr);
    }

    private static int[] sorted(CandidateTable lot, Comparator<Integer> order) {
        return IntStream.range(0, lot.size())
                .boxed()
                .sorted(order)
                .mapToInt(Integer::intValue)
                .toArray();
    }

    private static Iterable<int[]> groupOrders(CandidateTable lot) {
        int[] asGiven = IntStream.range(0, lot.groups()).toArray();
        Comparator<Integer> bySize = Comparator.comparingInt(group -> lot.groupSizes()[group]);
        int[] rising =
                IntStream.of(asGiven).boxed().sorted(bySize).mapToInt(Integer::intValue).toArray();
        int[] falling =
                IntStream.of(asGiven)
                        .boxed()
                        .sorted(bySize.reversed())
                        .mapToInt(Integer::intValue)
                        .toArray();
        return java.util.List.of(asGiven, rising, falling);
    }
}
