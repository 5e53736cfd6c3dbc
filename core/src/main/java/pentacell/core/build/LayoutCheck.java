package pentacell.core.build;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.build.facts.CansByPlace;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellFormat;

/// What is right and wrong with a layout before anything is solved.
public final class LayoutCheck {
    /// Joints this many apart are not beside each other but where bands do: groups that follow each
    /// other show two joints at most.
    private static final int FAR_IN_STRING = 3;

    private LayoutCheck() {}

    /// What a builder must see of it.
    public static List<LayoutRemark> of(Layout layout, LayoutWish wish) {
        List<LayoutRemark> remarks = new ArrayList<>();
        inPieces(layout, remarks);
        neighbours(layout, remarks);
        leads(layout, remarks);
        box(layout, wish, remarks);
        holder(layout.grid(), wish.format(), remarks);
        units(layout, wish, remarks);
        keptFree(layout, remarks);
        insulation(layout, remarks);
        layers(layout, remarks);
        return List.copyOf(remarks);
    }

    /// Touching pairs between each group and the next.
    public static List<Integer> bridges(Layout layout) {
        CansByPlace placed = layout.cansByPlace();
        int[] counts = new int[Math.max(0, layout.places().size() - 1)];
        for (int group = 0; group < counts.length; group++)
            for (Spot spot : layout.places().get(group))
                for (Spot other : layout.grid().beside(spot))
                    if (placed.group(other).equals(OptionalInt.of(group + 1))) counts[group]++;
        return Arrays.stream(counts).boxed().toList();
    }

    /// Whether every group hangs together and touches the next.
    static boolean hangsTogether(Layout layout) {
        return layout.places().stream().allMatch(group -> pieces(group, layout.grid()) == 1)
                && bridges(layout).stream().allMatch(count -> count > 0);
    }

    private static void inPieces(Layout layout, List<LayoutRemark> remarks) {
        for (int group = 0; group < layout.places().size(); group++) {
            int pieces = pieces(layout.places().get(group), layout.grid());
            if (pieces > 1) remarks.add(new LayoutRemark.GroupInPieces(group + 1, pieces));
        }
    }

    private static int pieces(List<Spot> places, Grid grid) {
        Set<Spot> left = new HashSet<>(places);
        int pieces = 0;
        while (!left.isEmpty()) {
            pieces++;
            Spot first = left.iterator().next();
            left.remove(first);
            Deque<Spot> open = new ArrayDeque<>(List.of(first));
            while (!open.isEmpty())
                for (Spot beside : grid.beside(open.pop()))
                    if (left.remove(beside)) open.push(beside);
        }
        return pieces;
    }

    private static void neighbours(Layout layout, List<LayoutRemark> remarks) {
        List<Integer> bridges = bridges(layout);
        for (int group = 0; group < bridges.size(); group++) {
            int smaller =
                    Math.min(
                            layout.places().get(group).size(),
                            layout.places().get(group + 1).size());
            if (bridges.get(group) == 0)
                remarks.add(new LayoutRemark.GroupsApart(group + 1, group + 2));
            else if (bridges.get(group) == 1 && smaller > 2)
                remarks.add(new LayoutRemark.OneBridge(group + 1, group + 2));
        }
    }

    /// Leads must leave at the rim.
    private static void leads(Layout layout, List<LayoutRemark> remarks) {
        int last = layout.places().size() - 1;
        CansByPlace placed = layout.cansByPlace();
        for (int joint : new int[] {0, last + 1}) {
            int group = joint == 0 ? 0 : last;
            boolean isAtRim =
                    PackLinks.outerEdge(layout, joint).stream()
                            .anyMatch(spot -> isAtRim(layout.grid(), placed, spot));
            if (!isAtRim) remarks.add(new LayoutRemark.LeadCrosses(group + 1));
        }
    }

