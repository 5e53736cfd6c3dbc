package pentacell.desktop.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.AccessibleRole;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import pentacell.core.cell.CellId;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchReplacement;
import pentacell.core.match.MatchWords;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.match.SkylinePainter.Drawn;
import pentacell.desktop.match.SkylinePainter.Highlights;

/// The skyline as a thing to handle: drag a cell onto another to swap them, L locks, X marks a cell
/// and then swaps it with the next one marked, R names the best cell of the shelf for a place and
/// then takes it, K keeps a cell left over for repairs, arrow keys walk. How it is drawn is
/// [SkylinePainter].
final class Skyline extends StackPane {
    private final Desk desk;
    private final MatchModel model;
    private final PlotSurface surface = new PlotSurface(this::paint);
    private final ReadOnlyStringWrapper consequence = new ReadOnlyStringWrapper("");
    private final PlotSurface hand = new PlotSurface(this::paintHighlights);
    private Drawn drawn = Drawn.NOTHING;
    private Optional<CellId> dragged = Optional.empty();
    private Optional<CellId> target = Optional.empty();
    private Optional<CellId> marked = Optional.empty();
    private Optional<Replacing> replacing = Optional.empty();

    /// A replacement that was named and not yet taken.
    private record Replacing(CellId leaving, MatchReplacement replacement) {}

    /// Where a cell is drawn.
    ///
    /// @param column its group from 0, or the number of groups for the shelf
    record Block(CellId cell, int column, double x, double y, double width, double height) {
        boolean holds(double atX, double atY) {
            return atX >= x && atX < x + width && atY >= y && atY < y + height;
        }
    }

    Skyline(Desk desk, MatchModel model) {
        this.desk = desk;
        this.model = model;
        setId("skyline");
        setAccessibleRole(AccessibleRole.NODE);
        setAccessibleText(
                "Skyline of the groups; drag cells to swap, L locks, X marks and swaps, R replaces, K keeps a spare");
        setFocusTraversable(true);
        hand.setMouseTransparent(true);
        getChildren().addAll(surface, hand);
        model.shownProperty().subscribe(shown -> surface.repaint());
        desk.selection()
                .cellProperty()
                .subscribe(selected -> {
                    replacing = Optional.empty();
                    tell();
                    hand.repaint();
                });
        setOnMousePressed(this::onPress);
        setOnMouseDragged(this::onDrag);
        setOnMouseReleased(this::onRelease);
        setOnKeyPressed(this::onKey);
    }

    /// What a swap under way would do, in words.
    ReadOnlyStringProperty consequenceProperty() {
        return consequence.getReadOnlyProperty();
    }

    private void paint(Pen pen, double width, double height) {
        hand.repaint();
        Optional<Shown> shown = model.shownProperty().get();
        if (shown.isEmpty()) {
            drawn = Drawn.NOTHING;
            SkylinePainter.paintEmpty(pen, width, height);
            return;
        }
        drawn = new SkylinePainter(pen, shown.get()).paint(width, height);
    }

    private void paintHighlights(Pen pen, double width, double height) {
        SkylinePainter.paintHighlights(
                pen,
                drawn,
                new Highlights(
                        desk.selection().cellProperty().get(), marked.or(() -> dragged), target));
    }

    private Optional<CellId> cellAt(double x, double y) {
        return drawn.blocks().stream()
                .filter(block -> block.holds(x, y))
                .map(Block::cell)
                .findFirst();
    }

    private void onPress(MouseEvent press) {
        requestFocus();
        Optional<CellId> cell = cellAt(press.getX(), press.getY());
        cell.ifPresent(desk.selection()::select);
        dragged = press.getButton() == MouseButton.PRIMARY ? cell : Optional.empty();
    }

    private void onDrag(MouseEvent drag) {
        if (dragged.isEmpty()) return;
        target =
                cellAt(drag.getX(), drag.getY()).filter(cell -> !Optional.of(cell).equals(dragged));
        tell();
        hand.repaint();
    }

    /// What a swap of the cell that is dragged, or else of the one that is marked, would do.
    private void tell() {
        Optional<CellId> other = target.or(() -> desk.selection().cellProperty().get());
        consequence.set(
                (target.isPresent() ? dragged : marked)
                        .flatMap(from ->
                                other.filter(to -> !to.equals(from)).map(to -> effectOf(from, to)))
                        .orElse(""));
    }

    private void onRelease(MouseEvent release) {
        Optional<CellId> from = dragged;
        Optional<CellId> to = target;
        dragged = Optional.empty();
        target = Optional.empty();
        tell();
        if (from.isPresent() && to.isPresent()) model.hands().swap(from.get(), to.get());
        hand.repaint();
    }

