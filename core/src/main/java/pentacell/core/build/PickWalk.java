package pentacell.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.pack.Pack;
import pentacell.core.state.WorkshopState;

/// The cells of a pack in an order to fetch them.
public final class PickWalk {
    private PickWalk() {}

    /// The order of fetching.
    public enum Order {
        /// Tray by tray, place by place, so that a hand walks once; cells without a place last.
        BY_PLACE("by place"),
        /// Group by group, for filling holders.
        BY_GROUP("by group");

        private final String words;

        Order(String words) {
            this.words = words;
        }

        /// The order in words.
        public String words() {
            return words;
        }
    }

    /// All cells of a pack.
    public static List<PickLine> of(Pack pack, WorkshopState state, Order order) {
        List<PickLine> lines = new ArrayList<>();
        for (int group = 0; group < pack.groups().size(); group++) {
            List<CellId> cells = pack.groups().get(group);
            for (int i = 0; i < cells.size(); i++) {
                Optional<CellRecord> cell = Cells.of(state).cell(cells.get(i));
                lines.add(
                        new PickLine(
                                cells.get(i),
                                cell.flatMap(CellRecord::place),
                                group + 1,
                                i + 1,
                                cell.map(CellRecord::milliampHours).orElse(OptionalDouble.empty()),
                                cell.map(CellRecord::milliohms).orElse(OptionalDouble.empty()),
                                pack.picked().contains(cells.get(i))));
            }
        }
        if (order == Order.BY_PLACE) lines.sort(alongTheShelf());
        return List.copyOf(lines);
    }

    private static Comparator<PickLine> alongTheShelf() {
        Comparator<PickLine> placedFirst = Comparator.comparing(line -> line.place().isEmpty());
        return placedFirst
                .thenComparing((a, b) ->
                        a.place().isPresent() && b.place().isPresent()
                                ? a.place().get().compareTo(b.place().get())
                                : 0)
                .thenComparing(PickLine::cell);
    }

    /// The next cell to fetch; empty when all are in the hand.
    public static Optional<PickLine> next(List<PickLine> walk) {
        return walk.stream().filter(line -> !line.taken()).findFirst();
    }
}
