package pentacell.desktop.faces;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.geometry.Point2D;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Rectangle;
import javafx.util.Duration;
import pentacell.core.build.Face;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Spot;
import pentacell.desktop.frame.Lane;
import pentacell.desktop.kit.PlotSurface;

/// Both faces of a pack side by side, the bottom one mirrored as it lies when the pack is turned
/// over: cans with their ends, strips in copper, joints numbered along the string.
public final class FacesPicture extends StackPane {
    /// More places are painted away from the window's thread.
    private static final int MOST_AT_ONCE = 600;

    private final PlotSurface plot = new PlotSurface((pen, width, height) -> {});
    private final Tooltip tip = new Tooltip();
    private final boolean showsCurrents;
    private Map<Spot, Figure> figures = Map.of();
    private final Lane lane;
    private Optional<JudgedLayout> shown = Optional.empty();
    private Optional<Spot> pressed = Optional.empty();
    private Optional<Point2D> grasped = Optional.empty();
    private FacesScale.Zoom zoom = FacesScale.Zoom.WHOLE;
    private Set<Spot> marked = Set.of();
    private Set<Spot> awaited = Set.of();
    private Optional<Consumer<Spot>> onKeepFree = Optional.empty();
    private Swap onSwap = (one, other, isWholeGroup) -> {};
    private Consumer<Spot> onPick = spot -> {};
    private Words words = spot -> "";

    /// Hears that a can was dragged onto another place, its group with it when Shift was held.
    public interface Swap {
        void swap(Spot one, Spot other, boolean isWholeGroup);
    }

    /// What is said of a can under the pointer.
    public interface Words {
        String of(Spot spot);
    }

    /// @param id of the drawing
    /// @param showsCurrents whether cans and strips are inked by what flows
    /// @param lane where large packs are painted
    public FacesPicture(String id, boolean showsCurrents, Lane lane) {
        this.showsCurrents = showsCurrents;
        this.lane = lane;
        plot.setId(id);
        getChildren().add(plot);
        setMinHeight(140);
        Rectangle frame = new Rectangle();
        frame.widthProperty().bind(widthProperty());
        frame.heightProperty().bind(heightProperty());
        setClip(frame);
        tip.setShowDelay(Duration.millis(150));
        tip.setShowDuration(Duration.INDEFINITE);
        Tooltip.install(plot, tip);
        plot.setOnMousePressed(event -> {
            pressed = event.getButton() == MouseButton.PRIMARY ? spotAt(event) : Optional.empty();
            grasped =
                    event.getButton() == MouseButton.SECONDARY
                            ? Optional.empty()
                            : Optional.of(new Point2D(event.getX(), event.getY()));
        });
        plot.setOnMouseDragged(this::dragged);
        plot.setOnMouseReleased(this::released);
        plot.setOnScroll(event -> {
            if (!event.isControlDown() || event.getDeltaY() == 0) return;
            lookAt(zoom.by(event.getDeltaY() > 0 ? 1.25 : 0.8, event.getX(), event.getY()));
            event.consume();
        });
        plot.setOnContextMenuRequested(event -> {
            if (onKeepFree.isEmpty()) return;
            spotAt(event.getX(), event.getY())
                    .ifPresent(
                            spot -> menu(spot).show(plot, event.getScreenX(), event.getScreenY()));
        });
        plot.setOnMouseMoved(event -> {
            Optional<Spot> over = spotAt(event);
            tip.setText(over.map(words::of).orElse("Point at a can."));
        });
    }

    /// Hears that a can was dragged onto another place.
    public void onSwap(Swap action) {
        onSwap = action;
    }

    /// Hears that a place was clicked.
    public void onPick(Consumer<Spot> action) {
        onPick = action;
    }

    /// Hears that a place shall be kept free, or no longer.
    public void onKeepFree(Consumer<Spot> action) {
        onKeepFree = Optional.of(action);
    }

    /// What is said of what lies under the pointer.
    public void words(Words source) {
        words = source;
    }

    /// Shows a layout.
    public void show(Optional<JudgedLayout> arrangement) {
        if (!holder(arrangement).equals(holder(shown))) zoom = FacesScale.Zoom.WHOLE;
        shown = arrangement;
        repaint();
    }

    private static Optional<Grid> holder(Optional<JudgedLayout> arrangement) {
        return arrangement.map(now -> now.layout().grid());
    }

    /// A figure that stands on a can in the place of its group's number.
    ///
    /// @param ink of the can, 0 to 1
    /// @param isOdd whether it is marked as odd
    public record Figure(String text, double ink, boolean isOdd) {}

