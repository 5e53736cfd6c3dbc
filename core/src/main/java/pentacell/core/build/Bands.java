package pentacell.core.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.unit.Count;

/// Groups laid one behind the other in bands that run there and back, so that each touches the next
/// along a whole side.
///
/// @param pattern how rows lie
/// @param height rows of a band
/// @param bands bands beside each other
/// @param fill how groups take their columns
/// @param layers folded onto each other
record Bands(Grid.Pattern pattern, int height, int bands, Fill fill, int layers) {
    /// So many columns of a layer may stay empty where its groups end.
    private static final int MORE_COLUMNS = 2;

    /// How groups take their columns.
    enum Fill {
        /// Whole columns each; what is left of the last stays empty.
        WHOLE,
        /// Can after can; borders have steps, and nothing stays empty.
        STEPPED
    }

    /// The layout; empty when a band would have no group, or groups do not come to lie whole in a
    /// layer.
    Optional<Layout> layout(LayoutWish wish) {
        if (bands > wish.groupSizes().size() || layers > 1 && fill == Fill.STEPPED)
            return Optional.empty();
        if (layers == 1) {
            Laid laid = lay(wish, 0, Integer.MAX_VALUE);
            // a longer band behind a shorter one begins before the first column
            if (laid.least() < 0 && !wish.keptFree().isEmpty())
                laid = lay(wish, -laid.least(), Integer.MAX_VALUE);
            return Optional.of(laid.inGrid(wish, this, Math.min(0, laid.least()), laid.most() + 1));
        }
        int widest =
                wish.groupSizes().stream().mapToInt(size -> ceil(size, height)).max().orElse(1);
        int least = ceil(ceil(wish.cans(), height * bands), layers);
        for (int columns = Math.max(least, widest);
                columns <= least + widest + MORE_COLUMNS;
                columns++) {
            Laid laid = lay(wish, 0, columns);
            if (laid.least() >= 0 && laid.most() < columns * layers && !laid.isSplit(columns))
                return Optional.of(laid.inGrid(wish, this, 0, columns * layers));
        }
        return Optional.empty();
    }

    private static int ceil(int whole, int by) {
        return (whole + by - 1) / by;
    }

    /// Lays cans one by one.
    ///
    /// @param begin column of the first can
    /// @param fold columns of a layer, over whose end no group is laid
    private Laid lay(LayoutWish wish, int begin, int fold) {
        List<Integer> sizes = wish.groupSizes();
        Set<Spot> free = Set.copyOf(wish.keptFree());
        List<List<Cursor>> groups = new ArrayList<>();
        int column = begin;
        for (int band = 0; band < bands; band++) {
            int step = band % 2 == 0 ? 1 : -1;
            int count = sizes.size() / bands + (band < sizes.size() % bands ? 1 : 0);
            int row = 0;
            for (int i = 0; i < count; i++) {
                int size = sizes.get(groups.size());
                List<Cursor> cans = strip(size, new Cursor(column, row), band, step, free);
                if (fold < Integer.MAX_VALUE && isFolded(cans, fold)) {
                    int layer = Math.floorDiv(column, fold);
                    column = step > 0 ? (layer + 1) * fold : layer * fold - 1;
                    cans = strip(size, new Cursor(column, 0), band, step, free);
                }
                groups.add(cans);
                Cursor last = cans.getLast();
                row = fill == Fill.WHOLE ? 0 : (last.row() + 1) % height;
                column = last.column() + (row == 0 ? step : 0);
            }
            // the next band comes back from where this one ended
            column = groups.getLast().getLast().column();
        }
        return new Laid(groups);
    }

    /// The cans of a group, one after the other touching where it takes whole columns: every second
    /// one is laid backwards, so that units of several cans stay together.
    ///
    /// @param from row within the band
    private List<Cursor> strip(int size, Cursor from, int band, int step, Set<Spot> free) {
        List<Cursor> cans = new ArrayList<>(size);
        int column = from.column();
        int row = from.row();
        int down = 1;
        // as many free places as there are can be passed over
        for (int passed = 0; cans.size() < size && passed <= size + free.size(); passed++) {
            boolean isFree =
                    column >= 0
                            && !free.isEmpty()
                            && free.contains(new Spot(column, band * height + row));
            if (!isFree) cans.add(new Cursor(column, band * height + row));
            row += down;
            if (row < 0 || row == height) {
                if (fill == Fill.WHOLE) down = -down;
                row = down > 0 ? 0 : height - 1;
                column += step;
            }
        }
        return cans;
    }

    private static boolean isFolded(List<Cursor> cans, int fold) {
        return cans.stream().mapToInt(can -> Math.floorDiv(can.column(), fold)).distinct().count()
                > 1;
    }

    /// @param column below 0 while bands are laid
    private record Cursor(int column, int row) {}

    private record Laid(List<List<Cursor>> groups) {
        int least() {
            return columns().min().orElse(0);
        }

        int most() {
            return columns().max().orElse(0);
        }

        private IntStream columns() {
            return groups.stream().flatMap(List::stream).mapToInt(Cursor::column);
        }

        boolean isSplit(int fold) {
            return groups.stream().anyMatch(cans -> isFolded(cans, fold));
        }

        Layout inGrid(LayoutWish wish, Bands way, int first, int end) {
            Grid grid =
                    new Grid(
                                    way.pattern,
                                    wish.pitchMillimetres(),
                                    end - first,
                                    way.height * way.bands)
                            .folded(way.layers)
                            .keeping(wish.keptFree());
            return new Layout(
                    grid,
                    groups.stream()
                            .map(cans ->
                                    cans.stream()
                                            .map(can -> new Spot(can.column() - first, can.row()))
                                            .toList())
                            .toList(),
                    wish.takeOff());
        }
    }

    /// About how much is lost: bridges from group to group and columns within groups, more for a
    /// slim one.
    double squeeze(LayoutWish wish) {
        double series = wish.groupSizes().size();
        double parallel = wish.cans() / series;
        double bridges = pattern == Grid.Pattern.NESTED ? 2 * height - 1 : height;
        double columns = Math.max(1, parallel / height);
        double rows = (double) height * bands;
        double along = wish.cans() / rows / layers;
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

    /// In words, such as `1 band of 5 rows, square`.
    String words(OptionalInt blanks) {
        return "%s of %s, %s%s%s%s"
                .formatted(
                        Count.of(bands, "band", "bands"),
                        Count.of(height, "row", "rows"),
                        pattern.words(),
                        layers > 1 ? ", " + Count.of(layers, "layer", "layers") : "",
                        fill == Fill.STEPPED ? ", stepped borders" : "",
                        blanks.orElse(0) == 0
                                ? ""
                                : ", " + Count.of(blanks.getAsInt(), "blank", "blanks"));
    }
}
