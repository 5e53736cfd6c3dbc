package pentacell.reports;

import java.io.StringWriter;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/// A picture file of lines and texts (SVG 1.1), in millimetres for whoever prints it. What a text
/// holds that no XML may hold, such as a control character, is shown as a replacement character, so
/// that the file is always well formed.
final class SvgPlate implements Plate {
    private static final double MILLIMETRES_A_POINT = 25.4 / 72;
    private static final String NAMESPACE = "http://www.w3.org/2000/svg";
    private static final String FAMILY = "IBM Plex Sans, Noto Sans, Arial, sans-serif";
    private static final int SEMI_BOLD = 600;

    private final StringWriter written = new StringWriter();
    private final XMLStreamWriter pen;

    /// @param width in points, as everything on a plate
    SvgPlate(double width, double height) {
        try {
            pen = XMLOutputFactory.newFactory().createXMLStreamWriter(written);
            pen.writeStartDocument("UTF-8", "1.0");
            pen.writeCharacters("\n");
            pen.writeStartElement("svg");
            pen.writeDefaultNamespace(NAMESPACE);
            attributes(
                    "version",
                    "1.1",
                    "width",
                    number(width * MILLIMETRES_A_POINT) + "mm",
                    "height",
                    number(height * MILLIMETRES_A_POINT) + "mm",
                    "viewBox",
                    "0 0 %s %s".formatted(number(width), number(height)),
                    "font-family",
                    FAMILY);
            pen.writeCharacters("\n");
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /// The whole picture; nothing can be drawn after that.
    String text() {
        try {
            pen.writeEndElement();
            pen.writeEndDocument();
            pen.close();
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException(impossible);
        }
        return written.toString();
    }

    private void attributes(String... namesAndValues) throws XMLStreamException {
        for (int i = 0; i < namesAndValues.length; i += 2)
            pen.writeAttribute(namesAndValues[i], namesAndValues[i + 1]);
    }

    private void empty(String element, String... namesAndValues) {
        try {
            pen.writeEmptyElement(element);
            attributes(namesAndValues);
            pen.writeCharacters("\n");
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static String number(double value) {
        String text = String.format(Locale.ROOT, "%.3f", value);
        return text.replaceFirst("\\.?0+$", "");
    }

    /// @param strength of the ink, 0 to 1
    private static String colour(double strength) {
        long white = Math.round(255 * (1 - Math.clamp(strength, 0, 1)));
        return "#%1$02x%1$02x%1$02x".formatted(white);
    }

    @Override
    public void fill(double ink, double x, double y, double width, double height) {
        empty(
                "rect",
                "x",
                number(x),
                "y",
                number(y),
                "width",
                number(width),
                "height",
                number(height),
                "fill",
                colour(ink));
    }

    @Override
    public void frame(double thickness, double x, double y, double width, double height) {
        empty(
                "rect",
                "x",
                number(x),
                "y",
                number(y),
                "width",
                number(width),
                "height",
                number(height),
                "fill",
                "none",
                "stroke",
                colour(1),
                "stroke-width",
                number(thickness));
    }

    @Override
    public void line(double thickness, double x1, double y1, double x2, double y2) {
        empty(
                "line",
                "x1",
                number(x1),
                "y1",
                number(y1),
                "x2",
                number(x2),
                "y2",
                number(y2),
                "stroke",
                colour(1),
                "stroke-width",
                number(thickness),
                "stroke-linecap",
                "square");
    }

    @Override
    public void disc(double ink, double x, double y, double radius) {
        empty("circle", "cx", number(x), "cy", number(y), "r", number(radius), "fill", colour(ink));
    }

    @Override
    public void text(
            Anchor anchor, boolean isBold, double size, double x, double baseline, String text) {
        try {
            pen.writeStartElement("text");
            attributes(
                    "x",
                    number(x),
                    "y",
                    number(baseline),
                    "font-size",
                    number(size),
                    "text-anchor",
                    switch (anchor) {
                        case LEFT -> "start";
                        case MIDDLE -> "middle";
                        case RIGHT -> "end";
                    });
            if (isBold) attributes("font-weight", String.valueOf(SEMI_BOLD));
            pen.writeCharacters(ofXml(text));
            pen.writeEndElement();
            pen.writeCharacters("\n");
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /// The text with only such characters as XML 1.0 takes (production 2, "Char").
    private static String ofXml(String text) {
        StringBuilder plain = new StringBuilder();
        text.codePoints()
                .map(point -> isOfXml(point) ? point : 0xfffd)
                .forEach(plain::appendCodePoint);
        return plain.toString();
    }

    private static boolean isOfXml(int point) {
        return point == '\t'
                || point == '\n'
                || point == '\r'
                || point >= 0x20 && point <= 0xd7ff
                || point >= 0xe000 && point <= 0xfffd
                || point >= 0x10000;
    }
}
