package pentacell.core.match;

import java.util.SplittableRandom;
import pentacell.core.match.Annealing.Window;

/// Random moves of a grouping, taken or not by what they do to the energy.
abstract class Moves {
    final Grouping grouping;
    final CandidateTable lot;
    final SplittableRandom random;

    /// Groups, and the shelf when something lies on it.
    final int places;

    Moves(Grouping grouping, SplittableRandom random) {
        this.grouping = grouping;
        this.lot = grouping.lot;
        this.random = random;
        places = lot.groups() + (grouping.members(grouping.shelf).length > 0 ? 1 : 0);
    }

    /// Whether there are two places at all that cells could change between.
    final boolean isAnyPossible() {
        return places > 1;
    }

    /// Tries a move.
    ///
    /// @return what it changed the energy by; 0 when it was not taken
    abstract double tryOne(Window window, double temperature);

    final boolean isTaken(double change, double temperature) {
        return change <= 0 || random.nextDouble() < Math.exp(-change / temperature);
    }

    /// What the energy changes by when a group's sum does; nothing is wanted of the shelf.
    final double energyChange(Window window, int group, long change) {
        if (group == grouping.shelf) return 0;
        long sum = grouping.sum[group];
        return square(window.outside(sum + change)) - square(window.outside(sum));
    }

    final int anyOf(int group) {
        int[] members = grouping.members(group);
        return members[random.nextInt(members.length)];
    }

    static double square(long ticks) {
        return (double) ticks * ticks;
    }
}
