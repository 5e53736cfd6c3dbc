package pentacell.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import pentacell.core.match.Annealing.Cooling;
import pentacell.core.match.Annealing.Window;
import pentacell.core.match.WindowPrices.Moved;
import pentacell.core.pack.Selection;

/// Moves the windows that groups take their cells from to where the groups come to more.
///
/// Walks hardly slide a window that over a hundred cells fill. Here the windows alone are moved:
/// what the groups can come to is known by their prices, in a few thousandths of a second; with the
/// prices of now it is known at once what a move brings at most, so the most promising are tried.
/// When no move of one window brings anything, some are pushed aside and it goes on from there.
final class WindowClimb implements BesideWalks {
    /// Work of a round, in payments looked at, and the part of all rounds' work that comes before
    /// the first walk: walks have little to add until the windows lie well.
    private static final long LOOKS_A_ROUND = 4_000_000;

    private static final double PART_BEFORE = 0.5;

    /// Least distance and number of doublings that moves are tried over, in places.
    private static final int NEAREST = 2;

    private static final int DOUBLINGS = 7;

    /// A gain under this part of how sharp the prices are is none.
    private static final double GAIN = 0.04;

    private static final int PUSHED = 3;

    /// Walks do the rest where this part of the bound is left.
    private static final double NEAR_BOUND = 0.0007;

    /// So many windows are moved at once.
    private static final int TOGETHER = 4;

    /// How often prices are made twice as sharp on the way, and until cells are dealt by them.
    private static final int MOST_SHARPENINGS = 2;

    private static final int DEALT_AT = 5;

    private static final double LEAST_EAGERNESS = 1.0 / 16;

    /// In standard deviations of the lot.
    private static final double WALK_REACH = 0.25;

    private static final double LAST_WALK_REACH = 0.02;
    private static final int WALK_PROPOSALS = 150_000;

    private final WindowedRow row;
    private final ResistanceRow near;
    private final long bound;
    private final SplittableRandom random;
    private Optional<WindowPrices> at = Optional.empty();
    private Optional<WindowPrices> best = Optional.empty();
    private boolean isNew;
    private int sharpenings;

    /// Whether no move of one window brings anything any more.
    private boolean isSettled;

    private long leftFirst;

    /// How often moves as far were tried alone, and brought something.
    private final int[] tried = new int[DOUBLINGS];

    private final int[] gained = new int[DOUBLINGS];

    /// What part of its work it does: walks get the time that it does not use.
    private double eagerness = 1;

    private long left;

    /// @param near which cells of the lot lie within the limit of each other
    /// @param bound what no grouping can beat, in ticks
    /// @param stop asked now and then
    WindowClimb(
            CandidateTable lot,
            ResistanceRow near,
            long bound,
            SearchEffort effort,
            BooleanSupplier stop) {
        row = new WindowedRow(lot, stop);
        this.near = near;
        this.bound = bound;
        random = new SplittableRandom(effort.seed());
        leftFirst = (long) (PART_BEFORE * LOOKS_A_ROUND * effort.rounds());
    }

    /// Goes on from where it stands, at first from the windows of the best.
    @Override
    public Grouping raised(Grouping from, double rounds) {
        left = (long) (LOOKS_A_ROUND * rounds * eagerness);
        if (best.isEmpty() && !isSettled) begin(from);
        while (at.isPresent() && left > 0 && !row.stop.getAsBoolean()) {
            keep();
            boolean isAtBound = at.get().value() > bound;
            if (!isAtBound && climb()) continue;
            if (isSharpened(isAtBound ? DEALT_AT : MOST_SHARPENINGS)) continue;
            boolean isPushed = !isAtBound && isSettled;
            isSettled = true;
            if (!isPushed) break;
            push();
        }
        keep();
        leftFirst -= (long) (LOOKS_A_ROUND * rounds);
        eagerness = isNew ? 1 : Math.max(LEAST_EAGERNESS, eagerness / 2);
        return dealt(from);
    }

    /// From the windows of a grouping, where it is the windows that stand in the way: not where the
    /// grouping is near the bound, nor where its windows let expect more than that.
    private void begin(Grouping from) {
        if (from.smallest() < (1 - NEAR_BOUND) * bound)
            at = WindowPrices.of(row, row.beginsOf(from));
        at.ifPresent(prices -> left -= prices.work());
        best = at;
        while (at.isPresent() && at.get().value() > bound)
            if (!isSharpened(MOST_SHARPENINGS)) at = Optional.empty();
        best = at;
        isNew = at.isPresent();
        isSettled = at.isEmpty();
    }

    @Override
    public boolean isFirst() {
        return !isSettled && leftFirst > 0;
    }

