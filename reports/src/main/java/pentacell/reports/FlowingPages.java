package pentacell.reports;

import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;

/// Pages that are written from top to bottom; what does not fit goes on the next.
final class FlowingPages implements AutoCloseable {
    static final float LINE = 15;
    static final float TEXT = 9;
    private static final float FIRST_LINE = 56;

    private final PDDocument document;
    private final Paper paper;
    private final PDFont regular;
    private final PDFont bold;
    private Sheet sheet;
    private float y = FIRST_LINE;

    FlowingPages(PDDocument document, Paper paper) throws IOException {
        this.document = document;
        this.paper = paper;
        regular = Fonts.regular(document);
        bold = Fonts.bold(document);
        sheet = new Sheet(document, paper);
    }

    Sheet sheet() {
        return sheet;
    }

    PDFont regular() {
        return regular;
    }

    PDFont bold() {
        return bold;
    }

    /// The baseline of what is written next.
    float y() {
        return y;
    }

    void down(float by) {
        y += by;
    }

    void to(float baseline) {
        y = baseline;
    }

    float right() {
        return sheet.width() - Sheet.MARGIN;
    }

    float roomAcross() {
        return right() - Sheet.MARGIN;
    }

    /// Begins another page when so much does not fit any more.
    void room(float height) throws IOException {
        if (y + height >= sheet.height() - Sheet.MARGIN) nextPage();
    }

    void nextPage() throws IOException {
        sheet.close();
        sheet = new Sheet(document, paper);
        y = FIRST_LINE;
    }

    void title(String words) throws IOException {
        sheet.textWithin(bold, 18, 10, Sheet.MARGIN, y, roomAcross(), words);
        y += 20;
    }

    void heading(String words) throws IOException {
        room(3 * LINE);
        y += 10;
        sheet.text(bold, 12, Sheet.MARGIN, y, words);
        sheet.rule(Sheet.MARGIN, right(), y + 4, 1);
        y += LINE + 2;
    }

    /// A text broken into lines.
    void paragraph(PDFont font, float size, float left, String words) throws IOException {
        float wide = right() - left;
        room(LINE * sheet.broken(font, size, wide, words).size());
        y = sheet.paragraph(font, size, left, y, wide, words);
        y += 2;
    }

    @Override
    public void close() throws IOException {
        sheet.close();
    }
}
