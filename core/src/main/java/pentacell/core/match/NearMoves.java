package pentacell.core.match;

import java.util.SplittableRandom;
import pentacell.core.match.Annealing.Window;

/// Moves under a limit on IR: swaps of cells that lie within the limit of each other, and rings of
/// three.
///
/// Of all pairs of cells a limit leaves few that may be swapped. And swaps cannot slide a group
/// that fills its window: what comes in must lie where what goes out lay. In a ring of three the
/// cell that leaves need not lie near the one that comes to its place by way of the third.
final class NearMoves extends Moves {
    private final ResistanceRow row;

    NearMoves(Grouping grouping, SplittableRandom random, ResistanceRow row) {
        super(grouping, random);
        this.row = row;
    }

    @Override
    double tryOne(Window window, double temperature) {
        int a = random.nextInt(lot.groups());
        int x = anyOf(a);
        int y = row.anyNear(x, random);
        int b = grouping.groupOf[y];
        if (b == a) return 0;
        if (random.nextBoolean()) {
            int z = row.anyNear(y, random);
            int c = grouping.groupOf[z];
            if (c != a && c != b) return tryRing(window, temperature, x, y, z);
        }
        long moved = (long) lot.ticks(y) - lot.ticks(x);
        double change = energyChange(window, a, moved) + energyChange(window, b, -moved);
        if (!isTaken(change, temperature) || !grouping.maySwap(x, y)) return 0;
        grouping.swap(x, y);
        return change;
    }

    private double tryRing(Window window, double temperature, int x, int y, int z) {
        double change =
                energyChange(window, grouping.groupOf[x], (long) lot.ticks(y) - lot.ticks(x))
                        + energyChange(
                                window, grouping.groupOf[y], (long) lot.ticks(z) - lot.ticks(y))
                        + energyChange(
                                window, grouping.groupOf[z], (long) lot.ticks(x) - lot.ticks(z));
        if (!isTaken(change, temperature) || !grouping.mayRotate(x, y, z)) return 0;
        grouping.rotate(x, y, z);
        return change;
    }
}
