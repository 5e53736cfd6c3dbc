package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.event.EventHandler;
import javafx.geometry.Point2D;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.cell.Tray;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.CellMark;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;

/// The tray as it lies on the bench: rows and columns of cell marks with their ids, and the place
/// the hand is at.
final class TrayView extends StackPane {
    private static final double MARGIN_EM = 1.9;

    private final Desk desk;
    private final IntakeModel model;
    private final TrayFinder finder;
    private final PlotSurface surface = new PlotSurface(this::paint);
    private final Flash flash = new Flash(surface::repaint);
    private int anchor;
    private Optional<Integer> dropAt = Optional.empty();
    private boolean isDragging;
    private final EventHandler<MouseEvent> drop = this::onDrop;

    /// Finds the button of a tray under the pointer.
    interface TrayFinder {
        Optional<Tray> trayAt(double sceneX, double sceneY);
    }

    TrayView(Desk desk, IntakeModel model, TrayFinder finder) {
        this.desk = desk;
        this.model = model;
        this.finder = finder;
        setId("tray");
        getStyleClass().add("tray");
        setAccessibleRole(AccessibleRole.TABLE_VIEW);
        setAccessibleText("Tray; arrow keys move the hand");
        setFocusTraversable(true);
        getChildren().add(surface);
        setOnMousePressed(this::onPress);
        setOnMouseDragged(this::onDrag);
        setOnMouseReleased(this::onRelease);
        desk.selection()
                .foundProperty()
                .subscribe(count -> {
                    if (count.intValue() > 0) flash.begin();
                });
        setOnKeyPressed(this::onKey);
        desk.ledger().stateProperty().subscribe(state -> surface.repaint());
        desk.selection().cellProperty().subscribe(selected -> surface.repaint());
        model.trayProperty().subscribe(tray -> surface.repaint());
        model.cursorProperty()
                .subscribe(cursor -> {
                    // a hand that moves by typing leaves no range behind
                    if (!isFocused()) anchor = cursor;
                    surface.repaint();
                });
    }

    /// How the places lie on the surface.
    private record Grid(Tray tray, double margin, double cellWidth, double cellHeight) {
        double x(int index) {
            return margin + (index % tray.columns()) * cellWidth;
        }

        double y(int index) {
            int row = index / tray.columns();
            return margin + row * cellHeight;
        }

        Optional<Integer> indexAt(double x, double y) {
            int column = (int) Math.floor((x - margin) / cellWidth);
            int row = (int) Math.floor((y - margin) / cellHeight);
            boolean inside =
                    column >= 0 && column < tray.columns() && row >= 0 && row < tray.rows();
            return inside ? Optional.of(row * tray.columns() + column) : Optional.empty();
        }
    }

    private Optional<Grid> grid(double em, double width, double height) {
        double margin = MARGIN_EM * em;
        return model.trayProperty()
                .get()
                .map(tray ->
                        new Grid(
                                tray,
                                margin,
                                Math.min((width - margin) / tray.columns(), 7 * em),
                                Math.min((height - margin) / tray.rows(), 7 * em)));
    }

    private double em = 13;

    private void paint(Pen pen, double width, double height) {
        em = pen.em();
        grid(em, width, height).ifPresent(grid -> paint(pen, grid));
    }

