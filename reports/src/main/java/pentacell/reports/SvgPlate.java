package pentacell.reports;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.FontRenderContext;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.InputStream;
import org.jfree.svg.SVGGraphics2D;
import org.jfree.svg.SVGUnits;

/// A picture file of lines and texts (SVG), in millimetres for whoever prints it.
final class SvgPlate implements Plate {
    private static final double MILLIMETRES_A_POINT = 25.4 / 72;

    /// A picture file counts in 96ths of an inch, a plate in 72nds.
    private static final double UNITS_A_POINT = 96.0 / 72;

    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

    private final SVGGraphics2D pen;
    private final Font regular;
    private final Font bold;

    SvgPlate(double width, double height) throws IOException {
        pen =
                new SVGGraphics2D(
                        width * MILLIMETRES_A_POINT, height * MILLIMETRES_A_POINT, SVGUnits.MM);
        pen.scale(UNITS_A_POINT, UNITS_A_POINT);
        regular = font("PlexSans-Regular");
        bold = font("PlexSans-SemiBold");
    }

    private static Font font(String name) throws IOException {
        try (InputStream in = Fonts.open(name)) {
            return Font.createFont(Font.TRUETYPE_FONT, in);
        } catch (FontFormatException broken) {
            throw new IOException(name + " is no font", broken);
        }
    }

    String text() {
        return pen.getSVGDocument();
    }

    private void ink(double strength) {
        float white = (float) (1 - Math.clamp(strength, 0, 1));
        pen.setPaint(new Color(white, white, white));
    }

    @Override
    public void fill(double ink, double x, double y, double width, double height) {
        ink(ink);
        pen.fill(new Rectangle2D.Double(x, y, width, height));
    }

    @Override
    public void frame(double thickness, double x, double y, double width, double height) {
        ink(1);
        pen.setStroke(new BasicStroke((float) thickness));
        pen.draw(new Rectangle2D.Double(x, y, width, height));
    }

    @Override
    public void line(double thickness, double x1, double y1, double x2, double y2) {
        ink(1);
        pen.setStroke(new BasicStroke((float) thickness));
        pen.draw(new Line2D.Double(x1, y1, x2, y2));
    }

    @Override
    public void disc(double ink, double x, double y, double radius) {
        ink(ink);
        pen.fill(new Ellipse2D.Double(x - radius, y - radius, 2 * radius, 2 * radius));
    }

    @Override
    public void text(
            Anchor anchor, boolean isBold, double size, double x, double baseline, String text) {
        ink(1);
        Font font = (isBold ? bold : regular).deriveFont((float) size);
        double width = font.getStringBounds(text, EXACT).getWidth();
        double left =
                switch (anchor) {
                    case LEFT -> x;
                    case MIDDLE -> x - width / 2;
                    case RIGHT -> x - width;
                };
        pen.setFont(font);
        pen.drawString(text, (float) left, (float) baseline);
    }
}
