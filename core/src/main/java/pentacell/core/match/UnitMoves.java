package pentacell.core.match;

import java.util.Arrays;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import pentacell.core.match.Annealing.Window;

/// Moves of a lot with units: swaps of like units, and a unit, perhaps with a neighbour, for others
/// that are as many cans together.
final class UnitMoves extends Moves {
    private static final int SWAPS_TO_AN_EXCHANGE = 3;

    private final Moves swaps;
    private final Optional<ResistanceRow> row;
    private final int[] units;

    UnitMoves(
            Grouping grouping, SplittableRandom random, Moves swaps, Optional<ResistanceRow> row) {
        super(grouping, random);
        this.swaps = swaps;
        this.row = row;
        units = IntStream.range(0, lot.size()).filter(cell -> lot.count(cell) > 1).toArray();
    }

    @Override
    double tryOne(Window window, double temperature) {
        if (random.nextInt(SWAPS_TO_AN_EXCHANGE + 1) > 0) return swaps.tryOne(window, temperature);
        int unit = units[random.nextInt(units.length)];
        int b =
                row.isPresent()
                        ? grouping.groupOf[row.get().anyNear(unit, random)]
                        : random.nextInt(places);
        Optional<Exchange> tried = Exchange.of(grouping, unit, b, random);
        if (tried.isEmpty()) return 0;
        int[] some = tried.get().some();
        int[] others = tried.get().others();
        long moved = ticks(others) - ticks(some);
        double change =
                energyChange(window, grouping.groupOf[unit], moved)
                        + energyChange(window, b, -moved);
        if (!isTaken(change, temperature) || !grouping.mayExchange(some, others)) return 0;
        grouping.exchange(some, others);
        return change;
    }

    private long ticks(int[] cells) {
        long ticks = 0;
        for (int each : cells) ticks += lot.ticks(each);
        return ticks;
    }

    /// Cells of a group and as many cans of another.
    static final class Exchange {
        private final int[] some;
        private final int[] others;

        private Exchange(int[] some, int[] others) {
            this.some = some;
            this.others = others;
        }

        int[] some() {
            return some;
        }

        int[] others() {
            return others;
        }

        /// A unit, perhaps with a neighbour, for cells of another group; empty when those picked do
        /// not come to as many cans.
        static Optional<Exchange> of(
                Grouping grouping, int unit, int other, SplittableRandom random) {
            int[] here = grouping.members(grouping.groupOf[unit]);
            int[] there = grouping.members(other);
            if (grouping.groupOf[unit] == other || there.length == 0) return Optional.empty();
            int[] some = {unit};
            int companion = here[random.nextInt(here.length)];
            if (companion != unit && random.nextBoolean()) some = new int[] {unit, companion};
            int cans = Arrays.stream(some).map(grouping.lot::count).sum();
            int[] others = someOf(grouping.lot, there, cans, random);
            return others.length == 0 ? Optional.empty() : Optional.of(new Exchange(some, others));
        }

        /// Different members that are so many cans together, from a place at random on; none when
        /// the next ones do not fit.
        private static int[] someOf(
                CandidateTable lot, int[] members, int cans, SplittableRandom random) {
            int[] some = new int[Math.min(cans, members.length)];
            int found = 0;
            int left = cans;
            int at = random.nextInt(members.length);
            for (int looked = 0; looked < members.length && left > 0; looked++) {
                int each = members[(at + looked) % members.length];
                boolean isSkipped = lot.count(each) > left || random.nextInt(3) == 0;
                if (isSkipped) continue;
                some[found++] = each;
                left -= lot.count(each);
            }
            return left > 0 ? new int[0] : Arrays.copyOf(some, found);
        }
    }
}
