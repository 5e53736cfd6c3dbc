package pentacell.reports;

import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;

/// Pages that are written from top to bottom; what does not fit goes on the next. A heading waits
/// for what follows it, so that it is never left alone at the foot of a page; every page has a
/// footer.
final class FlowingPages implements AutoCloseable {
    static final float LINE = 15;
    static final float TEXT = 9;
    private static final float FIRST_LINE = 56;

    private static final float HEADING = LINE + 12;
    private static final float UNDER_HEADING = 2 * LINE;

    private final PDDocument document;
    private final Paper paper;
    private final String of;
    private final String date;
    private final PDFont regular;
    private final PDFont bold;
    private Sheet sheet;
    private float y = FIRST_LINE;

    private Optional<String> heading = Optional.empty();

    /// @param of pack or lot, for the footer
    /// @param date the day, in words
    FlowingPages(PDDocument document, Paper paper, String of, String date) throws IOException {
        this.document = document;
        this.paper = paper;
        this.of = of;
        this.date = date;
        regular = Fonts.regular(document);
        bold = Fonts.bold(document);
        sheet = new Sheet(document, paper);
    }

    Sheet sheet() throws IOException {
        writeHeading(UNDER_HEADING);
        return sheet;
    }

    PDFont regular() {
        return regular;
    }

    PDFont bold() {
        return bold;
    }

    /// The baseline of what is written next.
    float y() throws IOException {
        writeHeading(UNDER_HEADING);
        return y;
    }

    void down(float by) throws IOException {
        writeHeading(UNDER_HEADING);
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
    ///
    /// @return whether it did
    boolean room(float height) throws IOException {
        if (heading.isPresent()) return writeHeading(height);
        boolean isFull = y + height >= sheet.height() - Sheet.MARGIN;
        if (isFull) nextPage();
        return isFull;
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

    /// A heading over what is written next.
    void heading(String words) throws IOException {
        writeHeading(UNDER_HEADING);
        heading = Optional.of(words);
    }

    /// Writes the heading that waits, with room for so much under it.
    ///
    /// @return whether that took another page
    private boolean writeHeading(float following) throws IOException {
        if (heading.isEmpty()) return false;
        String words = heading.get();
        heading = Optional.empty();
        boolean isMoved = room(HEADING + following);
        y += 10;
        sheet.text(bold, 12, Sheet.MARGIN, y, words);
        sheet.rule(Sheet.MARGIN, right(), y + 4, 1);
        y += LINE + 2;
        return isMoved;
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
        writeHeading(0);
        sheet.close();
        Footer.onEveryPage(document, of, date);
    }
}
