package pentacell.desktop.kit;

import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.shape.ArcType;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import pentacell.desktop.kit.PlotSurface.Hue;

/// Draws on a plot surface in the colours of its theme.
public final class Pen {
    private final GraphicsContext graphics;
    private final PlotSurface surface;

    Pen(GraphicsContext graphics, PlotSurface surface) {
        this.graphics = graphics;
        this.surface = surface;
        graphics.setFont(surface.typeface());
        graphics.setLineWidth(1);
        graphics.setLineDashes();
        graphics.setGlobalAlpha(1);
    }

    /// The size of the theme's type in pixels; lengths that go with text are multiples of it.
    public double em() {
        return surface.typeface().getSize();
    }

    /// A line of one pixel or more.
    public void line(Hue hue, double width, double x1, double y1, double x2, double y2) {
        graphics.setStroke(surface.paint(hue));
        graphics.setLineWidth(width);
        // half a pixel in, or a hairline blurs over two rows
        double shift = width % 2 == 1 ? 0.5 : 0;
        graphics.strokeLine(
                Math.floor(x1) + shift,
                Math.floor(y1) + shift,
                Math.floor(x2) + shift,
                Math.floor(y2) + shift);
    }

    /// A line where it is, not fitted to pixels: for curves.
    public void stroke(Hue hue, double width, double x1, double y1, double x2, double y2) {
        graphics.setStroke(surface.paint(hue));
        graphics.setLineWidth(width);
        graphics.strokeLine(x1, y1, x2, y2);
    }

    /// Lines drawn from here on are dashed; no lengths end it.
    public void dashes(double... lengths) {
        graphics.setLineDashes(lengths);
    }

    /// A filled rectangle.
    public void fill(Hue hue, double opacity, double x, double y, double width, double height) {
        graphics.setFill(faded(surface.paint(hue), opacity));
        graphics.fillRect(x, y, width, height);
    }

    /// A rectangle filled from the ramp of quantities: 0 light, 1 dark.
    public void fillRamp(double share, double x, double y, double width, double height) {
        graphics.setFill(surface.ramp(share));
        graphics.fillRect(x, y, width, height);
    }

    /// A rectangle filled with slanted lines, some pixels apart.
    public void hatch(Hue hue, double apart, double x, double y, double width, double height) {
        graphics.save();
        graphics.beginPath();
        graphics.rect(x, y, width, height);
        graphics.clip();
        graphics.setStroke(surface.paint(hue));
        graphics.setLineWidth(1);
        for (double at = x - height; at < x + width; at += apart)
            graphics.strokeLine(at, y + height, at + height, y);
        graphics.restore();
    }

    /// The outline of a rectangle.
    public void frame(Hue hue, double lineWidth, double x, double y, double width, double height) {
        graphics.setStroke(surface.paint(hue));
        graphics.setLineWidth(lineWidth);
        graphics.strokeRect(
                Math.floor(x) + 0.5, Math.floor(y) + 0.5, Math.floor(width), Math.floor(height));
    }

    /// A disc filled from the ramp of quantities.
    public void discRamp(double share, double x, double y, double radius) {
        graphics.setFill(surface.ramp(share));
        graphics.fillOval(x - radius, y - radius, 2 * radius, 2 * radius);
    }

    /// A filled disc.
    public void disc(Hue hue, double opacity, double x, double y, double radius) {
        graphics.setFill(faded(surface.paint(hue), opacity));
        graphics.fillOval(x - radius, y - radius, 2 * radius, 2 * radius);
    }

    /// Part of a circle, clockwise from the top.
    ///
    /// @param share 1 is the whole circle
    public void arc(Hue hue, double width, double x, double y, double radius, double share) {
        graphics.setStroke(surface.paint(hue));
        graphics.setLineWidth(width);
        graphics.strokeArc(
                x - radius,
                y - radius,
                2 * radius,
                2 * radius,
                90,
                -360 * Math.clamp(share, 0, 1),
                ArcType.OPEN);
    }

    /// An ellipse with its axes turned.
    public void ellipse(
            Hue hue,
            double width,
            double x,
            double y,
            double radiusX,
            double radiusY,
            double degrees) {
        graphics.save();
        graphics.translate(x, y);
        graphics.rotate(degrees);
        graphics.setStroke(surface.paint(hue));
        graphics.setLineWidth(width);
        graphics.strokeOval(-radiusX, -radiusY, 2 * radiusX, 2 * radiusY);
        graphics.restore();
    }

    /// A filled or outlined polygon.
    public void polygon(Hue hue, boolean filled, double[] x, double[] y) {
        if (filled) {
            graphics.setFill(surface.paint(hue));
            graphics.fillPolygon(x, y, x.length);
        } else {
            graphics.setStroke(surface.paint(hue));
            graphics.setLineWidth(1.2);
            graphics.strokePolygon(x, y, x.length);
        }
    }

    /// A stamp with its middle at a point, fitted to pixels: for marks by the thousand.
    ///
    /// @param radius as when it was drawn
    public void stamp(Image stamp, double radius, double x, double y) {
        double half = Math.ceil(radius);
        graphics.drawImage(stamp, Math.round(x) - half, Math.round(y) - half, 2 * half, 2 * half);
    }

    /// Where a text stands relative to its point.
    public enum Anchor {
        LEFT,
        CENTRE,
        RIGHT
    }

    /// A text with its middle line at y.
    ///
    /// @param size in em
    public void text(
            Hue hue, double size, boolean bold, Anchor anchor, double x, double y, String text) {
        text(hue, size, bold, anchor, x, y, text, surface.typeface().getFamily());
    }

    /// How wide a text is, in pixels.
    ///
    /// @param size in em
    public double width(String text, double size) {
        Text measured = new Text(text);
        measured.setFont(Font.font(surface.typeface().getFamily(), size * em()));
        return measured.getLayoutBounds().getWidth();
    }

    /// A narrow text for tight places; letters and digits only, its cut has no Greek.
    public void narrowText(
            Hue hue, double size, boolean bold, Anchor anchor, double x, double y, String text) {
        text(hue, size, bold, anchor, x, y, text, surface.typeface().getFamily() + " Condensed");
    }

    private void text(
            Hue hue,
            double size,
            boolean bold,
            Anchor anchor,
            double x,
            double y,
            String text,
            String family) {
        graphics.setFill(surface.paint(hue));
        // each weight of the typeface is a family of its own
        graphics.setFont(Font.font(bold ? family + " SemiBold" : family, size * em()));
        graphics.setTextBaseline(VPos.CENTER);
        graphics.setTextAlign(
                switch (anchor) {
                    case LEFT -> TextAlignment.LEFT;
                    case CENTRE -> TextAlignment.CENTER;
                    case RIGHT -> TextAlignment.RIGHT;
                });
        graphics.fillText(text, x, y);
    }

    private static Paint faded(Paint paint, double opacity) {
        return paint instanceof Color color && opacity < 1
                ? color.deriveColor(0, 1, 1, opacity)
                : paint;
    }
}