    /// Shows figures on some cans.
    public void figures(Map<Spot, Figure> shownFigures) {
        if (figures.equals(shownFigures)) return;
        figures = Map.copyOf(shownFigures);
        repaint();
    }

    /// Says which cans are not in the holder yet.
    public void await(Set<Spot> spots) {
        if (awaited.equals(spots)) return;
        awaited = Set.copyOf(spots);
        repaint();
    }

    private void lookAt(FacesScale.Zoom wanted) {
        zoom = wanted;
        repaint();
    }

    /// Goes nearer, or farther below 1, with the middle held.
    public void nearer(double factor) {
        lookAt(zoom.by(factor, plot.getWidth() / 2, plot.getHeight() / 2));
    }

    private ContextMenu menu(Spot spot) {
        boolean isKept =
                shown.map(now -> now.layout().grid().keptFree().contains(spot)).orElse(false);
        MenuItem item = new MenuItem(isKept ? "May be filled again" : "Keep this place free");
        item.setOnAction(pressed -> onKeepFree.ifPresent(action -> action.accept(spot)));
        return new ContextMenu(item);
    }

    /// The picture itself is pushed; it is painted anew where it is let go.
    private void dragged(MouseEvent event) {
        // from can to can is an exchange; the sheet beside them, or the middle button, moves all
        if (pressed.isPresent() || zoom.times() == 1) return;
        grasped.ifPresent(from -> {
            plot.setTranslateX(plot.getTranslateX() + event.getX() - from.getX());
            plot.setTranslateY(plot.getTranslateY() + event.getY() - from.getY());
        });
    }

    private void letGo() {
        grasped = Optional.empty();
        double x = plot.getTranslateX();
        double y = plot.getTranslateY();
        if (x == 0 && y == 0) return;
        zoom = zoom.moved(x, y);
        repaint();
    }

    private void atItsPlace() {
        plot.setTranslateX(0);
        plot.setTranslateY(0);
    }

    /// Marks some cans.
    public void mark(Set<Spot> spots) {
        marked = Set.copyOf(spots);
        repaint();
    }

    private void repaint() {
        if (shown.isEmpty()) {
            plot.repaint((pen, width, height) -> {});
            return;
        }
        JudgedLayout now = shown.get();
        Set<Spot> cans = marked;
        Set<Spot> waiting = awaited;
        FacesScale.Zoom near = zoom;
        Map<Spot, Figure> onCans = figures;
        PlotSurface.Painter painter =
                (pen, width, height) ->
                        new FacesDrawing(
                                        pen,
                                        now,
                                        new FacesDrawing.OnCans(cans, waiting, onCans),
                                        showsCurrents,
                                        near,
                                        width,
                                        height)
                                .paint();
        Grid grid = now.layout().grid();
        if (grid.columns() * grid.rows() <= MOST_AT_ONCE) {
            atItsPlace();
            plot.repaint(painter);
        } else
            plot.repaint(
                    painter,
                    (work, done) ->
                            lane.run(
                                    Executors.callable(work),
                                    did -> {
                                        done.run();
                                        if (grasped.isEmpty()) atItsPlace();
                                    }));
    }

    private void released(MouseEvent event) {
        if (event.getButton() != MouseButton.PRIMARY) {
            pressed = Optional.empty();
            letGo();
            return;
        }
        if (event.getClickCount() == 2 && pressed.isEmpty()) lookAt(FacesScale.Zoom.WHOLE);
        Optional<Spot> to = spotAt(event);
        if (pressed.isPresent() && to.isPresent()) {
            if (pressed.equals(to)) onPick.accept(to.get());
            else onSwap.swap(pressed.get(), to.get(), event.isShiftDown());
        }
        pressed = Optional.empty();
        letGo();
    }

    private Optional<Spot> spotAt(MouseEvent event) {
        return spotAt(event.getX(), event.getY());
    }

    private Optional<Spot> spotAt(double x, double y) {
        if (shown.isEmpty()) return Optional.empty();
        Grid grid = shown.get().layout().grid();
        FacesScale scale =
                FacesScale.of(grid, plot.getWidth(), plot.getHeight(), plot.em()).nearer(zoom);
        double reach = grid.pitchMillimetres() * scale.pixels() * 0.55;
        for (Face face : Face.values())
            for (int row = 0; row < grid.rows(); row++)
                for (int column = 0; column < grid.columns(); column++) {
                    Spot spot = new Spot(column, row);
                    double apart =
                            PlotSurface.distance(
                                    x,
                                    y,
                                    scale.x(face, grid.alongMillimetres(spot)),
                                    scale.y(grid.acrossMillimetres(spot)));
                    if (apart < reach) return Optional.of(spot);
                }
        return Optional.empty();
    }
}
