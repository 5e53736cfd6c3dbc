package pentacell.reports;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;

/// A page to write on, measured in points from its top left corner.
final class Sheet implements AutoCloseable {
    static final float MARGIN = 42;

    private final PDPage page;
    private final PDPageContentStream ink;

    Sheet(PDDocument document, Paper paper) throws IOException {
        this(document, paper.size());
    }

    Sheet(PDDocument document, PDRectangle size) throws IOException {
        page = new PDPage(size);
        document.addPage(page);
        ink = new PDPageContentStream(document, page);
    }

    private Sheet(PDDocument document, PDPage page) throws IOException {
        this.page = page;
        ink = new PDPageContentStream(document, page, AppendMode.APPEND, true, true);
    }

    /// A page that was written before, to write on it again.
    ///
    /// @param number from 0
    static Sheet again(PDDocument document, int number) throws IOException {
        return new Sheet(document, document.getPage(number));
    }

    float width() {
        return page.getMediaBox().getWidth();
    }

    float height() {
        return page.getMediaBox().getHeight();
    }

    void text(PDFont font, float size, float x, float baseline, String text) throws IOException {
        ink.beginText();
        ink.setFont(font, size);
        ink.newLineAtOffset(x, height() - baseline);
        ink.showText(printable(font, text));
        ink.endText();
    }

    void textEndingAt(PDFont font, float size, float right, float baseline, String text)
            throws IOException {
        text(font, size, right - width(font, size, printable(font, text)), baseline, text);
    }

    void rule(float left, float right, float y, float thickness) throws IOException {
        ink.setLineWidth(thickness);
        ink.moveTo(left, height() - y);
        ink.lineTo(right, height() - y);
        ink.stroke();
    }

    /// A text no wider than there is room: its type gets smaller until it fits, and what does not
    /// fit at the least size is cut off with an ellipsis.
    void textWithin(
            PDFont font, float size, float least, float x, float baseline, float room, String text)
            throws IOException {
        float natural = width(font, size, printable(font, text));
        float fitting = natural <= room ? size : Math.max(least, size * room / natural);
        String shown = text;
        while (shown.length() > 1 && width(font, fitting, printable(font, shown)) > room + 0.5f)
            shown = shown.substring(0, shown.length() - 2).stripTrailing() + "…";
        text(font, fitting, x, baseline, shown);
    }

    /// A text broken into lines at spaces; returns the baseline under the last one.
    float paragraph(PDFont font, float size, float x, float baseline, float room, String text)
            throws IOException {
        float y = baseline;
        for (String line : broken(font, size, room, text)) {
            text(font, size, x, y, line);
            y += size * 1.35f;
        }
        return y;
    }

    /// A text in lines no wider than there is room, broken at spaces.
    List<String> broken(PDFont font, float size, float room, String text) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && width(font, size, printable(font, longer)) > room) {
                lines.add(line.toString());
                line.setLength(0);
                line.append(word);
            } else {
                line.setLength(0);
                line.append(longer);
            }
        }
        lines.add(line.toString());
        return lines;
    }

    float widthOf(PDFont font, float size, String text) throws IOException {
        return width(font, size, printable(font, text));
    }

    /// How strong the ink of what is filled next is: 0 for white, 1 for black.
    void shade(float strength) throws IOException {
        ink.setNonStrokingColor(1 - Math.clamp(strength, 0f, 1f));
    }

    void line(float x1, float y1, float x2, float y2, float thickness) throws IOException {
        ink.setLineWidth(thickness);
        ink.moveTo(x1, height() - y1);
        ink.lineTo(x2, height() - y2);
        ink.stroke();
    }

    /// What is drawn until [#unclip()] shows inside of a rectangle only.
    void clip(float left, float top, float width, float height) throws IOException {
        ink.saveGraphicsState();
        ink.addRect(left, height() - top - height, width, height);
        ink.clip();
    }

    void unclip() throws IOException {
        ink.restoreGraphicsState();
    }

    /// A filled circle, of four curves.
    void disc(float x, float y, float radius) throws IOException {
        float bend = 0.5523f * radius;
        float cy = height() - y;
        ink.moveTo(x + radius, cy);
        ink.curveTo(x + radius, cy + bend, x + bend, cy + radius, x, cy + radius);
        ink.curveTo(x - bend, cy + radius, x - radius, cy + bend, x - radius, cy);
        ink.curveTo(x - radius, cy - bend, x - bend, cy - radius, x, cy - radius);
        ink.curveTo(x + bend, cy - radius, x + radius, cy - bend, x + radius, cy);
        ink.fill();
    }

    /// A filled rectangle.
    void fill(float left, float top, float width, float height) throws IOException {
        ink.addRect(left, height() - top - height, width, height);
        ink.fill();
    }

    /// An empty box to tick, or a ticked one.
    void box(float left, float top, float side, boolean ticked) throws IOException {
        ink.setLineWidth(0.8f);
        ink.addRect(left, height() - top - side, side, side);
        ink.stroke();
        if (!ticked) return;
        ink.setLineWidth(1.2f);
        ink.moveTo(left + side * 0.2f, height() - top - side * 0.5f);
        ink.lineTo(left + side * 0.42f, height() - top - side * 0.78f);
        ink.lineTo(left + side * 0.82f, height() - top - side * 0.2f);
        ink.stroke();
    }

    private static float width(PDFont font, float size, String text) throws IOException {
        return font.getStringWidth(text) / 1000 * size;
    }

    /// Letters that the typeface lacks are printed as a question mark rather than failing the page.
    private static String printable(PDFont font, String text) {
        StringBuilder printable = new StringBuilder();
        text.codePoints()
                .forEach(point -> {
                    String letter = Character.toString(point);
                    try {
                        font.encode(letter);
                        printable.append(letter);
                    } catch (IllegalArgumentException missing) {
                        printable.append('?');
                    } catch (IOException failure) {
                        throw new UncheckedIOException(failure);
                    }
                });
        return printable.toString();
    }

    @Override
    public void close() throws IOException {
        ink.close();
    }
}
