package pentacell.core.match;

import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/// Whether a small lot can be matched to a bar under a limit on IR: every way is looked at, many at
/// a time, or the most hopeful ones.
///
/// Idea: cells stand in a row by resistance, and a group lies in the window that begins at its
/// lowest cell. The row is gone along once; each cell is left on the shelf, or a group begins with
/// it. All that matters for what follows is which cells further on are taken and how many groups
/// stand: of ways that agree in the first the one with the most groups is kept (dynamic programming
/// over sets).
///
/// Two things keep the number of ways small. *Exchange*: a group need not take a cell y while it
/// would do with a free one x that comes before y in the row and holds no more: whoever takes x
/// later can take y instead, for y holds as much and lies in every later window that x lies in. So
/// only groups without such a pair are begun: what they hold over the bar is less than any such
/// exchange would save. *Room*: the strongest of the cells left must come to the bar for the groups
/// that are wanting.
///
/// Where that is still too much only the ways with the most room are gone on with (a beam), and of
/// each the groups that take the cells that come first, for those are of no use later. Then a bar
/// may be reached; that it is out of reach is not shown any more.
final class RowPacking {
    /// Cells ahead are a set of 64.
    private static final int LONGEST_WINDOW = Long.SIZE - 1;

    private static final int MOST_CELLS = 400;

    /// So many ways are kept at most, for the room they take.
    private static final int MOST_WAYS = 400_000;

    private final CandidateTable lot;
    private final Breadth breadth;
    private final int size;
    private final int groups;

    /// Cells in order of resistance, and where each stands there.
    private final int[] row;

    private final int[] placeOf;
    private final int[] windowEnd;
    private long steps;
    private int ways;
    private boolean isCut;

    RowPacking(CandidateTable lot, Breadth breadth) {
        this.lot = lot;
        this.breadth = breadth;
        size = lot.groupSizes()[0];
        groups = lot.groups();
        // of two alike the stronger counts as the later one
        row = ResistanceRow.cells(lot);
        placeOf = new int[row.length];
        for (int place = 0; place < row.length; place++) placeOf[row[place]] = place;
        windowEnd = ResistanceRow.windowEnds(lot, row);
    }

    /// How much is looked at.
    ///
    /// @param ways gone on with from each place
    /// @param groups begun with a cell on each way
    /// @param tries cells that are tried for them
    /// @param steps cells that are tried in all
    record Breadth(int ways, int groups, int tries, long steps) {
        /// The same in no more steps.
        Breadth within(long most) {
            return new Breadth(ways, groups, tries, Math.min(steps, most));
        }

        /// Every way, until the steps give out.
        static Breadth all(long steps) {
            return new Breadth(Integer.MAX_VALUE, Integer.MAX_VALUE, Integer.MAX_VALUE, steps);
        }
    }

    /// Whether a lot is small enough, and a limit on IR is all that holds its cells apart.
    static boolean isFor(CandidateTable lot) {
        if (!lot.limitsIrSpread()
                || lot.size() > MOST_CELLS
                || lot.limitsModels()
                || lot.hasLocks()
                || lot.hasUnits()
                || Arrays.stream(lot.groupSizes()).distinct().count() > 1) return false;
        int[] ends = ResistanceRow.windowEnds(lot, ResistanceRow.cells(lot));
        return IntStream.range(0, ends.length)
                .allMatch(place -> ends[place] - place <= LONGEST_WINDOW);
    }

    /// What is known of a bar.
    sealed interface Answer {
        /// A grouping reaches it.
        record Reached(Grouping grouping) implements Answer {}

        /// None does.
        record OutOfReach() implements Answer {}

        /// Not enough was looked at.
        record Unknown() implements Answer {}
    }

    /// A way to a place.
    ///
    /// @param taken cells from there on that are taken, the lowest bit the place itself
    /// @param groups that stand
    /// @param room what the strongest of the cells left hold more than is wanted of them
    /// @param before the way that its last group was begun on
    /// @param begun the place of that group's lowest cell
    /// @param members its cells from that place on
    private record Way(
            long taken, int groups, long room, Optional<Way> before, int begun, long members) {
        private static final Comparator<Way> ROOMIEST_FIRST =
                Comparator.comparingLong((Way way) -> -way.room).thenComparingLong(Way::taken);
    }

    /// Whether every group can reach a bar.
    ///
    /// @param bar in ticks
    /// @param stop asked now and then; nothing is known when it says so
    Answer reaches(long bar, BooleanSupplier stop) {
        return new Run(bar).answer(stop);
    }

    /// Cells that were tried, and ways gone on with.
    long stepsTaken() {
        return steps;
    }

    private boolean isSpent() {
        return steps > breadth.steps || ways > MOST_WAYS;
    }

    /// One bar.
    private final class Run {
        private final long bar;
        private Map<Long, Way> next = new HashMap<>();

        Run(long bar) {
            this.bar = bar;
        }

        Answer answer(BooleanSupplier stop) {
            go(0, new Way(0, 0, 0, Optional.empty(), 0, 0));
            for (int place = 0; place < row.length && !next.isEmpty(); place++) {
                Collection<Way> here = roomiest(next.values());
                next = new HashMap<>();
                for (Way way : here) {
                    if (isSpent() || stop.getAsBoolean()) return new Answer.Unknown();
                    if ((way.taken & 1) == 0) {
                        Optional<Way> last = new Groups(place, way).begin();
                        if (last.isPresent()) return new Answer.Reached(grouping(last.get()));
                    }
                    go(place + 1, way);
                }
            }
            return isCut || isSpent() ? new Answer.Unknown() : new Answer.OutOfReach();
        }

