package pentacell.core.match;

import java.util.function.BooleanSupplier;
import pentacell.core.pack.Selection;

/// Looks for a grouping whose every sum lies in a *window* from lo to hi ticks, by random moves
/// under a falling temperature.
///
/// Idea: to beat the best match so far, ask for a window that only a better one can fill, and walk
/// through groupings with the energy E = Σ (ticks outside the window)². A move is taken when it
/// lowers E, else with probability exp(−ΔE ÷ T) (Metropolis et al. 1953). E = 0 means the window is
/// filled. Moves that break a limit are never taken, so a grouping that keeps the limits keeps
/// them.
final class Annealing {
    private static final int PROPOSALS_BETWEEN_LOOKS = 4_096;

    private final Grouping grouping;
    private final Moves moves;
    private final Selection selection;
    private Score bestScore;
    private int[] best;

    /// @param moves moves of the grouping it starts with
    Annealing(Grouping start, Moves moves, Selection selection) {
        this.grouping = start;
        this.moves = moves;
        this.selection = selection;
        this.bestScore = Score.of(start);
        this.best = start.groupOf.clone();
    }

    /// The sums to reach, in ticks.
    record Window(long low, long high) {
        long outside(long sum) {
            if (sum < low) return low - sum;
            return sum > high ? sum - high : 0;
        }
    }

    /// What to ask for next, when the best so far is known.
    interface Goal {
        Window beyond(Score best);
    }

    /// How a walk cools.
    ///
    /// @param reach how far first moves may lead uphill, in ticks
    /// @param last how far the last ones may
    /// @param proposals moves that are tried
    record Cooling(double reach, double last, int proposals) {
        double begin() {
            return Math.max(1, reach * reach);
        }

        /// What the temperature is multiplied by after each proposal.
        double factor() {
            return Math.pow(last * last / begin(), 1.0 / Math.max(1, proposals));
        }
    }

    /// Walks; whenever the window is filled the goal names the next. Afterwards [#best()] is the
    /// best grouping met on the way.
    ///
    /// @param stop asked now and then; the best so far is then the result
    void run(Goal goal, Cooling cooling, BooleanSupplier stop) {
        if (!moves.isAnyPossible()) return;
        double temperature = cooling.begin();
        double factor = cooling.factor();
        Window window = goal.beyond(bestScore);
        double energy = energy(window);
        double leastEnergy = energy;
        for (int i = 0; i < cooling.proposals(); i++) {
            if (energy == 0) {
                remember();
                window = goal.beyond(bestScore);
                energy = energy(window);
                leastEnergy = energy;
                if (energy == 0) break;
            }
            if (i % PROPOSALS_BETWEEN_LOOKS == 0 && stop.getAsBoolean()) break;
            temperature *= factor;
            energy += moves.tryOne(window, temperature);
            if (energy < leastEnergy) {
                leastEnergy = energy;
                remember();
            }
        }
        remember();
    }

    Score bestScore() {
        return bestScore;
    }

    Grouping best() {
        return new Grouping(grouping.lot, best);
    }

    private void remember() {
        Score score = Score.of(grouping);
        if (!score.isBetterThan(bestScore, selection)) return;
        bestScore = score;
        best = grouping.groupOf.clone();
    }

    private double energy(Window window) {
        double energy = 0;
        for (int group = 0; group < grouping.lot.groups(); group++)
            energy += Moves.square(window.outside(grouping.sum[group]));
        return energy;
    }
}
