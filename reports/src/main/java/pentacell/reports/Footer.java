package pentacell.reports;

import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;

/// The line at the foot of every page: what the paper is of, its day, which page of how many. A
/// sheet that comes off the stack is known again.
final class Footer {
    private static final float SIZE = 8;
    private static final float ABOVE_EDGE = 24;

    private Footer() {}

    /// Writes it on every page of a document that is otherwise done.
    ///
    /// @param of pack or lot
    /// @param date the day, in words
    static void onEveryPage(PDDocument document, String of, String date) throws IOException {
        PDFont font = Fonts.regular(document);
        int pages = document.getNumberOfPages();
        for (int page = 0; page < pages; page++)
            try (Sheet sheet = Sheet.again(document, page)) {
                float baseline = sheet.height() - ABOVE_EDGE;
                float right = sheet.width() - Sheet.MARGIN;
                String number = "page %d of %d".formatted(page + 1, pages);
                sheet.textEndingAt(font, SIZE, right, baseline, number);
                sheet.textWithin(
                        font,
                        SIZE,
                        6,
                        Sheet.MARGIN,
                        baseline,
                        right - Sheet.MARGIN - 80,
                        of + " · " + date);
            }
    }
}