    private static boolean isAtRim(Grid grid, CansByPlace placed, Spot spot) {
        int whole = grid.pattern() == Grid.Pattern.SQUARE ? 4 : 6;
        List<Spot> beside = grid.beside(spot);
        return beside.size() < whole
                || beside.stream().anyMatch(each -> placed.group(each).isEmpty());
    }

    private static void box(Layout layout, LayoutWish wish, List<LayoutRemark> remarks) {
        if (wish.holds(layout.grid())) return;
        remarks.add(
                new LayoutRemark.TooLarge(
                        length(layout, wish), width(layout, wish), layout.grid().layers()));
    }

    static double length(Layout layout, LayoutWish wish) {
        return layout.grid().lengthMillimetres(wish.format().sleevedMillimetres());
    }

    static double width(Layout layout, LayoutWish wish) {
        return layout.grid().widthMillimetres(wish.format().sleevedMillimetres());
    }

    private static void holder(Grid grid, CellFormat format, List<LayoutRemark> remarks) {
        if (grid.pitchMillimetres() < format.diameterMillimetres())
            remarks.add(
                    new LayoutRemark.PitchTooSmall(
                            format.diameterMillimetres(), grid.pitchMillimetres()));
    }

    private static void units(Layout layout, LayoutWish wish, List<LayoutRemark> remarks) {
        unitsInPieces(layout, wish)
                .forEach((group, units) ->
                        remarks.add(new LayoutRemark.UnitsInPieces(group + 1, units)));
    }

    /// How many units of several cans do not lie together, by group from 0.
    static SortedMap<Integer, Integer> unitsInPieces(Layout layout, LayoutWish wish) {
        SortedMap<Integer, Integer> apart = new TreeMap<>();
        for (int group = 0; group < wish.units().size(); group++) {
            int at = 0;
            for (int cans : wish.units().get(group)) {
                List<Spot> places = layout.places().get(group).subList(at, at + cans);
                if (pieces(places, layout.grid()) > 1) apart.merge(group, 1, Integer::sum);
                at += cans;
            }
        }
        return apart;
    }

    private static void keptFree(Layout layout, List<LayoutRemark> remarks) {
        CansByPlace placed = layout.cansByPlace();
        for (Spot spot : layout.grid().keptFree())
            placed.group(spot)
                    .ifPresent(group -> remarks.add(new LayoutRemark.OnKeptFree(group + 1, spot)));
    }

    private static void layers(Layout layout, List<LayoutRemark> remarks) {
        int layers = layout.grid().layers();
        if (layers == 1) return;
        Folds folds = Folds.of(layout);
        remarks.add(new LayoutRemark.LayersFold(layers, folds.inside(0), folds.mostApart()));
    }

    /// Pairs of cans side by side whose faces lie three groups' voltage or more apart.
    public static List<List<Spot>> toInsulate(Layout layout, Face face) {
        CansByPlace placed = layout.cansByPlace();
        List<List<Spot>> pairs = new ArrayList<>();
        for (int group = 0; group < layout.places().size(); group++)
            for (Spot spot : layout.places().get(group))
                for (Spot other : layout.grid().beside(spot)) {
                    OptionalInt neighbour = placed.group(other);
                    if (neighbour.isEmpty() || neighbour.getAsInt() <= group) continue;
                    int apart = Joint.of(neighbour.getAsInt(), face) - Joint.of(group, face);
                    if (Math.abs(apart) >= FAR_IN_STRING) pairs.add(List.of(spot, other));
                }
        return pairs;
    }

    private static void insulation(Layout layout, List<LayoutRemark> remarks) {
        int most = 0;
        int pairs = 0;
        CansByPlace placed = layout.cansByPlace();
        for (Face face : Face.values())
            for (List<Spot> pair : toInsulate(layout, face)) {
                pairs++;
                int one = placed.group(pair.get(0)).orElseThrow();
                int other = placed.group(pair.get(1)).orElseThrow();
                most = Math.max(most, Math.abs(Joint.of(one, face) - Joint.of(other, face)));
            }
        if (pairs > 0) remarks.add(new LayoutRemark.HighVoltageBeside(pairs, most));
    }
}
