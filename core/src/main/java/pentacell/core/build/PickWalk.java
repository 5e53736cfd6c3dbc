package pentacell.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
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

    /// What checking off a typed id came to.
    public sealed interface Check {
        /// It belongs to the pack and was still to be fetched.
        record Right(PickLine line) implements Check {}

        /// It is not to be taken.
        ///
        /// @param reason why, in words
        record Wrong(String reason) implements Check {}
    }

    /// Checks a typed or scanned id against a pack.
    public static Check check(String typed, Pack pack, WorkshopState state) {
        String text = typed.strip();
        if (CellId.problem(text).isPresent())
            return new Check.Wrong(
                    "\"" + text + "\" is not a cell id: it " + CellId.problem(text).get() + ".");
        Optional<CellId> known = idAsWritten(text, state);
        if (known.isEmpty())
            return new Check.Wrong("No cell " + text + " was ever logged. Read the can again.");
        CellId cell = known.get();
        Optional<PickLine> line =
                of(pack, state, Order.BY_GROUP).stream()
                        .filter(each -> each.cell().equals(cell))
                        .findFirst();
        if (line.isEmpty())
            return new Check.Wrong(
                    Packs.of(state)
                            .otherPackOf(cell, pack.name())
                            .map(other ->
                                    cell
                                            + " belongs to the pack "
                                            + other.name()
                                            + ". Put it back.")
                            .orElse(
                                    cell
                                            + " is not in this pack: it was left out. Put it back"
                                            + home(state, cell)
                                            + "."));
        if (line.get().taken()) return new Check.Wrong(cell + " is already in the hand.");
        return new Check.Right(line.get());
    }

    /// Finds the cell meant, whatever the case it is typed in, unless ids differ by case alone.
    private static Optional<CellId> idAsWritten(String text, WorkshopState state) {
        CellId exact = new CellId(text);
        if (Cells.of(state).cell(exact).isPresent()) return Optional.of(exact);
        List<CellId> alike =
                Cells.of(state).all().keySet().stream()
                        .filter(id -> id.text().equalsIgnoreCase(text))
                        .toList();
        return alike.size() == 1 ? Optional.of(alike.get(0)) : Optional.empty();
    }

    private static String home(WorkshopState state, CellId cell) {
        return Cells.of(state)
                .cell(cell)
                .flatMap(CellRecord::place)
                .map(Place::toString)
                .map(place -> " to " + place)
                .orElse("");
    }
}
