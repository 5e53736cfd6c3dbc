package pentacell.core.build;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import pentacell.core.assembly.Grid;
import pentacell.core.assembly.Layout;
import pentacell.core.assembly.Spot;
import pentacell.core.unit.Count;

/// Groups laid one behind the other in bands that run there and back, so that each touches the next
/// along a whole side.
///
/// @param pattern how rows lie
/// @param height rows of a band
/// @param bands bands beside each other
/// @param fill how groups take their columns
record Bands(Grid.Pattern pattern, int height, int bands, Fill fill) {
    /// How groups take their columns.
    enum Fill {
        /// Whole columns each; what is left of the last stays empty.
        WHOLE,
        /// Can after can; borders have steps, and nothing stays empty.
        STEPPED
    }

    /// The layout; none when a band would have no group.
    List<Layout> layouts(LayoutWish wish) {
        List<Integer> sizes = wish.groupSizes();
        if (bands > sizes.size()) return List.of();
        List<List<Integer>> inBand = new ArrayList<>();
        int next = 0;
        for (int band = 0; band < bands; band++) {
            int count = sizes.size() / bands + (band < sizes.size() % bands ? 1 : 0);
            List<Integer> groups = new ArrayList<>();
            for (int i = 0; i < count; i++) groups.add(next++);
            inBand.add(groups);
        }
        List<List<Strip>> strips = new ArrayList<>();
        int begin = 0;
        int least = 0;
        int most = 0;
        for (int band = 0; band < bands; band++) {
            boolean isForth = band % 2 == 0;
            int used = columns(inBand.get(band), sizes);
            List<Strip> strip = new ArrayList<>();
            int column = begin;
            int row = 0;
            for (int group : inBand.get(band)) {
                List<Cursor> cans = new ArrayList<>();
                if (fill == Fill.WHOLE && row > 0) {
                    column += isForth ? 1 : -1;
                    row = 0;
                }
                for (int can = 0; can < sizes.get(group); can++) {
                    cans.add(new Cursor(column, band * height + row));
                    row++;
                    if (row == height) {
                        row = 0;
                        column += isForth ? 1 : -1;
                    }
                }
                strip.add(new Strip(cans));
            }
            strips.add(strip);
            int end = begin + (isForth ? used - 1 : 1 - used);
            least = Math.min(least, Math.min(begin, end));
            most = Math.max(most, Math.max(begin, end));
            begin = end;
        }
        Grid grid = new Grid(pattern, wish.pitchMillimetres(), most - least + 1, height * bands);
        int shift = least;
        List<List<Spot>> places =
                strips.stream()
                        .flatMap(List::stream)
                        .map(strip ->
                                strip.cans().stream()
                                        .map(can -> new Spot(can.column() - shift, can.row()))
                                        .toList())
                        .toList();
        return List.of(new Layout(grid, places, wish.takeOff()));
    }

    /// @param column below 0 while bands are laid
    private record Cursor(int column, int row) {}

    private record Strip(List<Cursor> cans) {}

    /// About how much is lost: bridges from group to group and columns within groups, more for a
    /// slim one.
    double squeeze(LayoutWish wish) {
        double series = wish.groupSizes().size();
        double parallel = wish.cans() / series;
        double bridges = pattern == Grid.Pattern.NESTED ? 2 * height - 1 : height;
        double columns = Math.max(1, parallel / height);
        double rows = (double) height * bands;
        double along = wish.cans() / rows;
        double slim = Math.max(along, rows) / Math.min(along, rows);
        double part = columns - Math.floor(columns);
        // lanes with a can more send their current along the band to those with one less
        double uneven = fill == Fill.STEPPED ? part * (1 - part) : 0;
        // places of whole columns over the cans in them
        double full = fill == Fill.WHOLE ? Math.ceil(parallel / height) * height / parallel : 1;
        return full
                * full
                * (1 + LayoutSearch.SLIM_WEIGHT * slim)
                * ((series - 1) / bridges
                        + series * (columns - 1) / (3.0 * height)
                        + series * uneven * uneven * height / 12.0);
    }

    private int columns(List<Integer> groups, List<Integer> sizes) {
        if (fill == Fill.STEPPED) {
            int cans = groups.stream().mapToInt(sizes::get).sum();
            return (cans + height - 1) / height;
        }
        return groups.stream().mapToInt(group -> (sizes.get(group) + height - 1) / height).sum();
    }

    /// In words, such as `1 band of 5 rows, square`.
    String words(OptionalInt blanks) {
        return "%s of %s, %s%s%s"
                .formatted(
                        Count.of(bands, "band", "bands"),
                        Count.of(height, "row", "rows"),
                        pattern.words(),
                        fill == Fill.STEPPED ? ", stepped borders" : "",
                        blanks.orElse(0) == 0
                                ? ""
                                : ", " + Count.of(blanks.getAsInt(), "blank", "blanks"));
    }
}
