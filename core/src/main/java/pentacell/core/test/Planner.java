package pentacell.core.test;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Random;
import pentacell.core.cell.CellId;
import pentacell.core.test.facts.BenchHours;

/// Lays tests into bays so that all is done soon.
///
/// Idea: list scheduling by longest test first (Graham 1969) gives a plan; then up to two tests are
/// exchanged for up to two as long as that ends the work sooner, or, when it does not, empties the
/// bay that ends last. Cells are loaded only while somebody is there, so the order in a bay matters
/// too: a long test at closing time costs nothing. The result is never later than the list plan.
///
/// Invariant: every job that some bay can do is in exactly one bay.
public final class Planner {
    private static final int ROUNDS = 6000;

    private final List<TestJob> jobs;
    private final List<BayTime> bays;
    private final BenchHours hours;
    private final LocalDateTime now;

    private Planner(List<TestJob> jobs, List<BayTime> bays, BenchHours hours, LocalDateTime now) {
        this.jobs = jobs;
        this.bays = bays;
        this.hours = hours;
        this.now = now;
    }

    /// Room on the hold shelf.
    ///
    /// @param free places free now
    /// @param days how long a cell lies there
    /// @param longer how long those lie there that do not lie as long as most, such as rescued ones
    public record HoldRoom(int free, int days, Map<CellId, Integer> longer) {
        public HoldRoom {
            longer = Map.copyOf(longer);
        }

        public HoldRoom(int free, int days) {
            this(free, days, Map.of());
        }

        private LocalDateTime freeAgain(TestSlot test) {
            return test.doneAt().plusDays(longer.getOrDefault(test.cell(), days));
        }
    }

    /// Plans the tests of all waiting cells. Same input, same plan.
    public static TestPlan plan(
            List<TestJob> waiting,
            List<BayTime> bays,
            BenchHours hours,
            LocalDateTime now,
            HoldRoom shelf) {
        HashSet<String> names = new HashSet<>();
        bays.forEach(bay -> names.add(bay.bay()));
        List<TestJob> doable =
                waiting.stream()
                        .filter(job -> job.duration().keySet().stream().anyMatch(names::contains))
                        .sorted(
                                Comparator.comparing(TestJob::shortest)
                                        .reversed()
                                        .thenComparing(job -> job.cell().text()))
                        .toList();
        Planner planner = new Planner(doable, bays, hours, now);
        List<List<TestJob>> lanes = planner.improved(planner.longestFirst());
        List<TestSlot> planned = planner.planned(lanes);
        return new TestPlan(
                planned,
                waiting.stream().filter(job -> !doable.contains(job)).map(TestJob::cell).toList(),
                planned.stream().map(TestSlot::doneAt).max(Comparator.naturalOrder()),
                planner.earliest(),
                shelfFull(planned, shelf));
    }

    private List<List<TestJob>> longestFirst() {
        List<List<TestJob>> lanes = new ArrayList<>();
        List<LocalDateTime> free = new ArrayList<>();
        for (BayTime bay : bays) {
            lanes.add(new ArrayList<>());
            free.add(begin(bay));
        }
        for (TestJob job : jobs) {
            int best = -1;
            LocalDateTime bestDone = LocalDateTime.MAX;
            for (int lane = 0; lane < lanes.size(); lane++) {
                Duration takes = job.duration().get(bays.get(lane).bay());
                if (takes == null) continue;
                LocalDateTime done = hours.next(free.get(lane)).plus(takes);
                if (done.isBefore(bestDone)) {
                    best = lane;
                    bestDone = done;
                }
            }
            if (best < 0) continue;
            lanes.get(best).add(job);
            free.set(best, bestDone);
        }
        return lanes;
    }

    private LocalDateTime begin(BayTime bay) {
        return bay.freeAt().isAfter(now) ? bay.freeAt() : now;
    }

    private LocalDateTime end(int lane, List<TestJob> order) {
        LocalDateTime free = begin(bays.get(lane));
        for (TestJob job : order) {
            Duration takes = job.duration().get(bays.get(lane).bay());
            if (takes == null) return LocalDateTime.MAX;
            free = hours.next(free).plus(takes);
        }
        return free;
    }

    private List<List<TestJob>> improved(List<List<TestJob>> lanes) {
        int count = lanes.size();
        if (count == 0 || jobs.isEmpty()) return lanes;
        LocalDateTime[] ends = new LocalDateTime[count];
        for (int lane = 0; lane < count; lane++) ends[lane] = end(lane, lanes.get(lane));
        Random random = new Random(jobs.size());
        for (int round = 0; round < ROUNDS; round++) {
            int from = round % 2 == 0 ? last(ends, lanes) : random.nextInt(count);
            if (lanes.get(from).isEmpty()) continue;
            int to = random.nextInt(count);
            List<TestJob> source = new ArrayList<>(lanes.get(from));
            List<TestJob> target = to == from ? source : new ArrayList<>(lanes.get(to));
            List<TestJob> away = taken(source, 1 + random.nextInt(2), random);
            List<TestJob> back = taken(target, random.nextInt(3), random);
            put(away, target, random);
            put(back, source, random);
            LocalDateTime sourceEnd = end(from, source);
            LocalDateTime targetEnd = to == from ? sourceEnd : end(to, target);
            // moves that change nothing are taken too: they open the way to others
            LocalDateTime before = later(ends[from], ends[to]);
            if (later(sourceEnd, targetEnd).isAfter(before)) continue;
            lanes.set(from, source);
            lanes.set(to, target);
            ends[from] = sourceEnd;
            ends[to] = targetEnd;
        }
        return lanes;
    }

