package pentacell.core.match;

import java.util.List;
import java.util.function.BooleanSupplier;
import pentacell.core.match.RowPacking.Answer;
import pentacell.core.match.RowPacking.Breadth;

/// Raises the best grouping of a small lot towards the bound, and lowers the bound, by asking
/// [RowPacking] for bars between them: what is reached is better, what is out of reach is a bound.
///
/// First whether anything is better at all, looking at every way, for often that is soon known.
/// Where it is not, ever more ways are looked at; whenever a bar is reached the next lies twice as
/// far above. It goes on from round to round, with the best of all that was found until then.
final class RowBisection implements BesideWalks {
    /// So much is looked at, one after the other.
    private static final List<Breadth> BREADTHS =
            List.of(
                    Breadth.all(600_000),
                    new Breadth(100, 20, 1_000, 4_000_000),
                    new Breadth(30, 100, 10_000, 4_000_000),
                    new Breadth(300, 20, 1_000, 8_000_000),
                    new Breadth(100, 100, 10_000, 8_000_000),
                    new Breadth(300, 50, 3_000, 20_000_000),
                    new Breadth(1_000, 50, 5_000, 60_000_000),
                    new Breadth(1_000, 300, 20_000, 60_000_000),
                    Breadth.all(300_000_000));

    /// Work of a round, in steps of [RowPacking]: after so many no new bar is asked for.
    private static final long STEPS_A_ROUND = 500_000;

    private final CandidateTable lot;
    private final BooleanSupplier stop;
    private int breadth;
    private long step = 1;
    private long bound;
    private long left;

    /// @param bound what no grouping can beat, in ticks
    /// @param rounds how many rounds' work there is in all
    /// @param stop asked now and then
    RowBisection(CandidateTable lot, long bound, int rounds, BooleanSupplier stop) {
        this.lot = lot;
        this.bound = bound;
        this.stop = stop;
        left = STEPS_A_ROUND * rounds;
    }

    @Override
    public Grouping raised(Grouping from, double rounds) {
        Grouping best = from;
        long until = left - (long) (STEPS_A_ROUND * rounds);
        while (left > Math.max(0, until)
                && breadth < BREADTHS.size()
                && bound > best.smallest()
                && !stop.getAsBoolean()) {
            long bar = Math.min(best.smallest() + step, bound);
            RowPacking packing = new RowPacking(lot, BREADTHS.get(breadth).within(left));
            switch (packing.reaches(bar, stop)) {
                case Answer.Reached reached -> {
                    best = reached.grouping();
                    step *= 2;
                }
                case Answer.OutOfReach none -> {
                    bound = bar - 1;
                    step = 1;
                }
                case Answer.Unknown nothing -> {
                    if (step == 1) breadth++;
                    step = 1;
                }
            }
            left -= packing.stepsTaken();
        }
        return best;
    }

    @Override
    public long bound() {
        return bound;
    }
}
