package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;

/// Balanced largest differencing for S groups of equal size (Karmarkar & Karp 1982 for the idea of
/// differencing; the balanced form for many sets from memory).
///
/// Idea: the cells, strongest first, are cut into P tuples of S; in a tuple each cell is the
/// beginning of one group. The two tuples that are most uneven in themselves are joined, the
/// largest part of one with the smallest of the other, until one tuple is left. Every join keeps
/// the sizes equal.
final class BalancedDifferencing {
    private BalancedDifferencing() {}

    /// @param chosen S·P cells, strongest first
    /// @return the group of each cell of the lot; cells not chosen are on the shelf
    static int[] deal(CandidateTable lot, int[] chosen) {
        int groups = lot.groups();
        PriorityQueue<Tuple> tuples =
                new PriorityQueue<>(
                        Comparator.comparingLong(Tuple::unevenness)
                                .reversed()
                                .thenComparingInt(Tuple::born));
        int born = 0;
        for (int from = 0; from < chosen.length; from += groups) {
            List<Part> parts = new ArrayList<>();
            for (int i = from; i < from + groups; i++)
                parts.add(new Part(lot.ticks(chosen[i]), new int[] {chosen[i]}));
            tuples.add(new Tuple(parts, born++));
        }
        while (tuples.size() > 1) {
            Tuple a = tuples.remove();
            Tuple b = tuples.remove();
            List<Part> joined = new ArrayList<>();
            for (int i = 0; i < groups; i++)
                joined.add(a.parts().get(i).with(b.parts().get(groups - 1 - i)));
            joined.sort(Comparator.comparingLong(Part::sum).reversed());
            tuples.add(new Tuple(joined, born++));
        }
        int[] groupOf = new int[lot.size()];
        Arrays.fill(groupOf, groups);
        List<Part> parts = tuples.remove().parts();
        for (int group = 0; group < groups; group++)
            for (int cell : parts.get(group).cells()) groupOf[cell] = group;
        return groupOf;
    }

    /// Parts of groups-to-be, largest sum first.
    private record Tuple(List<Part> parts, int born) {
        long unevenness() {
            return parts.get(0).sum() - parts.get(parts.size() - 1).sum();
        }
    }

    @SuppressWarnings("ArrayRecordComponent") // lives only inside one deal
    private record Part(long sum, int[] cells) {
        Part with(Part other) {
            int[] both = Arrays.copyOf(cells, cells.length + other.cells.length);
            System.arraycopy(other.cells, 0, both, cells.length, other.cells.length);
            return new Part(sum + other.sum, both);
        }
    }
}
