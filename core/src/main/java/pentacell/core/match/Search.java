package pentacell.core.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import pentacell.core.match.Annealing.Cooling;
import pentacell.core.match.Annealing.Window;
import pentacell.core.match.MatchResult.Ending;
import pentacell.core.match.SearchWatch.Progress;
import pentacell.core.pack.Selection;

/// The search for the best grouping: first groupings are levelled, then rounds of annealing each
/// ask for something better than the best so far.
///
/// The same [#WORKERS] pieces of work make up every round whatever the machine; a round is awaited
/// whole and its results are compared in order. So the outcome depends on input, seed and number of
/// rounds alone, unless the watch stops it.
final class Search {
    private static final int WORKERS = 4;
    private static final int MOST_PROPOSALS = 200_000;
    private static final int PROPOSALS_PER_CELL = 5_000;
    private static final int NEAR_PROPOSALS_PER_CELL = 8_000;
    private static final int LEAST_ROUNDS_WITHOUT_GAIN = 6;
    private static final double LAST_REACH_TICKS = 0.447;

    /// Under a limit on IR walks are longer, and longer still while nothing is gained.
    private static final int MOST_NEAR_PROPOSALS = 600_000;

    private static final int MOST_TIMES_LONGER = 16;

    /// In a lot of so many cells they grow by a round's work each round.
    private static final int CELLS_FOR_LONGER = 1_500;

    /// Of the work of all rounds.
    private static final double PIECE_BEFORE = 0.25;

    private static final double LAST_NEAR_REACH_MILLIAMP_HOURS = 3;

    /// How far each worker roams, in standard deviations of the lot.
    private static final double[] NEAR_REACH = {0.25, 0.5, 1, 2};

    /// So much of the way to the bound is asked for: nearer goals and farther ones come to less.
    private static final double NEAR_PART = 0.5;

    private final CandidateTable lot;
    private final Selection selection;
    private final SearchEffort effort;
    private final SearchWatch watch;
    private final Optional<ResistanceRow> row;
    private final Optional<BesideWalks> beside;
    private CapacityBounds.InTicks bounds;
    private Grouping best;
    private Score bestScore;
    private Ending ending = Ending.SEARCHED;

    Search(
            CandidateTable lot,
            Selection selection,
            CapacityBounds.InTicks bounds,
            SearchEffort effort,
            SearchWatch watch,
            Grouping first) {
        this.lot = lot;
        this.selection = selection;
        this.bounds = bounds;
        this.effort = effort;
        this.watch = watch;
        this.row = lot.limitsIrSpread() ? Optional.of(new ResistanceRow(lot)) : Optional.empty();
        this.beside = selection == Selection.STRONGEST ? beside() : Optional.empty();
        this.best = first;
        this.bestScore = Score.of(first);
    }

    Grouping best() {
        return best;
    }

    /// What cannot be beaten, as far as is known by now.
    CapacityBounds.InTicks bounds() {
        return bounds;
    }

    Ending ending() {
        return ending;
    }

    void run(List<Grouping> starts) {
        int threads = Math.clamp(Runtime.getRuntime().availableProcessors(), 1, WORKERS);
        ExecutorService workers =
                Executors.newFixedThreadPool(
                        threads, Thread.ofPlatform().daemon().name("matcher-", 1).factory());
        try {
            List<Callable<Grouping>> levellings = new ArrayList<>();
            for (Grouping start : starts)
                levellings.add(() -> {
                    Levelling.level(start, selection, watch::stop);
                    return start;
                });
            keepBest(workers, levellings);
            beforeWalks(workers);
            rounds(workers);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            ending = Ending.CUT_SHORT;
        } finally {
            workers.shutdownNow();
        }
    }

    /// What is better done before the first walk, in pieces: each ends with whole groups.
    private void beforeWalks(ExecutorService workers) throws InterruptedException {
        double piece = PIECE_BEFORE * effort.rounds();
        while (beside.isPresent() && beside.get().isFirst() && !watch.stop()) {
            watch.searched(progress(1));
            Grouping from = best.copy();
            keepBest(workers, List.of(() -> beside.get().raised(from, piece)));
        }
    }

