package pentacell.core.match;

import java.util.SplittableRandom;
import pentacell.core.pack.EveningWeights;

/// Spends the freedom that is left below the meter's noise: evens out the groups' resistance and
/// spreads the donors, while every sum stays in its window.
///
/// Cost = weight × Σ (G ÷ Ḡ − 1)² ÷ S in units of (1 %)², G being a group's conductance Σ 1 ÷ R,
/// plus by their weights the cell pairs in a group that come from one donor, and those that are of
/// one model. Swaps between groups only, so Ḡ stays what it is.
final class ResistanceBalance {
    private static final double ONE_PERCENT_SQUARED = 1e-4;

    private final Grouping grouping;
    private final CandidateTable lot;
    private final double[] conductance;
    private final double meanConductance;
    private final int[][] donorCount;
    private final int[][] modelCount;
    private final EveningWeights weights;

    ResistanceBalance(Grouping grouping, EveningWeights weights) {
        this.grouping = grouping;
        this.weights = weights;
        this.lot = grouping.lot;
        conductance = new double[lot.groups()];
        donorCount = new int[lot.groups()][lot.donors()];
        modelCount = new int[lot.groups()][lot.models()];
        double total = 0;
        for (int group = 0; group < lot.groups(); group++) {
            for (int cell : grouping.members(group)) {
                if (lot.hasEveryResistance()) conductance[group] += lot.conductance(cell);
                donorCount[group][lot.donor(cell)]++;
                modelCount[group][lot.model(cell)]++;
            }
            total += conductance[group];
        }
        meanConductance = total / lot.groups();
    }

    /// Evens in place; every group's sum ends from `low` to `high` ticks.
    void run(long low, long high, int proposals, SplittableRandom random) {
        if (lot.groups() < 2) return;
        for (int i = 0; i < proposals; i++) {
            int a = random.nextInt(lot.groups());
            int b = random.nextInt(lot.groups() - 1);
            if (b >= a) b++;
            int x = anyOf(a, random);
            int y = anyOf(b, random);
            long moved = (long) lot.ticks(x) - lot.ticks(y);
            long sumOfA = grouping.sum[a] - moved;
            long sumOfB = grouping.sum[b] + moved;
            if (Math.min(sumOfA, sumOfB) < low || Math.max(sumOfA, sumOfB) > high) continue;
            if (costChange(a, b, x, y) >= 0 || !grouping.maySwap(x, y)) continue;
            swap(a, b, x, y);
        }
    }

    private double costChange(int a, int b, int x, int y) {
        double change = 0;
        if (meanConductance > 0) {
            double moved = lot.conductance(x) - lot.conductance(y);
            change +=
                    weights.resistance()
                            * (unevenness(conductance[a] - moved)
                                    + unevenness(conductance[b] + moved)
                                    - unevenness(conductance[a])
                                    - unevenness(conductance[b]))
                            / (ONE_PERCENT_SQUARED * lot.groups());
        }
        double pairs =
                weights.donors() * pairsGained(donorCount, a, b, lot.donor(x), lot.donor(y))
                        + weights.models()
                                * pairsGained(modelCount, a, b, lot.model(x), lot.model(y));
        return change + pairs / lot.groups();
    }

    /// How many more ordered pairs of one kind there are after one of kind x left group a for one
    /// of kind y in b.
    private static double pairsGained(int[][] count, int a, int b, int x, int y) {
        if (x == y) return 0;
        // n² − (n − 1)² = 2n − 1 for each count that moves by one
        return 2.0 * (count[a][y] - (count[a][x] - 1) + count[b][x] - (count[b][y] - 1));
    }

    private double unevenness(double groupConductance) {
        double share = groupConductance / meanConductance - 1;
        return share * share;
    }

    private void swap(int a, int b, int x, int y) {
        if (meanConductance > 0) {
            double moved = lot.conductance(x) - lot.conductance(y);
            conductance[a] -= moved;
            conductance[b] += moved;
        }
        move(donorCount, a, b, lot.donor(x), lot.donor(y));
        move(modelCount, a, b, lot.model(x), lot.model(y));
        grouping.swap(x, y);
    }

    private static void move(int[][] count, int a, int b, int x, int y) {
        count[a][x]--;
        count[a][y]++;
        count[b][y]--;
        count[b][x]++;
    }

    private int anyOf(int group, SplittableRandom random) {
        int[] members = grouping.members(group);
        return members[random.nextInt(members.length)];
    }
}
