package pentacell.core.build.facts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/// Where the cans of a pack stand. Groups alternate: those of even number from 0 have their
/// positive ends on the top face, the others on the bottom face.
///
/// @param grid the holder
/// @param places the places of each group in series order, one for every can in the order of its
///   cells; none twice
/// @param takeOff where the leads leave
public record Layout(Grid grid, List<List<Spot>> places, TakeOff takeOff) {
    public Layout {
        places = places.stream().map(List::copyOf).toList();
        Set<Spot> taken = new HashSet<>();
        for (List<Spot> group : places) {
            if (group.isEmpty()) throw new IllegalArgumentException("a group has a can or more");
            for (Spot spot : group) {
                if (!grid.has(spot))
                    throw new IllegalArgumentException(
                            spot
                                    + " is outside of a holder of "
                                    + grid.columns()
                                    + " × "
                                    + grid.rows());
                if (!taken.add(spot)) throw new IllegalArgumentException(spot + " has two cans");
            }
        }
    }

    /// How many cans each group has.
    public List<Integer> groupSizes() {
        return places.stream().map(List::size).toList();
    }

    /// Whether the positive ends of a group, from 0, are on the top face.
    public static boolean isUp(int group) {
        return group % 2 == 0;
    }

    /// What stands at each place.
    public CansByPlace cansByPlace() {
        return new CansByPlace(this);
    }

    /// The same with another way for the leads.
    public Layout with(TakeOff other) {
        return new Layout(grid, places, other);
    }

    /// The same seen in a mirror: left is right.
    public Layout mirrored() {
        if (!isNested()) return moved(0, spot -> new Spot(last() - spot.column(), spot.row()));
        // straight rows come to lie half a pitch beyond where shifted ones begin
        return moved(
                1,
                spot -> new Spot(last() - spot.column() + (isShifted(spot) ? 0 : 1), spot.row()));
    }

    /// The same turned over its middle row: the upper edge is the lower.
    public Layout upsideDown() {
        int bottom = grid.rows() - 1;
        // with an even number of nested rows the shifted ones change places with the straight
        int shift = isNested() && grid.rows() % 2 == 0 ? 1 : 0;
        return moved(
                shift,
                spot ->
                        new Spot(
                                spot.column() + (isShifted(spot) ? shift : 0),
                                bottom - spot.row()));
    }

    private boolean isNested() {
        return grid.pattern() == Grid.Pattern.NESTED;
    }

    private boolean isShifted(Spot spot) {
        return isNested() && spot.row() % 2 == 1;
    }

    private int last() {
        return grid.columns() - 1;
    }

    private Layout moved(int moreColumns, UnaryOperator<Spot> to) {
        List<List<Spot>> moved = each(places, to);
        List<Spot> free = grid.keptFree().stream().map(to).toList();
        // a column that came to lie empty at an edge is given up
        int first = moreColumns == 0 ? 0 : columns(moved, free).min().orElse(0);
        int most =
                moreColumns == 0
                        ? grid.columns()
                        : columns(moved, free).max().orElse(0) - first + 1;
        UnaryOperator<Spot> back = spot -> new Spot(spot.column() - first, spot.row());
        Grid holder =
                new Grid(
                        grid.pattern(),
                        grid.pitchMillimetres(),
                        most,
                        grid.rows(),
                        grid.foldedInto(),
                        Optional.of(free.stream().map(back).toList()));
        return new Layout(holder, each(moved, back), takeOff);
    }

    private static List<List<Spot>> each(List<List<Spot>> places, UnaryOperator<Spot> to) {
        return places.stream().map(group -> group.stream().map(to).toList()).toList();
    }

    private static IntStream columns(List<List<Spot>> places, List<Spot> free) {
        return Stream.concat(places.stream().flatMap(List::stream), free.stream())
                .mapToInt(Spot::column);
    }

    /// The same after the cans of two places changed them; one may be empty.
    public Layout swapped(Spot one, Spot other) {
        UnaryOperator<Spot> way =
                spot -> spot.equals(one) ? other : spot.equals(other) ? one : spot;
        return new Layout(grid, each(places, way), takeOff);
    }

    /// The same after two groups, from 0, of as many cans changed their places.
    ///
    /// @throws IllegalArgumentException when one has more cans than the other
    public Layout groupsSwapped(int one, int other) {
        if (places.get(one).size() != places.get(other).size())
            throw new IllegalArgumentException(
                    "groups %d and %d have not as many cans".formatted(one + 1, other + 1));
        List<List<Spot>> swapped = new ArrayList<>(places);
        swapped.set(one, places.get(other));
        swapped.set(other, places.get(one));
        return new Layout(grid, swapped, takeOff);
    }

    /// The same with a row, or a column in every layer, of empty places more.
    public Layout grown(int columns, int rows) {
        int layer = grid.columnsOfALayer();
        UnaryOperator<Spot> way =
                spot -> new Spot(spot.column() + spot.column() / layer * columns, spot.row());
        Grid larger =
                new Grid(
                        grid.pattern(),
                        grid.pitchMillimetres(),
                        grid.columns() + columns * grid.layers(),
                        grid.rows() + rows,
                        grid.foldedInto(),
                        Optional.of(grid.keptFree().stream().map(way).toList()));
        return new Layout(larger, each(places, way), takeOff);
    }

    /// The same with a place kept free, or no longer; a can that stands there goes to the nearest
    /// empty place. Empty when there is no other place for it.
    public Optional<Layout> keepingFree(Spot spot) {
        List<Spot> free = new ArrayList<>(grid.keptFree());
        if (free.remove(spot)) return Optional.of(new Layout(grid.keeping(free), places, takeOff));
        free.add(spot);
        Layout kept = new Layout(grid.keeping(free), places, takeOff);
        if (cansByPlace().at(spot).isEmpty()) return Optional.of(kept);
        return kept.blanks().stream()
                .min(
                        Comparator.comparingDouble((Spot blank) -> apart(blank, spot))
                                .thenComparing(Spot.BY_ROWS))
                .map(blank -> kept.swapped(spot, blank));
    }

    private double apart(Spot one, Spot other) {
        return Math.hypot(
                grid.alongMillimetres(one) - grid.alongMillimetres(other),
                grid.acrossMillimetres(one) - grid.acrossMillimetres(other));
    }

    /// The places that are empty and may be filled.
    public List<Spot> blanks() {
        CansByPlace placed = cansByPlace();
        List<Spot> free = grid.keptFree();
        List<Spot> empty = new ArrayList<>();
        for (int row = 0; row < grid.rows(); row++)
            for (int column = 0; column < grid.columns(); column++) {
                Spot spot = new Spot(column, row);
                if (placed.group(spot).isEmpty() && !free.contains(spot)) empty.add(spot);
            }
        return empty;
    }
}