    private void onKey(KeyEvent key) {
        Optional<CellId> selected = desk.selection().cellProperty().get();
        switch (key.getCode()) {
            case L -> selected.ifPresent(model.hands()::toggleLock);
            case K -> selected.ifPresent(model.hands()::toggleSpare);
            case X -> selected.ifPresent(this::markOrSwap);
            case R -> {
                selected.ifPresent(this::nameOrReplace);
                key.consume();
                hand.repaint();
                return;
            }
            case ESCAPE -> marked = Optional.empty();
            case LEFT -> walk(-1, 0);
            case RIGHT -> walk(1, 0);
            case UP -> walk(0, 1);
            case DOWN -> walk(0, -1);
            default -> {
                return;
            }
        }
        replacing = Optional.empty();
        tell();
        key.consume();
        hand.repaint();
    }

    private void markOrSwap(CellId selected) {
        if (marked.isEmpty() || marked.get().equals(selected)) {
            marked = marked.isEmpty() ? Optional.of(selected) : Optional.empty();
            return;
        }
        model.hands().swap(marked.get(), selected);
        marked = Optional.empty();
    }

    /// Names the best cell for the place of the selected one; pressed again, takes it.
    private void nameOrReplace(CellId selected) {
        Optional<MatchReplacement> again =
                replacing
                        .filter(each -> each.leaving().equals(selected))
                        .map(Replacing::replacement);
        replacing = Optional.empty();
        if (again.isPresent()) {
            consequence.set("");
            model.hands().swap(selected, again.get().cell().id());
            return;
        }
        Optional<Shown> shown = model.shownProperty().get();
        if (shown.isEmpty() || shown.get().pack().groupOf(selected).isEmpty()) {
            consequence.set("Select a cell of a group; R then names what could take its place.");
            return;
        }
        Optional<MatchReplacement> found = shown.get().replacementOf(selected);
        replacing = found.map(each -> new Replacing(selected, each));
        consequence.set(
                found.map(each ->
                                effect(
                                                "%s for %s".formatted(each.cell().id(), selected),
                                                shown.get().figures(),
                                                each.after())
                                        + "; R again swaps")
                        .orElse(
                                "No cell left over keeps the rules in the place of "
                                        + selected
                                        + "."));
    }

    private void walk(int columns, int up) {
        if (drawn.blocks().isEmpty()) return;
        Optional<Block> here =
                desk.selection()
                        .cellProperty()
                        .get()
                        .flatMap(cell ->
                                drawn.blocks().stream()
                                        .filter(block -> block.cell().equals(cell))
                                        .findFirst());
        if (here.isEmpty()) {
            desk.selection().select(drawn.blocks().get(0).cell());
            return;
        }
        List<Block> column = column(here.get().column());
        int index = column.indexOf(here.get());
        if (up != 0 && index + up >= 0 && index + up < column.size())
            desk.selection().select(column.get(index + up).cell());
        List<Block> beside = column(here.get().column() + columns);
        if (columns != 0 && !beside.isEmpty())
            desk.selection().select(beside.get(Math.min(index, beside.size() - 1)).cell());
    }

    private List<Block> column(int column) {
        List<Block> blocksOfColumn = new ArrayList<>();
        for (Block block : drawn.blocks()) if (block.column() == column) blocksOfColumn.add(block);
        return blocksOfColumn;
    }

    private String effectOf(CellId from, CellId to) {
        Optional<Shown> shown = model.shownProperty().get();
        Optional<Candidate> first = shown.flatMap(now -> now.find(from));
        Optional<Candidate> second = shown.flatMap(now -> now.find(to));
        if (shown.isEmpty() || first.isEmpty() || second.isEmpty()) return "";
        return shown.get()
                .breachOf(from, to)
                .map(breach -> "Not to be swapped: " + MatchWords.sentence(breach))
                .orElseGet(() ->
                        effect(
                                "Swap %s and %s".formatted(from, to),
                                shown.get().figures(),
                                shown.get().after(first.get(), second.get())));
    }

    private static String effect(String what, MatchFigures before, MatchFigures after) {
        return "%s: usable %s → %s, spread %s → %s, IR spread in a group %s → %s"
                .formatted(
                        what,
                        Quantity.CAPACITY.number(before.usableMilliampHours()),
                        Quantity.CAPACITY.text(after.usableMilliampHours()),
                        Quantity.CAPACITY.number(before.spreadMilliampHours()),
                        Quantity.CAPACITY.text(after.spreadMilliampHours()),
                        Quantity.RESISTANCE.number(
                                before.worstIrSpreadMilliohms().orElse(Double.NaN)),
                        Quantity.RESISTANCE.text(
                                after.worstIrSpreadMilliohms().orElse(Double.NaN)));
    }
}
