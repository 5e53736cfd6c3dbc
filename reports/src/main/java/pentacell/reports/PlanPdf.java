package pentacell.reports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import pentacell.core.donor.Price;
import pentacell.core.plan.Checked;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.PartsList;
import pentacell.core.unit.Quantity;

/// A planned pack on paper: its figures, its checks, its parts to buy.
public final class PlanPdf {
    private static final float LINE = 15;
    private static final float TEXT = 9;

    private final PDDocument document;
    private final PDFont regular;
    private final PDFont bold;
    private final Paper paper;
    private Sheet sheet;
    private float y;

    private PlanPdf(PDDocument document, Paper paper) throws IOException {
        this.document = document;
        this.paper = paper;
        regular = Fonts.regular(document);
        bold = Fonts.bold(document);
        sheet = new Sheet(document, paper);
        y = 56;
    }

    /// The plan as PDF.
    ///
    /// @param checks in the order they are printed
    /// @param date the day, in words
    public static byte[] bytes(
            String pack,
            Option option,
            List<Checked> checks,
            PartsList parts,
            String date,
            Paper paper)
            throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle("Plan of " + pack);
            PlanPdf pdf = new PlanPdf(document, paper);
            pdf.head(pack, option, date);
            pdf.checks(checks);
            pdf.parts(parts);
            pdf.sheet.close();
            document.save(out);
            return out.toByteArray();
        }
    }

    private float right() {
        return sheet.width() - Sheet.MARGIN;
    }

    /// Begins another page when so much does not fit any more.
    private void room(float height) throws IOException {
        if (y + height < sheet.height() - Sheet.MARGIN) return;
        sheet.close();
        sheet = new Sheet(document, paper);
        y = 56;
    }

    private void head(String pack, Option option, String date) throws IOException {
        sheet.textWithin(
                bold,
                18,
                10,
                Sheet.MARGIN,
                y,
                right() - Sheet.MARGIN,
                pack + ": " + option.arrangement());
        y += 20;
        y =
                sheet.paragraph(
                        regular,
                        11,
                        Sheet.MARGIN,
                        y,
                        right() - Sheet.MARGIN,
                        "%s · %s usable · %s to %s · about %s · %s"
                                .formatted(
                                        Quantity.HOURS.text(option.hours()),
                                        Quantity.ENERGY.text(option.usableWattHours(), 0),
                                        Quantity.VOLTAGE.text(option.emptyVolts(), 1),
                                        Quantity.VOLTAGE.text(option.fullVolts(), 1),
                                        Quantity.MASS.text(option.kilograms(), 1),
                                        date));
        y += 8;
    }

    private void heading(String words) throws IOException {
        room(3 * LINE);
        y += 10;
        sheet.text(bold, 12, Sheet.MARGIN, y, words);
        sheet.rule(Sheet.MARGIN, right(), y + 4, 1);
        y += LINE + 2;
    }

    private void checks(List<Checked> checks) throws IOException {
        heading("Checks");
        float sentence = Sheet.MARGIN + 150;
        for (Checked each : checks) {
            float room = right() - sentence;
            boolean isFine = each.isFine();
            String words = each.sentence() + " (" + each.source() + ")";
            room(LINE * sheet.broken(bold, TEXT, room, words).size());
            float top = y;
            sheet.textWithin(
                    isFine ? regular : bold,
                    TEXT,
                    6,
                    Sheet.MARGIN,
                    top,
                    118,
                    (isFine ? "" : "! ") + each.check().words());
            sheet.textEndingAt(
                    regular,
                    TEXT,
                    sentence - 6,
                    top,
                    each.margin().isPresent()
                            ? Quantity.PERCENT.text(100 * each.margin().getAsDouble(), 0)
                            : "");
            y = sheet.paragraph(isFine ? regular : bold, TEXT, sentence, top, room, words);
            y += 2;
        }
    }

    private void parts(PartsList parts) throws IOException {
        heading("Parts");
        float what = Sheet.MARGIN + 140;
        float amount = right() - 130;
        float price = right() - 65;
        sheet.textEndingAt(bold, TEXT, amount, y, "amount");
        sheet.textEndingAt(bold, TEXT, price, y, "of one");
        sheet.textEndingAt(bold, TEXT, right(), y, "cost");
        y += LINE;
        for (PartsList.Line line : parts.lines()) {
            room(LINE);
            sheet.box(Sheet.MARGIN, y - 8, 8, false);
            sheet.textWithin(regular, TEXT, 6, Sheet.MARGIN + 14, y, 122, line.part().words());
            sheet.textWithin(regular, TEXT, 6, what, y, amount - 62 - what, line.what());
            boolean isPieces = line.part().unit().equals("piece");
            sheet.textEndingAt(
                    regular,
                    TEXT,
                    amount,
                    y,
                    Quantity.COUNT.number(line.amount(), isPieces ? 0 : 2)
                            + (isPieces ? "" : " " + line.part().unit()));
            sheet.textEndingAt(
                    regular, TEXT, price, y, line.price().map(PlanPdf::number).orElse("–"));
            sheet.textEndingAt(
                    regular, TEXT, right(), y, line.cost().map(PlanPdf::number).orElse("–"));
            y += LINE;
        }
        room(LINE);
        sheet.rule(amount, right(), y - 10, 0.6f);
        sheet.textEndingAt(
                bold,
                TEXT,
                right(),
                y + 2,
                parts.total().map(total -> number(total) + " " + total.currency()).orElse("–"));
        y += LINE;
    }

    private static String number(Price price) {
        return Quantity.COUNT.number(price.amount(), 2);
    }
}
