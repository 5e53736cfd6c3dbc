package pentacell.core.match;

import java.util.Optional;
import java.util.SplittableRandom;

/// Brings a grouping inside its limits by random swaps that mend more than they break.
final class LimitRepair {
    private static final int TRIES_PER_CELL = 2_000;

    private LimitRepair() {}

    /// Mends in place; false when it did not succeed.
    static boolean mend(Grouping grouping, SplittableRandom random) {
        double violation = grouping.violation();
        CandidateTable lot = grouping.lot;
        long tries = (long) TRIES_PER_CELL * lot.size();
        for (long i = 0; i < tries && violation > 0; i++) {
            int x = random.nextInt(lot.size());
            int y = random.nextInt(lot.size());
            if (lot.count(x) > 1 && random.nextBoolean()) {
                violation += exchange(grouping, x, grouping.groupOf[y], random);
                if (violation < 1e-6) violation = grouping.violation();
                continue;
            }
            if (grouping.groupOf[x] == grouping.groupOf[y] || !grouping.areOfAKind(x, y)) continue;
            double change = grouping.violationChange(x, y);
            // sideways steps keep it from sticking
            if (change < 0 || change == 0 && random.nextInt(16) == 0) {
                grouping.swap(x, y);
                violation += change;
                if (violation < 1e-6) violation = grouping.violation();
            }
        }
        return grouping.violation() == 0;
    }

    /// Tries to exchange a unit for cells of a group.
    ///
    /// @return what it changed the violation by
    private static double exchange(
            Grouping grouping, int unit, int group, SplittableRandom random) {
        Optional<UnitMoves.Exchange> tried = UnitMoves.Exchange.of(grouping, unit, group, random);
        if (tried.isEmpty()) return 0;
        double change = grouping.exchangeChange(tried.get().some(), tried.get().others());
        if (!(change < 0 || change == 0 && random.nextInt(16) == 0)) return 0;
        grouping.exchange(tried.get().some(), tried.get().others());
        return change;
    }
}
