package pentacell.core.service;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.build.PackToBuild;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.school.Grading;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.Grader;
import pentacell.core.unit.Quantity;

/// What becomes of the cells of a pack that is taken apart: which go back to the stock, with their
/// history, and which to the recycle box.
///
/// A cell is taken for as worn as its group was found in its last test. What was found dead or warm
/// is out whatever its group gave.
///
/// @param cells in the order of the groups
public record EndOfLife(List<Cell> cells) {
    public EndOfLife {
        cells = List.copyOf(cells);
    }

    /// A cell.
    ///
    /// @param group from 0
    /// @param milliampHours it is taken to hold
    /// @param recycled why it goes to the recycle box; empty when it goes to the stock
    public record Cell(CellId id, int group, double milliampHours, Optional<String> recycled) {}

    /// The cells of a pack.
    ///
    /// @param out cells that were found dead or warm, with what was found
    static EndOfLife of(
            WorkshopState state,
            PackToBuild built,
            Map<Integer, GroupTrend> trends,
            Map<CellId, String> out) {
        double least = Grading.of(state).policy().minSohShare();
        List<Cell> cells = new ArrayList<>();
        for (int group = 0; group < built.groups().size(); group++) {
            double matched =
                    built.groups().get(group).stream()
                            .mapToDouble(PackToBuild.Unit::ampHours)
                            .sum();
            GroupTrend trend = trends.get(group);
            double part = trend == null ? 1 : Math.min(1, trend.last().ampHours() / matched);
            for (PackToBuild.Unit unit : built.groups().get(group)) {
                double holds = 1000 * part * unit.ampHours();
                Optional<String> found = Optional.ofNullable(out.get(unit.id()));
                OptionalDouble measured = soh(state, unit);
                OptionalDouble soh =
                        measured.isPresent()
                                ? OptionalDouble.of(part * measured.getAsDouble())
                                : measured;
                cells.add(
                        new Cell(
                                unit.id(),
                                group,
                                holds,
                                found.or(() ->
                                        soh.isPresent() && soh.getAsDouble() < least
                                                ? Optional.of(
                                                        "about %s of what it held new; %s is wanted"
                                                                .formatted(
                                                                        percent(soh.getAsDouble()),
                                                                        percent(least)))
                                                : Optional.empty())));
            }
        }
        return new EndOfLife(cells);
    }

    private static String percent(double share) {
        return Quantity.PERCENT.text(100 * share, 0);
    }

    private static OptionalDouble soh(WorkshopState state, PackToBuild.Unit unit) {
        return Cells.of(state)
                .cell(unit.id())
                .map(cell -> Grader.soh(cell, Catalogue.of(state).modelOf(cell)))
                .orElse(OptionalDouble.empty());
    }

    /// Those that go back to the stock.
    public List<Cell> kept() {
        return cells.stream().filter(each -> each.recycled().isEmpty()).toList();
    }

    /// Those that go to the recycle box.
    public List<Cell> recycled() {
        return cells.stream().filter(each -> each.recycled().isPresent()).toList();
    }
}
