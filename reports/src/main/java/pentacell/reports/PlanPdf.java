package pentacell.reports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import pentacell.core.donor.Price;
import pentacell.core.plan.Checked;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.PartsList;
import pentacell.core.unit.Quantity;

/// A planned pack on paper: its figures, its checks, its parts to buy.
public final class PlanPdf {
    private static final float LINE = FlowingPages.LINE;
    private static final float TEXT = FlowingPages.TEXT;

    private final FlowingPages pages;

    private PlanPdf(FlowingPages pages) {
        this.pages = pages;
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
            try (FlowingPages pages = new FlowingPages(document, paper, "Plan: " + pack, date)) {
                PlanPdf pdf = new PlanPdf(pages);
                pdf.head(pack, option, date);
                pdf.checks(checks);
                pdf.parts(parts);
            }
            document.save(out);
            return out.toByteArray();
        }
    }

    private void head(String pack, Option option, String date) throws IOException {
        pages.title(pack + ": " + option.arrangement());
        pages.to(
                pages.sheet()
                        .paragraph(
                                pages.regular(),
                                11,
                                Sheet.MARGIN,
                                pages.y(),
                                pages.right() - Sheet.MARGIN,
                                "%s · %s usable · %s to %s · about %s · %s"
                                        .formatted(
                                                Quantity.HOURS.text(option.hours()),
                                                Quantity.ENERGY.text(option.usableWattHours(), 0),
                                                Quantity.VOLTAGE.text(option.emptyVolts(), 1),
                                                Quantity.VOLTAGE.text(option.fullVolts(), 1),
                                                Quantity.MASS.text(option.kilograms(), 1),
                                                date)));
        pages.down(8);
    }

    private void checks(List<Checked> checks) throws IOException {
        pages.heading("Checks");
        float sentence = Sheet.MARGIN + 150;
        for (Checked each : checks) {
            float room = pages.right() - sentence;
            boolean isFine = each.isFine();
            String words = each.sentence() + " (" + each.source() + ")";
            pages.room(LINE * pages.sheet().broken(pages.bold(), TEXT, room, words).size());
            float top = pages.y();
            pages.sheet()
                    .textWithin(
                            isFine ? pages.regular() : pages.bold(),
                            TEXT,
                            6,
                            Sheet.MARGIN,
                            top,
                            118,
                            (isFine ? "" : "! ") + each.check().words());
            pages.sheet()
                    .textEndingAt(
                            pages.regular(),
                            TEXT,
                            sentence - 6,
                            top,
                            each.margin().isPresent()
                                    ? Quantity.PERCENT.text(100 * each.margin().getAsDouble(), 0)
                                    : "");
            pages.to(
                    pages.sheet()
                            .paragraph(
                                    isFine ? pages.regular() : pages.bold(),
                                    TEXT,
                                    sentence,
                                    top,
                                    room,
                                    words));
            pages.down(2);
        }
    }

    private void parts(PartsList parts) throws IOException {
        pages.heading("Parts");
        float what = Sheet.MARGIN + 140;
        float amount = pages.right() - 130;
        float price = pages.right() - 65;
        pages.room(2 * LINE);
        partsHead(amount, price);
        for (PartsList.Line line : parts.lines()) {
            if (pages.room(LINE)) partsHead(amount, price);
            pages.sheet().box(Sheet.MARGIN, pages.y() - 8, 8, false);
            pages.sheet()
                    .textWithin(
                            pages.regular(),
                            TEXT,
                            6,
                            Sheet.MARGIN + 14,
                            pages.y(),
                            122,
                            line.part().words());
            pages.sheet()
                    .textWithin(
                            pages.regular(),
                            TEXT,
                            6,
                            what,
                            pages.y(),
                            amount - 62 - what,
                            line.what());
            boolean isPieces = line.part().unit().equals("piece");
            pages.sheet()
                    .textEndingAt(
                            pages.regular(),
                            TEXT,
                            amount,
                            pages.y(),
                            Quantity.COUNT.number(line.amount(), isPieces ? 0 : 2)
                                    + (isPieces ? "" : " " + line.part().unit()));
            pages.sheet()
                    .textEndingAt(
                            pages.regular(),
                            TEXT,
                            price,
                            pages.y(),
                            line.price().map(PlanPdf::number).orElse("–"));
            pages.sheet()
                    .textEndingAt(
                            pages.regular(),
                            TEXT,
                            pages.right(),
                            pages.y(),
                            line.cost().map(PlanPdf::number).orElse("–"));
            pages.down(LINE);
        }
        pages.room(LINE);
        pages.sheet().rule(amount, pages.right(), pages.y() - 10, 0.6f);
        pages.sheet()
                .textEndingAt(
                        pages.bold(),
                        TEXT,
                        pages.right(),
                        pages.y() + 2,
                        parts.total()
                                .map(total -> number(total) + " " + total.currency())
                                .orElse("–"));
        pages.down(LINE);
    }

    private void partsHead(float amount, float price) throws IOException {
        pages.sheet().textEndingAt(pages.bold(), TEXT, amount, pages.y(), "amount");
        pages.sheet().textEndingAt(pages.bold(), TEXT, price, pages.y(), "of one");
        pages.sheet().textEndingAt(pages.bold(), TEXT, pages.right(), pages.y(), "cost");
        pages.down(LINE);
    }

    private static String number(Price price) {
        return Quantity.COUNT.number(price.amount(), 2);
    }
}