    private void paint(Pen pen, Grid grid) {
        Tray tray = grid.tray();
        for (int column = 0; column < tray.columns(); column++)
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.CENTRE,
                    grid.x(column) + grid.cellWidth() / 2,
                    grid.margin() / 2,
                    String.valueOf(column + 1));
        for (int row = 0; row < tray.rows(); row++)
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.CENTRE,
                    grid.margin() / 2,
                    grid.y(row * tray.columns()) + grid.cellHeight() / 2,
                    Place.rowLetters(row + 1));
        Optional<CellId> selected = desk.selection().cellProperty().get();
        for (int i = 0; i < tray.size(); i++) {
            Optional<CellId> here = Cells.of(desk.ledger().state()).at(tray.place(i));
            boolean isSelected = here.isPresent() && here.equals(selected);
            paintPlace(
                    pen, grid, i, here.flatMap(Cells.of(desk.ledger().state())::cell), isSelected);
        }
        int cursor = model.cursorProperty().get();
        for (int i = Math.min(anchor, cursor); i <= Math.max(anchor, cursor); i++)
            if (i != cursor && i < tray.size()) frame(pen, grid, i, 1);
        frame(pen, grid, cursor, 2);
        dropAt.ifPresent(place -> {
            pen.dashes(5, 4);
            frame(pen, grid, place, 3);
            pen.dashes();
        });
        if (flash.isOn()) {
            pen.fill(
                    Hue.FOCUS,
                    0.35,
                    grid.x(cursor) + 1,
                    grid.y(cursor) + 1,
                    grid.cellWidth() - 2,
                    grid.cellHeight() - 2);
            frame(pen, grid, cursor, 5);
        }
    }

    private static void frame(Pen pen, Grid grid, int index, double lineWidth) {
        pen.frame(
                Hue.FOCUS,
                lineWidth,
                grid.x(index) + 1,
                grid.y(index) + 1,
                grid.cellWidth() - 3,
                grid.cellHeight() - 3);
    }

    private void paintPlace(
            Pen pen, Grid grid, int index, Optional<CellRecord> cell, boolean isSelected) {
        double x = grid.x(index);
        double y = grid.y(index);
        pen.fill(
                isSelected ? Hue.FOCUS : Hue.SHEET,
                isSelected ? 0.16 : 1,
                x + 1,
                y + 1,
                grid.cellWidth() - 2,
                grid.cellHeight() - 2);
        pen.frame(Hue.RULE, 1, x, y, grid.cellWidth() - 1, grid.cellHeight() - 1);
        if (cell.isEmpty()) return;
        double labelHeight = 1.25 * pen.em();
        double radius =
                Math.max(5, Math.min(grid.cellWidth(), grid.cellHeight() - labelHeight) / 2 - 5);
        CellMark.of(cell.get(), desk.ledger().state())
                .draw(
                        pen,
                        x + grid.cellWidth() / 2,
                        y + (grid.cellHeight() - labelHeight) / 2 + 1,
                        radius);
        boolean fits = grid.cellWidth() > 3.4 * pen.em();
        if (fits)
            pen.narrowText(
                    Hue.INK,
                    0.88,
                    isSelected,
                    Anchor.CENTRE,
                    x + grid.cellWidth() / 2,
                    y + grid.cellHeight() - 0.75 * pen.em(),
                    cell.get().id().text());
    }

    private Optional<Integer> indexAt(MouseEvent mouse) {
        Point2D here = surface.sceneToLocal(mouse.getSceneX(), mouse.getSceneY());
        return grid(em, surface.getWidth(), surface.getHeight())
                .flatMap(grid -> grid.indexAt(here.getX(), here.getY()));
    }

    private void onPress(MouseEvent press) {
        requestFocus();
        indexAt(press)
                .ifPresent(index -> {
                    boolean inRange =
                            index >= Math.min(anchor, model.cursorProperty().get())
                                    && index <= Math.max(anchor, model.cursorProperty().get());
                    if (press.isShiftDown()) moveTo(index);
                    else if (!inRange || anchor == model.cursorProperty().get()) {
                        moveTo(index);
                        anchor = index;
                    }
                });
    }

    /// The cells between the two ends of the range, in the order they lie.
    private List<CellId> range() {
        List<CellId> cells = new ArrayList<>();
        int cursor = model.cursorProperty().get();
        model.trayProperty()
                .get()
                .ifPresent(tray -> {
                    for (int i = Math.min(anchor, cursor); i <= Math.max(anchor, cursor); i++)
                        if (i < tray.size())
                            Cells.of(desk.ledger().state()).at(tray.place(i)).ifPresent(cells::add);
                });
        return cells;
    }

    private void onDrag(MouseEvent drag) {
        if (range().isEmpty()) return;
        // the drop may be over a tray's button: it is heard of wherever the pointer is
        if (!isDragging) getScene().addEventFilter(MouseEvent.MOUSE_RELEASED, drop);
        isDragging = true;
        dropAt = indexAt(drag);
        setCursor(Cursor.CLOSED_HAND);
        surface.repaint();
    }

    /// A press inside a range that was not dragged takes just that place.
    private void onRelease(MouseEvent release) {
        if (release.isShiftDown()) return;
        indexAt(release)
                .ifPresent(index -> {
                    moveTo(index);
                    anchor = index;
                });
    }

    private void onDrop(MouseEvent release) {
        getScene().removeEventFilter(MouseEvent.MOUSE_RELEASED, drop);
        release.consume();
        List<CellId> cells = range();
        Optional<Place> to =
                indexAt(release)
                        .flatMap(index -> model.trayProperty().get().map(tray -> tray.place(index)))
                        .or(() ->
                                finder.trayAt(release.getSceneX(), release.getSceneY())
                                        .flatMap(model::firstFree));
        isDragging = false;
        dropAt = Optional.empty();
        setCursor(Cursor.DEFAULT);
        boolean sameSpot =
                to.isPresent()
                        && Cells.of(desk.ledger().state())
                                .at(to.get())
                                .filter(cells::contains)
                                .isPresent();
        if (to.isPresent() && !sameSpot) model.move(cells, to.get());
        anchor = model.cursorProperty().get();
        surface.repaint();
    }

    private void moveTo(int index) {
        model.moveTo(index);
        model.cellAtCursor()
                .ifPresentOrElse(desk.selection()::select, desk.selection()::selectNothing);
    }

    private void onKey(KeyEvent key) {
        int columns = model.trayProperty().get().map(Tray::columns).orElse(1);
        int cursor = model.cursorProperty().get();
        switch (key.getCode()) {
            case LEFT -> moveTo(cursor - 1);
            case RIGHT -> moveTo(cursor + 1);
            case UP -> moveTo(cursor - columns);
            case DOWN -> moveTo(cursor + columns);
            default -> {
                return;
            }
        }
        if (!key.isShiftDown()) anchor = model.cursorProperty().get();
        surface.repaint();
        key.consume();
    }
}
