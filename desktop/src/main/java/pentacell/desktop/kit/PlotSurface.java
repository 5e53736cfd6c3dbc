package pentacell.desktop.kit;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.css.CssMetaData;
import javafx.css.Styleable;
import javafx.css.StyleableProperty;
import javafx.css.StyleablePropertyFactory;
import javafx.scene.SnapshotParameters;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.text.Font;
import javafx.scene.transform.Transform;

/// A surface that a plot is painted on. Its colours and type come from the theme's style sheet,
/// never from Java; it paints itself anew when its size, its style or what it shows changes.
public final class PlotSurface extends Region {
    private static final StyleablePropertyFactory<PlotSurface> STYLE =
            new StyleablePropertyFactory<>(Region.getClassCssMetaData());

    private Canvas canvas = new Canvas();
    private Painter painter;
    private Optional<Elsewhere> elsewhere = Optional.empty();
    private final AtomicLong lastAsked = new AtomicLong();

    private final StyleableProperty<Color> ink = color("ink", s -> s.ink);
    private final StyleableProperty<Color> second = color("second", s -> s.second);
    private final StyleableProperty<Color> rule = color("rule", s -> s.rule);
    private final StyleableProperty<Color> sheet = color("sheet", s -> s.sheet);
    private final StyleableProperty<Color> ground = color("ground", s -> s.ground);
    private final StyleableProperty<Color> accent = color("accent", s -> s.accent);
    private final StyleableProperty<Color> focus = color("focus", s -> s.focus);
    private final StyleableProperty<Color> measured = color("measured", s -> s.measured);
    private final StyleableProperty<Color> caution = color("caution", s -> s.caution);
    private final StyleableProperty<Color> stop = color("stop", s -> s.stop);
    private final StyleableProperty<Color> rampLow = color("ramp-low", s -> s.rampLow);
    private final StyleableProperty<Color> rampHigh = color("ramp-high", s -> s.rampHigh);
    private final StyleableProperty<Font> font =
            STYLE.createStyleableFontProperty(
                    this, "font", "-fx-font", s -> s.font, Font.getDefault(), true);

    /// Paints what a plot shows.
    public interface Painter {
        /// Paints on a cleared surface.
        ///
        /// @param width in pixels
        /// @param height in pixels
        void paint(Pen pen, double width, double height);

        /// The painter with all that it needs of a surface's colours, asked on the UI thread before
        /// it paints elsewhere.
        default Painter inColoursOf(PlotSurface surface) {
            return this;
        }
    }

    /// A place to paint that is not the UI thread.
    public interface Elsewhere {
        /// Does work there.
        ///
        /// @param done run on the UI thread afterwards
        void run(Runnable work, Runnable done);
    }

    public PlotSurface(Painter painter) {
        this.painter = painter;
        getStyleClass().add("plot");
        show(canvas);
        for (StyleableProperty<?> property :
                List.of(
                        ink, second, rule, sheet, ground, accent, focus, measured, caution, stop,
                        rampLow, rampHigh, font))
            if (property instanceof ObjectProperty<?> observed)
                observed.subscribe(this::requestLayout);
    }

    /// Puts a canvas in the place of the one before.
    private void show(Canvas shown) {
        canvas = shown;
        canvas.setMouseTransparent(true);
        // the canvas follows the surface; managed it would hold the surface open
        canvas.setManaged(false);
        getChildren().setAll(canvas);
    }

    private StyleableProperty<Color> color(
            String name,
            java.util.function.Function<PlotSurface, StyleableProperty<Color>> property) {
        return STYLE.createStyleableColorProperty(
                this, name, "-plot-" + name, property, Color.GRAY, true);
    }

    /// Paints with another painter from the next pulse on.
    public void repaint(Painter other) {
        elsewhere = Optional.empty();
        painter = other;
        requestLayout();
    }

    /// Paints with another painter, away from the UI thread: what was there before stays until the
    /// new picture is done.
    ///
    /// @param other uses nothing that changes
    public void repaint(Painter other, Elsewhere place) {
        elsewhere = Optional.of(place);
        painter = other;
        requestLayout();
    }

    /// Paints again at the next pulse.
    public void repaint() {
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double width = Math.floor(getWidth());
        double height = Math.floor(getHeight());
        if (elsewhere.isPresent() && width > 0 && height > 0) {
            paintElsewhere(elsewhere.get(), width, height);
            return;
        }
        lastAsked.incrementAndGet();
        canvas.setWidth(width);
        canvas.setHeight(height);
        if (width <= 0 || height <= 0) return;
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.clearRect(0, 0, width, height);
        painter.paint(new Pen(graphics, this), width, height);
    }

    private void paintElsewhere(Elsewhere place, double width, double height) {
        Painter now = painter.inColoursOf(this);
        long asked = lastAsked.incrementAndGet();
        // a canvas in no scene belongs to no thread
        Canvas fresh = new Canvas(width, height);
        Pen pen = new Pen(fresh.getGraphicsContext2D(), this);
        place.run(
                () -> {
                    if (asked == lastAsked.get()) now.paint(pen, width, height);
                },
                () -> {
                    if (asked == lastAsked.get()) show(fresh);
                });
    }

    @Override
    public List<CssMetaData<? extends Styleable, ?>> getCssMetaData() {
        return STYLE.getCssMetaData();
    }

    /// A colour of the theme.
    public enum Hue {
        INK,
        SECOND,
        RULE,
        SHEET,
        GROUND,
        ACCENT,
        FOCUS,
        MEASURED,
        CAUTION,
        STOP
    }

    /// Draws marks once, in the colours of now, to be stamped later.
    ///
    /// @param radius how far they reach from their middle, in pixels
    /// @param drawings each draws a mark with its middle at the origin
    public <T> Map<T, Image> stamps(double radius, Map<T, Consumer<Pen>> drawings) {
        Map<T, Image> stamps = new HashMap<>();
        drawings.forEach((mark, drawing) -> stamps.put(mark, stamp(radius, drawing)));
        return stamps;
    }

    private Image stamp(double radius, Consumer<Pen> drawing) {
        double half = Math.ceil(radius);
        Canvas plate = new Canvas(2 * half, 2 * half);
        plate.getGraphicsContext2D().translate(half, half);
        drawing.accept(new Pen(plate.getGraphicsContext2D(), this));
        double fine = getScene() == null ? 1 : getScene().getWindow().getRenderScaleX();
        SnapshotParameters clear = new SnapshotParameters();
        clear.setFill(Color.TRANSPARENT);
        clear.setTransform(Transform.scale(fine, fine));
        return plate.snapshot(clear, null);
    }

    Paint paint(Hue hue) {
        return switch (hue) {
            case INK -> ink.getValue();
            case SECOND -> second.getValue();
            case RULE -> rule.getValue();
            case SHEET -> sheet.getValue();
            case GROUND -> ground.getValue();
            case ACCENT -> accent.getValue();
            case FOCUS -> focus.getValue();
            case MEASURED -> measured.getValue();
            case CAUTION -> caution.getValue();
            case STOP -> stop.getValue();
        };
    }

    Paint ramp(double share) {
        return rampLow.getValue().interpolate(rampHigh.getValue(), Math.clamp(share, 0, 1));
    }

    /// The size of the theme's type in pixels.
    public double em() {
        return typeface().getSize();
    }

    Font typeface() {
        return font.getValue();
    }

    /// How far two points lie apart on the surface, in pixels.
    public static double distance(double x, double y, double otherX, double otherY) {
        return Math.hypot(x - otherX, y - otherY);
    }
}