    private void rounds(ExecutorService workers) throws InterruptedException {
        SplittableRandom seeds = new SplittableRandom(effort.seed());
        int withoutGain = 0;
        int length = 1;
        for (int round = 1; round <= effort.rounds() && withoutGain < patience(); round += length) {
            watch.searched(progress(round));
            if (bestScore.isProven(bounds, selection)) break;
            if (watch.stop()) {
                ending = Ending.CUT_SHORT;
                break;
            }
            length = Math.min(length(round, withoutGain), effort.rounds() - round + 1);
            List<Callable<Grouping>> tasks = tasks(seeds, length);
            // the first walk alone often finds all that there is
            if (beside.isPresent() && round > 1) {
                Grouping from = best.copy();
                int rounds = length;
                tasks.add(0, () -> beside.get().raised(from, rounds));
            }
            boolean gained = keepBest(workers, tasks);
            if (beside.isPresent()) bounds = bounds.withUsable(beside.get().bound());
            withoutGain = gained ? 0 : withoutGain + length;
        }
        if (bestScore.isFirstAimProven(bounds, selection)) ending = Ending.PROVEN_BEST;
    }

    /// Under a limit on IR, small lots are gone along cell by cell, and in large ones the windows
    /// are moved that groups take their cells from.
    private Optional<BesideWalks> beside() {
        if (RowPacking.isFor(lot))
            return Optional.of(
                    new RowBisection(lot, bounds.usable(), effort.rounds(), watch::stop));
        return row.filter(each -> WindowedRow.isFor(lot))
                .map(near -> new WindowClimb(lot, near, bounds.usable(), effort, watch::stop));
    }

    /// So many rounds may gain nothing. Under a limit on IR gains come late.
    private int patience() {
        return row.isPresent() && !bestScore.isFirstAimProven(bounds, selection)
                ? effort.rounds()
                : Math.max(LEAST_ROUNDS_WITHOUT_GAIN, effort.rounds() / 2);
    }

    /// How many rounds' work goes into the next walks: under a limit on IR the more, the longer
    /// nothing was gained, and in a large lot from early on, for there the first gains are cheap.
    private int length(int round, int withoutGain) {
        if (row.isEmpty()) return 1;
        long ofLargeLot = (long) round * lot.size() / CELLS_FOR_LONGER;
        return Math.clamp(Math.max(withoutGain, ofLargeLot), 1, MOST_TIMES_LONGER);
    }

    private List<Callable<Grouping>> tasks(SplittableRandom seeds, int timesLonger) {
        List<Callable<Grouping>> tasks = new ArrayList<>();
        for (int worker = 0; worker < WORKERS; worker++) {
            int number = worker;
            SplittableRandom random = seeds.split();
            Grouping from = best.copy();
            tasks.add(() -> searchFrom(from, number, timesLonger, random));
        }
        return tasks;
    }

    private boolean keepBest(ExecutorService workers, List<Callable<Grouping>> work)
            throws InterruptedException {
        boolean gained = false;
        for (Future<Grouping> done : workers.invokeAll(work)) {
            Grouping found = resultOf(done);
            Score score = Score.of(found);
            if (!score.isBetterThan(bestScore, selection)) continue;
            best = found;
            bestScore = score;
            gained = true;
        }
        return gained;
    }

    private static Grouping resultOf(Future<Grouping> done) throws InterruptedException {
        try {
            return done.get();
        } catch (ExecutionException failure) {
            throw new IllegalStateException("a matcher's worker failed", failure.getCause());
        }
    }

