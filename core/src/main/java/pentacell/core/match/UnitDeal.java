package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/// First groupings of a lot with units: groups must be filled to the last can by what is there.
///
/// Units of as many cans make a class. First each group is told how many of each class it takes, so
/// that they fill it; a search with a memory of dead ends finds such a plan whenever there is one,
/// unless it is cut short. It tries the share of each class that the lot has before others. Then
/// the strongest of each class are dealt, the largest class first, each into the lightest group.
final class UnitDeal {
    private static final int STARTS = 6;
    private static final int MOST_TRIED = 200_000;

    private final CandidateTable lot;
    private final SplittableRandom random;
    private final boolean isShaken;

    /// Cans of a unit of each class, largest first.
    private final int[] cans;

    private final int[] available;

    /// Wanted of each class, by group.
    private final int[][] plan;

    private final int[] room;
    private final Set<List<Integer>> deadEnds = new HashSet<>();
    private int tried;

    private UnitDeal(CandidateTable lot, SplittableRandom random, boolean isShaken) {
        this.lot = lot;
        this.random = random;
        this.isShaken = isShaken;
        cans =
                IntStream.range(0, lot.size())
                        .map(lot::count)
                        .distinct()
                        .boxed()
                        .sorted(Comparator.reverseOrder())
                        .mapToInt(Integer::intValue)
                        .toArray();
        available = new int[cans.length];
        room = lot.groupSizes().clone();
        plan = new int[lot.groups()][cans.length];
        for (int cell = 0; cell < lot.size(); cell++) {
            if (lot.isLocked(cell)) room[lot.lockedTo(cell)] -= lot.count(cell);
            else available[classOf(cell)]++;
        }
    }

    /// Some groupings; none when no way to fill the groups was found. Limits may be broken.
    static List<Grouping> starts(CandidateTable lot, BooleanSupplier stop) {
        List<Grouping> starts = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(1);
        for (int i = 0; i < STARTS && !(i > 0 && stop.getAsBoolean()); i++) {
            UnitDeal deal = new UnitDeal(lot, random, i > 0);
            if (!deal.fill(0, 0, deal.room[0])) break;
            starts.add(new Grouping(lot, deal.dealt(i % 2 == 1 && lot.limitsIrSpread())));
        }
        return starts;
    }

    private int classOf(int cell) {
        return IntStream.range(0, cans.length)
                .filter(each -> cans[each] == lot.count(cell))
                .findFirst()
                .orElseThrow();
    }

    /// Plans from a class of a group on; `left` is the room it still has.
    private boolean fill(int group, int kind, int left) {
        if (left < 0) return false;
        if (kind == cans.length) {
            if (left > 0) return false;
            if (group + 1 == lot.groups()) return true;
            return fill(group + 1, 0, room[group + 1]);
        }
        List<Integer> here = here(group, kind, left);
        if (deadEnds.contains(here) || ++tried > MOST_TRIED) return false;
        int most = Math.min(available[kind], left / cans[kind]);
        for (int number : numbers(group, kind, most)) {
            plan[group][kind] = number;
            available[kind] -= number;
            if (fill(group, kind + 1, left - number * cans[kind])) return true;
            available[kind] += number;
        }
        deadEnds.add(here);
        return false;
    }

    private List<Integer> here(int group, int kind, int left) {
        List<Integer> here = new ArrayList<>(List.of(group, kind, left));
        for (int each : available) here.add(each);
        return here;
    }

    /// 0 to `most`, the lot's own share first and then away from it; shaken, at random.
    private int[] numbers(int group, int kind, int most) {
        int cansLeft = 0;
        for (int each = 0; each < cans.length; each++) cansLeft += available[each] * cans[each];
        double share =
                isShaken
                        ? most * random.nextDouble()
                        : (double) available[kind]
                                * lot.groupSizes()[group]
                                / Math.max(1, cansLeft);
        return IntStream.rangeClosed(0, most)
                .boxed()
                .sorted(Comparator.comparingDouble(number -> Math.abs(number - share)))
                .mapToInt(Integer::intValue)
                .toArray();
    }

    private int[] dealt(boolean isAlongIr) {
        int[] groupOf = new int[lot.size()];
        Arrays.fill(groupOf, lot.groups());
        double[] sum = new double[lot.groups()];
        Comparator<Integer> order =
                isAlongIr
                        ? Comparator.comparingDouble(lot::milliohms)
                        : Comparator.comparingInt(cell -> -lot.ticks(cell));
        Comparator<Integer> largest = Comparator.comparingInt(cell -> -lot.count(cell));
        int[] cells =
                IntStream.range(0, lot.size())
                        .boxed()
                        .sorted(largest.thenComparing(order))
                        .mapToInt(Integer::intValue)
                        .toArray();
        for (int cell : cells) {
            int group = lot.isLocked(cell) ? lot.lockedTo(cell) : next(cell, isAlongIr, sum);
            if (group < 0) continue;
            groupOf[cell] = group;
            sum[group] += lot.ticks(cell);
        }
        return groupOf;
    }

    /// The group that takes a cell by the plan: the first one along the row of resistances, else
    /// the lightest; −1 when none does.
    private int next(int cell, boolean isAlongIr, double[] sum) {
        int kind = classOf(cell);
        int best = -1;
        for (int group = 0; group < lot.groups(); group++) {
            if (plan[group][kind] == 0) continue;
            if (best < 0 || !isAlongIr && sum[group] < sum[best]) best = group;
        }
        if (best >= 0) plan[best][kind]--;
        return best;
    }
}