        private Collection<Way> roomiest(Collection<Way> all) {
            if (all.size() <= breadth.ways) return all;
            isCut = true;
            return all.stream().sorted(Way.ROOMIEST_FIRST).limit(breadth.ways).toList();
        }

        /// Goes on with a way to a place, unless it cannot come to enough or another that takes the
        /// same cells has as many groups.
        ///
        /// @param way whose taken cells count from the place before
        private void go(int place, Way way) {
            steps++;
            long taken = way.taken >>> 1;
            Way known = next.get(taken);
            if (known != null && known.groups >= way.groups) return;
            long room = room(place, taken, groups - way.groups);
            if (room < 0) return;
            ways++;
            next.put(taken, new Way(taken, way.groups, room, way.before, way.begun, way.members));
        }

        private long room(int place, long taken, int wanting) {
            int cells = wanting * size;
            if (row.length - place - Long.bitCount(taken) < cells) return -1;
            long room = -wanting * bar;
            for (int cell = 0; cell < placeOf.length && cells > 0; cell++) {
                int ahead = placeOf[cell] - place;
                if (ahead < 0 || ahead < Long.SIZE && (taken >>> ahead & 1) != 0) continue;
                room += lot.ticks(cell);
                cells--;
            }
            return room;
        }

        private Grouping grouping(Way last) {
            int[] groupOf = new int[lot.size()];
            Arrays.fill(groupOf, groups);
            int group = 0;
            for (Optional<Way> way = Optional.of(last);
                    way.isPresent();
                    way = way.get().before, group++)
                for (long left = way.get().members; left != 0; left &= left - 1)
                    groupOf[row[way.get().begun + Long.numberOfTrailingZeros(left)]] = group;
            return new Grouping(lot, groupOf);
        }

        /// The groups that may begin at a place.
        private final class Groups {
            private final int place;
            private final Way way;

            /// How far ahead the free cells of the window are, and what they hold.
            private final int[] free;

            private final long[] holds;

            /// The most and the least that so many of the free cells from one on hold.
            private final long[][] most;

            private final long[][] least;
            private int begun;
            private int tried;
            private Optional<Way> last = Optional.empty();

            Groups(int place, Way way) {
                this.place = place;
                this.way = way;
                free =
                        IntStream.range(1, windowEnd[place] - place)
                                .filter(ahead -> (way.taken >>> ahead & 1) == 0)
                                .toArray();
                holds = new long[free.length];
                for (int i = 0; i < free.length; i++) holds[i] = lot.ticks(row[place + free[i]]);
                most = sums(-1);
                least = sums(1);
            }

            /// Sums of the so many largest, or smallest, from each on.
            private long[][] sums(int sign) {
                long[][] sums = new long[free.length + 1][size];
                long[] sorted = new long[free.length];
                for (int from = free.length - 1; from >= 0; from--) {
                    int count = free.length - 1 - from;
                    int at = count;
                    for (; at > 0 && sign * sorted[at - 1] > sign * holds[from]; at--)
                        sorted[at] = sorted[at - 1];
                    sorted[at] = holds[from];
                    for (int cells = 1; cells <= Math.min(size - 1, count + 1); cells++)
                        sums[from][cells] = sums[from][cells - 1] + sorted[cells - 1];
                }
                return sums;
            }

            /// Begins all groups that are worth it; the way to the last group wanted, if one is
            /// found.
            Optional<Way> begin() {
                long need = bar - lot.ticks(row[place]);
                if (size == 1 && need <= 0) found(1);
                else add(0, size - 1, need, Long.MAX_VALUE, 1);
                return last;
            }

            /// Adds cells from one on.
            ///
            /// @param wanting how many are still to come
            /// @param need what they must hold
            /// @param saving the least that an exchange would save: with that much over the bar it
            ///   would be made
            private void add(int from, int wanting, long need, long saving, long members) {
                for (int i = from; i + wanting <= free.length && wanting > 0; i++) {
                    if (last.isPresent() || isEnough()) return;
                    if (most[i][wanting] < need || least[i][wanting] - need >= saving) return;
                    long own = Math.min(saving, savingOf(i, members));
                    long left = need - holds[i];
                    long more = members | 1L << free[i];
                    if (own <= 0) continue;
                    if (wanting > 1) add(i + 1, wanting - 1, left, own, more);
                    else if (left <= 0 && -left < own) found(more);
                }
            }

            private boolean isEnough() {
                steps++;
                tried++;
                boolean isEnough = tried > breadth.tries || begun >= breadth.groups;
                isCut |= isEnough;
                return isEnough || steps > breadth.steps;
            }

            /// The least that is saved when a cell is exchanged for a free one before it that holds
            /// no more.
            private long savingOf(int i, long members) {
                long saving = Long.MAX_VALUE;
                for (int before = 0; before < i; before++)
                    if ((members >>> free[before] & 1) == 0 && holds[before] <= holds[i])
                        saving = Math.min(saving, holds[i] - holds[before]);
                return saving;
            }

            private void found(long members) {
                begun++;
                Way on =
                        new Way(
                                way.taken | members,
                                way.groups + 1,
                                way.room,
                                Optional.of(way),
                                place,
                                members);
                if (on.groups == groups) last = Optional.of(on);
                else go(place + 1, on);
            }
        }
    }
}
