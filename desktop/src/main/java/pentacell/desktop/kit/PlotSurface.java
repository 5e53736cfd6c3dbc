package pentacell.desktop.kit;

import java.util.List;
import javafx.beans.property.ObjectProperty;
import javafx.css.CssMetaData;
import javafx.css.Styleable;
import javafx.css.StyleableProperty;
import javafx.css.StyleablePropertyFactory;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.text.Font;

/// A surface that a plot is painted on. Its colours and type come from the theme's style sheet,
/// never from Java; it paints itself anew when its size, its style or what it shows changes.
public final class PlotSurface extends Region {
    private static final StyleablePropertyFactory<PlotSurface> STYLE =
            new StyleablePropertyFactory<>(Region.getClassCssMetaData());

    private final Canvas canvas = new Canvas();
    private final Painter painter;

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
    }

    public PlotSurface(Painter painter) {
        this.painter = painter;
        getStyleClass().add("plot");
        getChildren().add(canvas);
        canvas.setMouseTransparent(true);
        // the canvas follows the surface; managed it would hold the surface open
        canvas.setManaged(false);
        for (StyleableProperty<?> property :
                List.of(
                        ink, second, rule, sheet, ground, accent, focus, measured, caution, stop,
                        rampLow, rampHigh, font))
            if (property instanceof ObjectProperty<?> observed)
                observed.subscribe(this::requestLayout);
    }

    private StyleableProperty<Color> color(
            String name,
            java.util.function.Function<PlotSurface, StyleableProperty<Color>> property) {
        return STYLE.createStyleableColorProperty(
                this, name, "-plot-" + name, property, Color.GRAY, true);
    }

    /// Paints again at the next pulse.
    public void repaint() {
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double width = Math.floor(getWidth());
        double height = Math.floor(getHeight());
        canvas.setWidth(width);
        canvas.setHeight(height);
        if (width <= 0 || height <= 0) return;
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.clearRect(0, 0, width, height);
        painter.paint(new Pen(graphics, this), width, height);
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

    Font typeface() {
        return font.getValue();
    }

    /// How far two points lie apart on the surface, in pixels.
    public static double distance(double x, double y, double otherX, double otherY) {
        return Math.hypot(x - otherX, y - otherY);
    }
}
