package pentacell.core.match;

import java.util.SplittableRandom;

/// Spends the freedom that is left below the meter's noise: evens out the groups' resistance and
/// spreads the donors, while every sum stays in its window.
///
/// Cost = Σ (G ÷ Ḡ − 1)² ÷ S in units of (1 %)², G being a group's conductance Σ 1 ÷ R, plus the
/// share of cell pairs in a group that come from one donor. Swaps between groups only, so Ḡ stays
/// what it is.
final class ResistanceBalance {
    private static final double ONE_PERCENT_SQUARED = 1e-4;
    private static final double DONOR_WEIGHT = 0.05;

    private final Grouping grouping;
    private final CandidateTable lot;
    private final double[] conductance;
    private final double meanConductance;
    private final int[][] donorCount;

    ResistanceBalance(Grouping grouping) {
        this.grouping = grouping;
        this.lot = grouping.lot;
        conductance = new double[lot.groups()];
        donorCount = new int[lot.groups()][lot.donors()];
        double total = 0;
        for (int group = 0; group < lot.groups(); group++) {
            for (int cell : grouping.members(group)) {
                if (lot.hasEveryResistance()) conductance[group] += lot.conductance(cell);
                donorCount[group][lot.donor(cell)]++;
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
                    (unevenness(conductance[a] - moved)
                                    + unevenness(conductance[b] + moved)
                                    - unevenness(conductance[a])
                                    - unevenness(conductance[b]))
                            / (ONE_PERCENT_SQUARED * lot.groups());
        }
        int donorOfX = lot.donor(x);
        int donorOfY = lot.donor(y);
        if (donorOfX != donorOfY) {
            // n² − (n − 1)² = 2n − 1 for each count that moves by one
            int pairs =
                    donorCount[a][donorOfY]
                            - (donorCount[a][donorOfX] - 1)
                            + donorCount[b][donorOfX]
                            - (donorCount[b][donorOfY] - 1);
            change += DONOR_WEIGHT * 2 * pairs / lot.groups();
        }
        return change;
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
        donorCount[a][lot.donor(x)]--;
        donorCount[a][lot.donor(y)]++;
        donorCount[b][lot.donor(y)]--;
        donorCount[b][lot.donor(x)]++;
        grouping.swap(x, y);
    }

    private int anyOf(int group, SplittableRandom random) {
        int[] members = grouping.members(group);
        return members[random.nextInt(members.length)];
    }
}
