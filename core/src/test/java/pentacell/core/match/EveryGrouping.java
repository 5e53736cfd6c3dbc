package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;

/// Small lots and the best of all their groupings, found by trying each.
final class EveryGrouping {
    private EveryGrouping() {}

    static List<Candidate> lot(Random random, int cells) {
        List<Candidate> lot = new ArrayList<>();
        boolean isTied = random.nextBoolean();
        for (int i = 0; i < cells; i++) {
            int capacity = 1 + random.nextInt(random.nextBoolean() ? 30 : 6);
            int milliohms = isTied ? 40 - capacity + random.nextInt(4) : 10 + random.nextInt(12);
            lot.add(Lots.cell("C" + i, capacity, OptionalDouble.of(milliohms), "M", "D"));
        }
        return lot;
    }

    /// The same with units of up to three cans, whose cans are alike.
    static List<Candidate> lotWithUnits(Random random, int cells) {
        return lot(random, cells).stream()
                .map(cell -> {
                    int cans = random.nextBoolean() ? 1 : 1 + random.nextInt(3);
                    return new Candidate(
                            cell.id(),
                            cell.milliampHours() * cans + random.nextInt(cans),
                            OptionalDouble.of(cell.milliohms().orElseThrow() / cans),
                            cell.model(),
                            cell.donor(),
                            cell.chemistry(),
                            cell.format(),
                            OptionalDouble.empty(),
                            "",
                            false,
                            cans);
                })
                .toList();
    }

    /// The best smallest group of all groupings within the limit; −1 when there is none.
    static int best(List<Candidate> cells, int[] sizes, double limit) {
        return best(
                cells,
                sizes,
                limit,
                0,
                new int[sizes.length],
                new int[sizes.length],
                filled(sizes.length, Double.POSITIVE_INFINITY),
                filled(sizes.length, Double.NEGATIVE_INFINITY));
    }

    private static double[] filled(int length, double value) {
        double[] array = new double[length];
        Arrays.fill(array, value);
        return array;
    }

    private static int best(
            List<Candidate> cells,
            int[] sizes,
            double limit,
            int next,
            int[] counts,
            int[] sums,
            double[] lowest,
            double[] highest) {
        if (next == cells.size()) {
            for (int g = 0; g < sizes.length; g++) if (counts[g] < sizes[g]) return -1;
            return Arrays.stream(sums).min().orElseThrow();
        }
        int found = best(cells, sizes, limit, next + 1, counts, sums, lowest, highest);
        Candidate cell = cells.get(next);
        double r = cell.milliohmsPerCan().orElseThrow();
        for (int g = 0; g < sizes.length; g++) {
            double low = Math.min(lowest[g], r);
            double high = Math.max(highest[g], r);
            if (counts[g] + cell.count() > sizes[g] || high - low > limit) continue;
            double lowBefore = lowest[g];
            double highBefore = highest[g];
            counts[g] += cell.count();
            sums[g] += (int) cell.milliampHours();
            lowest[g] = low;
            highest[g] = high;
            found =
                    Math.max(
                            found,
                            best(cells, sizes, limit, next + 1, counts, sums, lowest, highest));
            counts[g] -= cell.count();
            sums[g] -= (int) cell.milliampHours();
            lowest[g] = lowBefore;
            highest[g] = highBefore;
        }
        return found;
    }
}
