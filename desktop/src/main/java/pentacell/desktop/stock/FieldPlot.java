package pentacell.desktop.stock;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import pentacell.core.cell.CellId;
import pentacell.core.school.GradePolicy;
import pentacell.core.stock.GradeEffect;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.stock.StockModel.Row;

/// The field: capacity across, resistance up, a shape for each model, its 2 σ ellipse, the 80 %
/// limits, and a histogram along each side. Dragging brushes cells, a click selects one, Escape
/// drops the brush.
final class FieldPlot extends StackPane {
    private static final double NEAR_PIXELS = 12;

    private final Desk desk;
    private final StockModel model;
    private final PlotSurface surface = new PlotSurface((pen, width, height) -> {});

    /// What the hand does, over the field, which is not painted anew for it.
    private final PlotSurface hand = new PlotSurface(this::paintHand);

    private FieldPicture picture =
            FieldPicture.of(StockModel.Shown.NOTHING, List.of(), GradePolicy.USUAL);
    private Optional<Brush> brush = Optional.empty();
    private Optional<FieldLimits.Held> held = Optional.empty();
    private Optional<GradePolicy> wanted = Optional.empty();

    private record Brush(double fromX, double fromY, double toX, double toY) {
        boolean holds(double x, double y) {
            return x >= Math.min(fromX, toX)
                    && x <= Math.max(fromX, toX)
                    && y >= Math.min(fromY, toY)
                    && y <= Math.max(fromY, toY);
        }

        boolean isDrag() {
            return Math.abs(toX - fromX) + Math.abs(toY - fromY) > 5;
        }
    }

    FieldPlot(Desk desk, StockModel model) {
        this.desk = desk;
        this.model = model;
        setId("field");
        setAccessibleRole(AccessibleRole.NODE);
        setAccessibleText("Capacity against resistance; drag to brush, click to select");
        setFocusTraversable(true);
        getChildren().addAll(surface, hand);
        hand.setMouseTransparent(true);
        model.shownProperty().subscribe(this::show);
        desk.selection().cellProperty().subscribe(selected -> hand.repaint());
        setOnMousePressed(press -> {
            requestFocus();
            held =
                    area().flatMap(field ->
                            FieldLimits.under(picture, field, press.getX(), press.getY()));
            if (held.isPresent()) return;
            brush = Optional.of(new Brush(press.getX(), press.getY(), press.getX(), press.getY()));
        });
        setOnMouseMoved(move ->
                setCursor(
                        area().flatMap(field ->
                                        FieldLimits.under(picture, field, move.getX(), move.getY()))
                                .map(line ->
                                        line instanceof FieldLimits.Health
                                                ? Cursor.H_RESIZE
                                                : Cursor.V_RESIZE)
                                .orElse(Cursor.DEFAULT)));
        model.effectProperty().subscribe(found -> hand.repaint());
        setOnMouseDragged(drag -> {
            if (held.isPresent()) {
                wanted = held.map(line -> line.at(drag.getX(), drag.getY()));
                wanted.ifPresent(model::tryLimits);
                hand.repaint();
                return;
            }
            brush = brush.map(b -> new Brush(b.fromX(), b.fromY(), drag.getX(), drag.getY()));
            hand.repaint();
        });
        setOnMouseReleased(this::finishBrush);
        setOnKeyPressed(key -> {
            if (key.getCode() != KeyCode.ESCAPE) return;
            if (held.isPresent()) {
                letGo(Optional.empty());
                return;
            }
            model.brush(Set.of());
        });
    }

    private void show(StockModel.Shown shown) {
        picture = FieldPicture.of(shown, List.copyOf(model.models().keySet()), model.policy());
        if (picture.isCrowded())
            surface.repaint(
                    picture,
                    (work, done) ->
                            desk.work()
                                    .lane("field")
                                    .run(
                                            () -> {
                                                work.run();
                                                return true;
                                            },
                                            painted -> done.run()));
        else surface.repaint(picture);
        hand.repaint();
    }

    private Optional<FieldPicture.Area> area() {
        return picture.area(surface.em(), Math.floor(getWidth()), Math.floor(getHeight()));
    }

    private void letGo(Optional<GradePolicy> limits) {
        held = Optional.empty();
        wanted = Optional.empty();
        model.setLimits(limits);
        hand.repaint();
    }

