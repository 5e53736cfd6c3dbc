package pentacell.core.match;

import java.util.SplittableRandom;
import pentacell.core.pack.Selection;

/// Looks for a grouping whose every sum lies in a *window* from lo to hi ticks, by random swaps
/// under a falling temperature.
///
/// Idea: to beat the best match so far, ask for a window that only a better one can fill, and walk
/// through groupings with the energy E = Σ (ticks outside the window)². A swap is taken when it
/// lowers E, else with probability exp(−ΔE ÷ T) (Metropolis et al. 1953). E = 0 means the window is
/// filled. Swaps that break a limit are never taken, so a grouping that keeps the limits keeps
/// them.
final class Annealing {
    private static final double LAST_TEMPERATURE = 0.2;

    private final Grouping grouping;
    private final Selection selection;
    private final SplittableRandom random;
    private Score bestScore;
    private int[] best;

    Annealing(Grouping start, Selection selection, SplittableRandom random) {
        this.grouping = start;
        this.selection = selection;
        this.random = random;
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

    /// Walks; whenever the window is filled the goal names the next. Afterwards [#best()] is the
    /// best grouping met on the way.
    ///
    /// @param reach how far first swaps may lead uphill, in ticks
    void run(Goal goal, double reach, int proposals) {
        CandidateTable lot = grouping.lot;
        boolean useShelf =
                selection != Selection.ALL && grouping.members(grouping.shelf).length > 0;
        int places = lot.groups() + (useShelf ? 1 : 0);
        if (places < 2) return;
        double temperature = Math.max(1, reach * reach);
        double cooling = Math.pow(LAST_TEMPERATURE / temperature, 1.0 / Math.max(1, proposals));
        Window window = goal.beyond(bestScore);
        double energy = energy(window);
        double leastEnergy = energy;
        for (int i = 0; i < proposals; i++) {
            if (energy == 0) {
                remember();
                window = goal.beyond(bestScore);
                energy = energy(window);
                leastEnergy = energy;
                if (energy == 0) break;
            }
            temperature *= cooling;
            int a = random.nextInt(lot.groups());
            int b = random.nextInt(places - 1);
            if (b >= a) b++;
            int x = anyOf(a);
            int y = anyOf(b);
            long moved = (long) lot.ticks(x) - lot.ticks(y);
            if (moved == 0) continue;
            double change = energyChange(window, a, -moved);
            if (b != grouping.shelf) change += energyChange(window, b, moved);
            if (change > 0 && random.nextDouble() >= Math.exp(-change / temperature)) continue;
            if (!grouping.maySwap(x, y)) continue;
            grouping.swap(x, y);
            energy += change;
            if (energy < leastEnergy) {
                leastEnergy = energy;
                remember();
            }
        }
        remember();
    }

    private double energyChange(Window window, int group, long change) {
        long sum = grouping.sum[group];
        return square(window.outside(sum + change)) - square(window.outside(sum));
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

    private int anyOf(int group) {
        int[] members = grouping.members(group);
        return members[random.nextInt(members.length)];
    }

    private double energy(Window window) {
        double energy = 0;
        for (int group = 0; group < grouping.lot.groups(); group++)
            energy += square(window.outside(grouping.sum[group]));
        return energy;
    }

    private static double square(long ticks) {
        return (double) ticks * ticks;
    }
}