    /// Goes on with sharper prices from the best; false when they are sharp enough.
    private boolean isSharpened(int most) {
        if (sharpenings >= most) return false;
        sharpenings++;
        Moved sharper = best.orElseThrow().sharpened();
        left -= sharper.work();
        if (sharper.prices().isEmpty()) return false;
        best = sharper.prices();
        at = best;
        return true;
    }

    /// Remembers where it stands when that is better than all before.
    private void keep() {
        if (at.isEmpty() || best.isPresent() && !isBetter(at.get().value(), best.get())) return;
        best = at;
        isNew = true;
    }

    private static boolean isBetter(double value, WindowPrices than) {
        return value > than.value() + GAIN * than.smooth();
    }

    private Grouping dealt(Grouping from) {
        if (!isNew) return from;
        isNew = false;
        Optional<WindowPrices> sharp = best;
        for (int i = sharpenings; i < DEALT_AT && sharp.isPresent(); i++)
            sharp = sharp.get().sharpened().prices();
        return sharp.filter(prices -> prices.value() > from.smallest())
                .flatMap(prices -> WindowDeal.of(row, prices).map(deal -> evened(deal, prices)))
                .filter(grouping -> grouping.smallest() > from.smallest())
                .orElse(from);
    }

    /// Whole cells never come to what fractions do in every group: a short walk shares out what is
    /// missing.
    private Grouping evened(Grouping dealt, WindowPrices prices) {
        Levelling.level(dealt, Selection.STRONGEST, row.stop);
        long goal = Math.min(bound, Math.round(prices.value()));
        Annealing walk =
                new Annealing(dealt, new NearMoves(dealt, random, near), Selection.STRONGEST);
        walk.run(
                score -> new Window(Math.max(goal, score.usable() + 1), Long.MAX_VALUE / 4),
                new Cooling(WALK_REACH * row.sigma, LAST_WALK_REACH * row.sigma, WALK_PROPOSALS),
                row.stop);
        Grouping best = walk.best();
        Levelling.level(best, Selection.STRONGEST, row.stop);
        return best;
    }

    /// @param promise what it brings at most, times how often moves as far brought something
    private record Move(int window, int begin, int doubling, double promise) {}

    /// Makes moves that bring something: first the most promising of several windows at once, then
    /// one after the other alone. False when none does.
    private boolean climb() {
        WindowPrices from = at.orElseThrow();
        double least = from.value() + GAIN * from.smooth();
        List<Move> moves = moves(from, least);
        if (isGained(from, together(from, moves), least)) return true;
        for (Move move : moves) {
            int[] begins = from.begins();
            begins[move.window()] = move.begin();
            boolean isGained = isGained(from, begins, least);
            tried[move.doubling()]++;
            if (isGained) {
                gained[move.doubling()]++;
                return true;
            }
            if (left <= 0 || row.stop.getAsBoolean()) return true;
        }
        return false;
    }

    private boolean isGained(WindowPrices from, int[] begins, double least) {
        Moved moved = from.moved(begins, least);
        left -= moved.work();
        if (moved.prices().isPresent()) at = moved.prices();
        return moved.prices().isPresent();
    }

    /// The most promising move of each of the most promising windows.
    private int[] together(WindowPrices from, List<Move> moves) {
        int[] begins = from.begins();
        int count = 0;
        for (Move move : moves) {
            if (begins[move.window()] != from.begin(move.window()) || count == TOGETHER) continue;
            begins[move.window()] = move.begin();
            count++;
        }
        return begins;
    }

    /// Moves that may bring something, the most promising first.
    private List<Move> moves(WindowPrices from, double least) {
        List<Move> moves = new ArrayList<>();
        for (int window = 0; window < row.groups; window++)
            for (int doubling = 0; doubling < DOUBLINGS; doubling++)
                for (int sign : new int[] {-1, 1}) {
                    int begin =
                            from.begin(window)
                                    + sign * ((NEAREST << doubling) + random.nextInt(NEAREST));
                    if (!row.mayBegin(begin)) continue;
                    double atMost = from.atMostWith(window, begin);
                    double often = (gained[doubling] + 1.0) / (tried[doubling] + 2.0);
                    if (atMost > least)
                        moves.add(
                                new Move(window, begin, doubling, (atMost - from.value()) * often));
                }
        moves.sort(Comparator.comparingDouble((Move move) -> -move.promise()));
        return moves;
    }

    /// Pushes some windows of the best aside.
    private void push() {
        WindowPrices from = best.orElseThrow();
        int[] begins = from.begins();
        for (int i = 0; i < PUSHED; i++) {
            int window = random.nextInt(row.groups);
            int most = NEAREST << DOUBLINGS;
            int begin = begins[window] + random.nextInt(-most, most + 1);
            if (row.mayBegin(begin)) begins[window] = begin;
        }
        Moved moved = from.moved(begins, Double.NEGATIVE_INFINITY);
        left -= moved.work();
        at = Optional.of(moved.prices().orElse(from));
    }
}
