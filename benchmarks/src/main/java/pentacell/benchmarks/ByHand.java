package pentacell.benchmarks;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/// How groups are dealt without a search; the strongest cells are taken first.
enum ByHand {
    /// There and back.
    SERPENTINE("serpentine") {
        @Override
        int next(int turn, int groups) {
            int place = turn % (2 * groups);
            return place < groups ? place : 2 * groups - 1 - place;
        }
    },
    /// Each into the lightest group that has room.
    LARGEST_FIRST("largest first") {
        @Override
        int next(int turn, int groups) {
            return -1;
        }
    };

    final String words;

    ByHand(String words) {
        this.words = words;
    }

    /// The group that is next, or −1 for the lightest.
    abstract int next(int turn, int groups);

    /// The group of each cell, −1 for none.
    int[] deal(MatchCase wanted) {
        long[] milliampHours = wanted.milliampHours();
        List<Integer> sizes = wanted.rules().groupSizes();
        int[] room = sizes.stream().mapToInt(Integer::intValue).toArray();
        long[] sum = new long[room.length];
        int[] groupOf = new int[milliampHours.length];
        Arrays.fill(groupOf, -1);
        int[] strongest =
                IntStream.range(0, milliampHours.length)
                        .boxed()
                        .sorted(Comparator.comparingLong(cell -> -milliampHours[cell]))
                        .mapToInt(Integer::intValue)
                        .limit(wanted.rules().cellsNeeded())
                        .toArray();
        int turn = 0;
        for (int cell : strongest) {
            int group = next(turn++, room.length);
            while (group >= 0 && room[group] == 0) group = next(turn++, room.length);
            if (group < 0)
                group =
                        IntStream.range(0, room.length)
                                .filter(each -> room[each] > 0)
                                .boxed()
                                .min(Comparator.comparingLong(each -> sum[each]))
                                .orElseThrow();
            groupOf[cell] = group;
            sum[group] += milliampHours[cell];
            room[group]--;
        }
        return groupOf;
    }
}
