package pentacell.core.match;

import java.util.Arrays;

/// What no match of a lot can beat: by arithmetic, and where a limit on the spread of resistance is
/// set, by [LimitedBound]; a limit on models can only make it worse.
///
/// Largest smallest group. Using a stronger cell never makes the smallest group smaller, so the N
/// strongest cells may be taken. The smallest of S groups is then at most their sum ÷ S. A cell so
/// large that its group must end above that share leaves less for the others: with the largest cell
/// c₁ and the P − 1 weakest beside it that group holds at least L, and the other S − 1 groups share
/// what is left. Peeling off the largest cells one by one in this way gives a bound each time; the
/// smallest counts. Of unequal groups the smallest are the tightest: the k smallest hold no more
/// than the strongest cells, as many as they take.
///
/// Smallest spread. With no choice of cells, sums that cannot all be equal differ by at least one
/// step of the capacities' resolution, and the group of the largest cell is at least L.
///
/// @param usableMilliampHours no match has a smallest group above this, in mAh
/// @param spreadMilliampHours no match has a spread under this, in mAh
public record CapacityBounds(double usableMilliampHours, double spreadMilliampHours) {

    /// Bounds in whole ticks.
    record InTicks(long usable, long spread) {
        /// With a bound on the smallest group that was found since, where it is nearer.
        InTicks withUsable(long better) {
            return new InTicks(Math.min(usable, better), spread);
        }

        CapacityBounds inMilliampHours(int ticksPerMilliampHour) {
            return new CapacityBounds(
                    (double) usable / ticksPerMilliampHour, (double) spread / ticksPerMilliampHour);
        }
    }

    static InTicks of(CandidateTable lot) {
        if (lot.hasUnits()) return ofUnits(lot);
        long[] strongest = new long[lot.size()];
        for (int cell = 0; cell < lot.size(); cell++) strongest[cell] = lot.ticks(cell);
        Arrays.sort(strongest);
        long[] taken = Arrays.copyOfRange(strongest, lot.size() - lot.cellsNeeded(), lot.size());
        boolean everyCellIsUsed = lot.size() == lot.cellsNeeded();
        long usable = LimitedBound.of(lot, usable(taken, lot.groupSizes()));
        return new InTicks(usable, everyCellIsUsed ? spread(taken, lot.groupSizes(), usable) : 0);
    }

    /// Taken apart, the cans of the units can be grouped at least as well: what those cannot beat
    /// the units cannot either. A can's share is rounded up.
    private static InTicks ofUnits(CandidateTable lot) {
        CandidateTable cans = lot.takenApart();
        InTicks bounds = of(cans);
        double finer = (double) cans.ticksPerMilliampHour() / lot.ticksPerMilliampHour();
        return new InTicks(
                (long) Math.floor(bounds.usable() / finer),
                (long) Math.floor(bounds.spread() / finer));
    }

    /// @param rising the cells taken, weakest first
    private static long usable(long[] rising, int[] sizes) {
        long total = Arrays.stream(rising).sum();
        int groups = sizes.length;
        long best = Math.floorDiv(total, groups);
        if (!allEqual(sizes)) return Math.min(best, ofSmallestGroups(rising, sizes));
        int size = sizes[0];
        long left = total;
        int largest = rising.length - 1;
        // each peeled group holds one large cell and, at least, the weakest cells not yet counted
        int weakest = 0;
        for (int rest = groups - 1; rest >= 1; rest--) {
            left -= rising[largest--];
            for (int i = 1; i < size; i++) left -= rising[weakest++];
            best = Math.min(best, Math.floorDiv(left, rest));
        }
        return best;
    }

    /// The k smallest groups hold no more than the strongest cells, as many as they take.
    private static long ofSmallestGroups(long[] rising, int[] sizes) {
        int[] smallestFirst = Arrays.stream(sizes).sorted().toArray();
        long best = Long.MAX_VALUE;
        long held = 0;
        int next = rising.length;
        for (int groups = 1; groups <= sizes.length; groups++) {
            for (int i = 0; i < smallestFirst[groups - 1]; i++) held += rising[--next];
            best = Math.min(best, Math.floorDiv(held, groups));
        }
        return best;
    }

    private static long spread(long[] rising, int[] sizes, long usable) {
        long total = Arrays.stream(rising).sum();
        long byRemainder = total % sizes.length == 0 ? 0 : 1;
        long mean = Math.ceilDiv(total, sizes.length);
        long largestGroup = rising[rising.length - 1];
        int smallestSize = Arrays.stream(sizes).min().orElseThrow();
        for (int i = 0; i < smallestSize - 1; i++) largestGroup += rising[i];
        return Math.max(byRemainder, Math.max(mean, largestGroup) - usable);
    }

    private static boolean allEqual(int[] sizes) {
        return Arrays.stream(sizes).allMatch(size -> size == sizes[0]);
    }
}
