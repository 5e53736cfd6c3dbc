package pentacell.reports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import pentacell.core.caution.Caution;
import pentacell.core.cell.Chemistry;
import pentacell.core.stock.RecycleBox;
import pentacell.core.stock.RecycleBox.Damage;
import pentacell.core.stock.RecycleBox.Item;
import pentacell.core.unit.Quantity;

/// The list that goes with the recycle box to the collection point.
public final class HandOverPdf {
    private static final float LINE = 16;
    private static final float TEXT = 9.5f;

    private final PDDocument document;
    private final PDFont regular;
    private final PDFont bold;
    private final RecycleBox box;
    private final Paper paper;

    private HandOverPdf(PDDocument document, RecycleBox box, Paper paper) throws IOException {
        this.document = document;
        this.box = box;
        this.paper = paper;
        regular = Fonts.regular(document);
        bold = Fonts.bold(document);
    }

    /// The list as PDF.
    ///
    /// @param to who takes the cells; a line to write on when it is empty
    /// @param date the day, in words
    public static byte[] bytes(RecycleBox box, String to, String date, Paper paper)
            throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle("Hand-over of used cells");
            new HandOverPdf(document, box, paper).pages(to, date);
            Footer.onEveryPage(document, "Hand-over of used cells", date);
            document.save(out);
            return out.toByteArray();
        }
    }

    private void pages(String to, String date) throws IOException {
        int next = 0;
        int page = 1;
        do {
            try (Sheet sheet = new Sheet(document, paper)) {
                float y = page == 1 ? head(sheet, to, date) : 60;
                columns(sheet, y);
                y += LINE;
                float bottom = sheet.height() - Sheet.MARGIN - 70;
                for (; next < box.items().size() && y < bottom; next++, y += LINE)
                    line(sheet, box.items().get(next), y);
                if (next == box.items().size()) signatures(sheet, sheet.height() - 70);
            }
            page++;
        } while (next < box.items().size());
    }

    private float head(Sheet sheet, String to, String date) throws IOException {
        float room = sheet.width() - 2 * Sheet.MARGIN;
        sheet.text(bold, 18, Sheet.MARGIN, 56, "Hand-over of used lithium-ion cells");
        sheet.text(
                regular,
                11,
                Sheet.MARGIN,
                76,
                String.format(
                        Locale.ROOT,
                        "%d cells · about %s · %d damaged · %s · to: %s",
                        box.items().size(),
                        Quantity.MASS.text(box.grams() / 1000),
                        box.damaged(),
                        date,
                        to.isEmpty() ? "______________________" : to));
        float y = 100;
        for (Caution caution : new Caution[] {Caution.TRANSPORT, Caution.REJECTS})
            y =
                    sheet.paragraph(
                            regular, TEXT, Sheet.MARGIN, y, room, "Caution: " + caution.words());
        y =
                sheet.paragraph(
                        regular,
                        TEXT,
                        Sheet.MARGIN,
                        y,
                        room,
                        "Masses are estimated from the size of the cans. Damaged cells are marked and packed apart.");
        return y + 10;
    }

    private void columns(Sheet sheet, float y) throws IOException {
        sheet.text(bold, TEXT, Sheet.MARGIN, y, "Cell");
        sheet.text(bold, TEXT, Sheet.MARGIN + 90, y, "Chemistry");
        sheet.textEndingAt(bold, TEXT, Sheet.MARGIN + 220, y, "about g");
        sheet.text(bold, TEXT, Sheet.MARGIN + 232, y, "Can");
        sheet.text(bold, TEXT, Sheet.MARGIN + 290, y, "Why");
        sheet.rule(Sheet.MARGIN, sheet.width() - Sheet.MARGIN, y + 4, 1);
    }

    private void line(Sheet sheet, Item item, float y) throws IOException {
        boolean damaged = item.damage() == Damage.DAMAGED;
        sheet.text(bold, TEXT, Sheet.MARGIN, y, item.cell().id().text());
        sheet.text(
                regular,
                TEXT,
                Sheet.MARGIN + 90,
                y,
                item.chemistry().map(Chemistry::words).orElse("not known"));
        sheet.textEndingAt(
                regular, TEXT, Sheet.MARGIN + 220, y, Quantity.COUNT.number(item.grams()));
        sheet.text(
                damaged ? bold : regular,
                TEXT,
                Sheet.MARGIN + 232,
                y,
                damaged ? "DAMAGED" : "sound");
        float left = Sheet.MARGIN + 290;
        sheet.textWithin(
                regular,
                TEXT,
                6,
                left,
                y,
                sheet.width() - Sheet.MARGIN - left,
                item.reason().sentence());
        sheet.rule(Sheet.MARGIN, sheet.width() - Sheet.MARGIN, y + 4, 0.25f);
    }

    private void signatures(Sheet sheet, float y) throws IOException {
        float half = sheet.width() / 2;
        sheet.rule(Sheet.MARGIN, half - 20, y, 0.6f);
        sheet.rule(half + 20, sheet.width() - Sheet.MARGIN, y, 0.6f);
        sheet.text(regular, TEXT, Sheet.MARGIN, y + 13, "handed over by");
        sheet.text(regular, TEXT, half + 20, y + 13, "taken by");
    }
}
