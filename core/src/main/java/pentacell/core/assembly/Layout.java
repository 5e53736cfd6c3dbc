package pentacell.core.assembly;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

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
        List<List<Spot>> moved =
                places.stream().map(group -> group.stream().map(to).toList()).toList();
        int first = moreColumns == 0 ? 0 : columns(moved).min().orElse(0);
        int most = columns(moved).max().orElse(0) - first + 1;
        return new Layout(
                new Grid(
                        grid.pattern(),
                        grid.pitchMillimetres(),
                        moreColumns == 0 ? grid.columns() : most,
                        grid.rows()),
                moved.stream()
                        .map(group ->
                                group.stream()
                                        .map(spot -> new Spot(spot.column() - first, spot.row()))
                                        .toList())
                        .toList(),
                takeOff);
    }

    private static IntStream columns(List<List<Spot>> places) {
        return places.stream().flatMap(List::stream).mapToInt(Spot::column);
    }

    /// The same after the cans of two places changed them; one may be empty.
    public Layout swapped(Spot one, Spot other) {
        return moved(0, spot -> spot.equals(one) ? other : spot.equals(other) ? one : spot);
    }

    /// The same with a row or a column of empty places more.
    public Layout grown(int columns, int rows) {
        return new Layout(
                new Grid(
                        grid.pattern(),
                        grid.pitchMillimetres(),
                        grid.columns() + columns,
                        grid.rows() + rows),
                places,
                takeOff);
    }

    /// The places that are empty.
    public List<Spot> blanks() {
        CansByPlace placed = cansByPlace();
        List<Spot> empty = new ArrayList<>();
        for (int row = 0; row < grid.rows(); row++)
            for (int column = 0; column < grid.columns(); column++) {
                Spot spot = new Spot(column, row);
                if (placed.group(spot).isEmpty()) empty.add(spot);
            }
        return empty;
    }
}