    private void finishBrush(MouseEvent release) {
        if (held.isPresent()) {
            letGo(wanted);
            return;
        }
        Optional<Brush> drawn = brush;
        brush = Optional.empty();
        if (drawn.isEmpty() || area().isEmpty()) return;
        FieldPicture.Area field = area().get();
        if (drawn.get().isDrag()) {
            Set<CellId> held = new HashSet<>();
            for (Row row : picture.points())
                if (drawn.get()
                        .holds(
                                field.x().pixel(FieldPicture.capacity(row)),
                                field.y().pixel(FieldPicture.resistance(row))))
                    held.add(row.cell().id());
            model.brush(held);
        } else {
            nearest(field, release.getX(), release.getY()).ifPresent(desk.selection()::select);
        }
        hand.repaint();
    }

    /// The limits the hand holds, and what they would do.
    private void paintWanted(Pen pen, FieldPicture.Area field, GradePolicy limits) {
        for (double rated : picture.ratings().values()) {
            double x = field.x().pixel(rated * limits.minSohShare());
            if (x > field.x().first() && x < field.x().last())
                pen.line(Hue.ACCENT, 1.5, x, field.y().last(), x, field.y().first());
        }
        double y = FieldLimits.y(field, limits);
        pen.line(Hue.ACCENT, 1.5, field.x().first(), y, field.x().last(), y);
        String words =
                model.effectProperty()
                        .get()
                        .filter(found -> found.policy().equals(limits))
                        .map(FieldPlot::words)
                        .orElse("…");
        double em = pen.em();
        double left = field.x().first() + em;
        pen.fill(Hue.SHEET, 0.95, left, field.y().last() + 4 * em, 30 * em, 2 * em);
        pen.frame(Hue.ACCENT, 1, left, field.y().last() + 4 * em, 30 * em, 2 * em);
        pen.text(
                Hue.INK,
                1,
                true,
                Pen.Anchor.LEFT,
                left + 0.6 * em,
                field.y().last() + 5 * em,
                "From %s of rated%s: %s"
                        .formatted(
                                Quantity.PERCENT.text(100 * limits.minSohShare(), 0),
                                limits.maxMilliohms().isPresent()
                                        ? ", up to "
                                                + Quantity.RESISTANCE.text(
                                                        limits.maxMilliohms().getAsDouble(), 0)
                                        : "",
                                words));
    }

    private static String words(GradeEffect effect) {
        if (effect.goingOut() == 0 && effect.comingIn() == 0)
            return "nothing changes, " + Count.of(effect.left(), "cell", "cells");
        String more = effect.comingIn() == 0 ? "" : effect.comingIn() + " more";
        String out = effect.goingOut() == 0 ? "" : effect.goingOut() + " go out";
        return "%s%s%s, %s left"
                .formatted(
                        more,
                        more.isEmpty() || out.isEmpty() ? "" : ", ",
                        effect.goingOut() == 1 ? "1 goes out" : out,
                        Count.of(effect.left(), "cell", "cells"));
    }

    private Optional<CellId> nearest(FieldPicture.Area field, double x, double y) {
        double least = NEAR_PIXELS;
        Optional<CellId> nearest = Optional.empty();
        for (Row row : picture.points()) {
            double distance =
                    PlotSurface.distance(
                            field.x().pixel(FieldPicture.capacity(row)),
                            field.y().pixel(FieldPicture.resistance(row)),
                            x,
                            y);
            if (distance >= least) continue;
            least = distance;
            nearest = Optional.of(row.cell().id());
        }
        return nearest;
    }

    private void paintHand(Pen pen, double width, double height) {
        Optional<FieldPicture.Area> field = area();
        if (field.isPresent() && wanted.isPresent()) paintWanted(pen, field.get(), wanted.get());
        if (field.isPresent())
            desk.selection()
                    .cell()
                    .filter(cell ->
                            cell.milliampHours().isPresent() && cell.milliohms().isPresent())
                    .filter(cell ->
                            picture.points().stream()
                                    .anyMatch(row -> row.cell().id().equals(cell.id())))
                    .ifPresent(cell -> {
                        double x = field.get().x().pixel(cell.milliampHours().orElseThrow());
                        double y = field.get().y().pixel(cell.milliohms().orElseThrow());
                        pen.disc(Hue.FOCUS, 0.25, x, y, 11);
                        pen.arc(Hue.FOCUS, 2, x, y, 11, 1);
                    });
        brush.filter(Brush::isDrag)
                .ifPresent(b -> {
                    double x = Math.min(b.fromX(), b.toX());
                    double y = Math.min(b.fromY(), b.toY());
                    pen.fill(
                            Hue.FOCUS,
                            0.12,
                            x,
                            y,
                            Math.abs(b.toX() - b.fromX()),
                            Math.abs(b.toY() - b.fromY()));
                    pen.frame(
                            Hue.FOCUS,
                            1,
                            x,
                            y,
                            Math.abs(b.toX() - b.fromX()),
                            Math.abs(b.toY() - b.fromY()));
                });
    }
}
