package pentacell.core.build;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.cell.CellFormat;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Packing;

/// What is asked of a layout.
///
/// @param groupSizes cans of each group in series order
/// @param units cans of each unit of each group, in the order of its places; empty where every can
///   stands alone
/// @param format their size
/// @param packing room in the holder, at the ends and along the walls
/// @param box the inside it must go into, when there is one
/// @param patterns how rows may lie
/// @param ends where the ends of the string shall lie
/// @param takeOff where the leads leave
/// @param keptFree places where nothing may stand, counted from the first of the top face
public record LayoutWish(
        List<Integer> groupSizes,
        List<List<Integer>> units,
        CellFormat format,
        Packing packing,
        Optional<Box> box,
        Set<Grid.Pattern> patterns,
        Ends ends,
        TakeOff takeOff,
        List<Spot> keptFree) {
    /// More layers are not laid on each other.
    static final int MOST_LAYERS = 6;

    public LayoutWish {
        groupSizes = List.copyOf(groupSizes);
        units = units.stream().map(List::copyOf).toList();
        keptFree = List.copyOf(keptFree);
        patterns = Set.copyOf(patterns);
        if (groupSizes.isEmpty()) throw new IllegalArgumentException("a pack has a group or more");
    }

    /// Where the ends of the string lie.
    public enum Ends {
        ANYWHERE("anywhere"),
        SAME("same side"),
        OPPOSITE("opposite sides");

        private final String words;

        Ends(String words) {
            this.words = words;
        }

        /// In words.
        public String words() {
            return words;
        }
    }

    /// From the middle of a can to the next in its row, in mm.
    double pitchMillimetres() {
        return format.sleevedMillimetres() + packing.betweenMillimetres();
    }

    int cans() {
        return groupSizes.stream().mapToInt(Integer::intValue).sum();
    }

    /// Height of a layer with what lies on its ends, in mm.
    double layerMillimetres() {
        return format.lengthMillimetres() + 2 * packing.endMillimetres();
    }

    /// Whether a grid goes into the box, whichever way round.
    boolean holds(Grid grid) {
        if (box.isEmpty()) return true;
        Box inside = box.get();
        double wall = 2 * packing.wallMillimetres();
        double length = grid.lengthMillimetres(format.sleevedMillimetres()) + wall;
        double width = grid.widthMillimetres(format.sleevedMillimetres()) + wall;
        double height = grid.layers() * layerMillimetres() + wall;
        double a = inside.lengthMillimetres();
        double b = inside.widthMillimetres();
        double c = inside.heightMillimetres();
        double board = packing.boardMillimetres();
        return lies(length, width, height, a - board, b, c)
                || lies(length, width, height, a - board, c, b)
                || lies(length, width, height, b, c, a - board);
    }

    private static boolean lies(
            double length, double width, double height, double a, double b, double c) {
        boolean isLow = height <= c;
        return isLow && (length <= a && width <= b || length <= b && width <= a);
    }
}
