package pentacell.core.match;

import java.util.SplittableRandom;
import pentacell.core.match.Annealing.Window;

/// Swaps of any two cells of different groups, or of a group and the shelf.
final class AnySwaps extends Moves {
    AnySwaps(Grouping grouping, SplittableRandom random) {
        super(grouping, random);
    }

    @Override
    double tryOne(Window window, double temperature) {
        int a = random.nextInt(lot.groups());
        int b = random.nextInt(places - 1);
        if (b >= a) b++;
        int x = anyOf(a);
        int y = anyOf(b);
        long moved = (long) lot.ticks(y) - lot.ticks(x);
        if (moved == 0) return 0;
        double change = energyChange(window, a, moved) + energyChange(window, b, -moved);
        if (!isTaken(change, temperature) || !grouping.maySwap(x, y)) return 0;
        grouping.swap(x, y);
        return change;
    }
}