    private static List<TestJob> taken(List<TestJob> lane, int count, Random random) {
        List<TestJob> taken = new ArrayList<>();
        for (int i = 0; i < count && !lane.isEmpty(); i++)
            taken.add(lane.remove(random.nextInt(lane.size())));
        return taken;
    }

    private static void put(List<TestJob> jobs, List<TestJob> lane, Random random) {
        for (TestJob job : jobs) lane.add(random.nextInt(lane.size() + 1), job);
    }

    private static LocalDateTime later(LocalDateTime one, LocalDateTime other) {
        return one.isAfter(other) ? one : other;
    }

    private static int last(LocalDateTime[] ends, List<List<TestJob>> lanes) {
        int last = -1;
        for (int lane = 0; lane < ends.length; lane++) {
            if (lanes.get(lane).isEmpty()) continue;
            if (last < 0 || ends[lane].isAfter(ends[last])) last = lane;
        }
        return Math.max(0, last);
    }

    private List<TestSlot> planned(List<List<TestJob>> lanes) {
        List<TestSlot> planned = new ArrayList<>();
        for (int lane = 0; lane < lanes.size(); lane++) {
            LocalDateTime free = begin(bays.get(lane));
            for (TestJob job : lanes.get(lane)) {
                LocalDateTime load = hours.next(free);
                free = load.plus(job.duration().getOrDefault(bays.get(lane).bay(), Duration.ZERO));
                planned.add(new TestSlot(job.cell(), bays.get(lane).bay(), load, free));
            }
        }
        planned.sort(Comparator.comparing(TestSlot::loadAt).thenComparing(TestSlot::bay));
        return planned;
    }

    /// No plan ends before the longest test put in at once, nor before the bays together have
    /// worked off all tests at their shortest, nor before as many tests as there are could be
    /// loaded and done, were all as short as the shortest and the bays loaded only while somebody
    /// is there.
    private Optional<LocalDateTime> earliest() {
        if (jobs.isEmpty() || bays.isEmpty()) return Optional.empty();
        LocalDateTime longest = LocalDateTime.MIN;
        Duration work = Duration.ZERO;
        for (TestJob job : jobs) {
            LocalDateTime soonest = LocalDateTime.MAX;
            for (BayTime bay : bays) {
                Duration takes = job.duration().get(bay.bay());
                if (takes == null) continue;
                LocalDateTime done = hours.next(begin(bay)).plus(takes);
                if (done.isBefore(soonest)) soonest = done;
            }
            if (soonest.isAfter(longest)) longest = soonest;
            work = work.plus(job.shortest());
        }
        return Optional.of(later(longest, later(allWorked(work), allLoaded())));
    }

    /// When all bays together have worked for a time, each from when it can be loaded first.
    private LocalDateTime allWorked(Duration work) {
        List<LocalDateTime> begins =
                bays.stream().map(bay -> hours.next(begin(bay))).sorted().toList();
        Duration left = work;
        for (int count = 1; count <= begins.size(); count++) {
            LocalDateTime from = begins.get(count - 1);
            Duration each = left.dividedBy(count);
            boolean isLast = count == begins.size();
            if (isLast || !from.plus(each).isAfter(begins.get(count))) return from.plus(each);
            left = left.minus(Duration.between(from, begins.get(count)).multipliedBy(count));
        }
        return now;
    }

    /// When as many tests as wait are done, if each bay did nothing but its shortest one, loaded as
    /// soon as somebody is there. No bay ever has more tests behind it than so.
    private LocalDateTime allLoaded() {
        record Turn(LocalDateTime doneAt, Duration takes) {}
        PriorityQueue<Turn> turns = new PriorityQueue<>(Comparator.comparing(Turn::doneAt));
        for (BayTime bay : bays)
            jobs.stream()
                    .map(job -> job.duration().get(bay.bay()))
                    .filter(Objects::nonNull)
                    .min(Comparator.naturalOrder())
                    .ifPresent(takes ->
                            turns.add(new Turn(hours.next(begin(bay)).plus(takes), takes)));
        for (int done = 1; done < jobs.size() && !turns.isEmpty(); done++) {
            Turn first = turns.remove();
            turns.add(new Turn(hours.next(first.doneAt()).plus(first.takes()), first.takes()));
        }
        return turns.isEmpty() ? now : turns.element().doneAt();
    }

    /// When more cells lie on the hold shelf than it has room for.
    private static Optional<LocalDateTime> shelfFull(List<TestSlot> planned, HoldRoom shelf) {
        List<TestSlot> done =
                planned.stream().sorted(Comparator.comparing(TestSlot::doneAt)).toList();
        for (int i = 0; i < done.size(); i++) {
            LocalDateTime until = done.get(i).doneAt();
            long lying =
                    done.subList(0, i + 1).stream()
                            .filter(test -> shelf.freeAgain(test).isAfter(until))
                            .count();
            if (lying > shelf.free()) return Optional.of(until);
        }
        return Optional.empty();
    }
}