    private Grouping searchFrom(
            Grouping from, int worker, int timesLonger, SplittableRandom random) {
        Cooling cooling =
                row.isPresent() ? nearCooling(worker, timesLonger) : anyCooling(worker, random);
        Moves swaps =
                row.isPresent()
                        ? new NearMoves(from, random, row.get())
                        : new AnySwaps(from, random);
        Moves moves = lot.hasUnits() ? new UnitMoves(from, random, swaps, row) : swaps;
        Annealing annealing = new Annealing(from, moves, selection);
        annealing.run(score -> windowBeyond(score, worker, random), cooling, watch::stop);
        Grouping found = annealing.best();
        Levelling.level(found, selection, watch::stop);
        return Score.of(found).isBetterThan(annealing.bestScore(), selection)
                ? found
                : annealing.best();
    }

    /// The first worker asks for the least gain and stays near, the last asks for all and roams
    /// far.
    private Cooling anyCooling(int worker, SplittableRandom random) {
        double reach = lot.sigmaTicks() * Math.pow(0.5, 4 - worker + random.nextInt(3));
        return new Cooling(
                reach, LAST_REACH_TICKS, Math.min(MOST_PROPOSALS, PROPOSALS_PER_CELL * lot.size()));
    }

    private Cooling nearCooling(int worker, int timesLonger) {
        return new Cooling(
                NEAR_REACH[worker] * lot.sigmaTicks(),
                LAST_NEAR_REACH_MILLIAMP_HOURS * lot.ticksPerMilliampHour(),
                timesLonger * Math.min(MOST_NEAR_PROPOSALS, NEAR_PROPOSALS_PER_CELL * lot.size()));
    }

    /// What a worker asks for when the best so far is `score`.
    private Window windowBeyond(Score score, int worker, SplittableRandom random) {
        boolean firstAimDone = score.isFirstAimProven(bounds, selection);
        long narrower = share(score.spread() - 1, bounds.spread(), worker);
        long higher =
                row.isPresent()
                        ? score.usable() + nearStep(score)
                        : -share(-(score.usable() + 1), -bounds.usable(), worker);
        return switch (selection) {
            case ALL -> around(narrower, mean(0), random);
            case STRONGEST ->
                    firstAimDone
                            ? new Window(score.usable(), score.usable() + narrower)
                            : new Window(higher, Long.MAX_VALUE / 4);
            case TIGHTEST ->
                    firstAimDone
                            ? new Window(higher, higher + score.spread())
                            : around(narrower, mean(worker == 0 ? 0 : random.nextDouble()), random);
        };
    }

    private long nearStep(Score score) {
        return Math.max(1, Math.round(NEAR_PART * (bounds.usable() - score.usable())));
    }

    /// A goal between the smallest step and the bound: the step, an eighth, half, all of the way.
    private static long share(long step, long bound, int worker) {
        long way = Math.max(0, step - bound);
        return switch (worker) {
            case 0 -> step;
            case 1 -> step - way / 8;
            case 2 -> step - way / 2;
            default -> Math.min(step, bound);
        };
    }

    private static Window around(long width, double mean, SplittableRandom random) {
        double below = width * (0.3 + 0.4 * random.nextDouble());
        long low = Math.round(mean - below);
        return new Window(low, low + Math.max(0, width));
    }

    /// The mean of the groups for a choice of cells: 0 the strongest, 1 the weakest; the tightest
    /// may be anywhere between.
    private double mean(double weakness) {
        double weakest = 0;
        double strongest = 0;
        // of units about as large a part of the lot
        int used = (int) ((long) lot.size() * lot.cellsNeeded() / lot.cans());
        for (int i = 0; i < used; i++) {
            strongest += lot.ticks(i);
            weakest += lot.ticks(lot.size() - 1 - i);
        }
        return (strongest + weakness * (weakest - strongest)) / lot.groups();
    }

    private Progress progress(int round) {
        double scale = lot.ticksPerMilliampHour();
        return new Progress(
                round,
                effort.rounds(),
                bestScore.usable() / scale,
                bestScore.spread() / scale,
                bounds.inMilliampHours(lot.ticksPerMilliampHour()));
    }
}
