package pentacell.reports;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.OptionalDouble;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import pentacell.core.build.PickLine;
import pentacell.core.build.PickWalk.Order;
import pentacell.core.unit.Quantity;

/// The pick list on paper: one line a cell, in walking order, with a box to tick. A heavier rule
/// marks each new tray or group.
public final class PickListPdf {
    private static final float LINE = 17;
    private static final float TEXT = 10;
    private static final float TOP = 112;

    private final PDDocument document;
    private final PDFont regular;
    private final PDFont bold;
    private final Heading heading;
    private final Paper paper;
    private final List<PickLine> walk;

    private PickListPdf(PDDocument document, Heading heading, List<PickLine> walk, Paper paper)
            throws IOException {
        this.document = document;
        this.regular = Fonts.regular(document);
        this.bold = Fonts.bold(document);
        this.heading = heading;
        this.walk = walk;
        this.paper = paper;
    }

    /// What stands over the list.
    ///
    /// @param pack name of the pack
    /// @param arrangement such as 7S10P
    /// @param order the order of the walk
    /// @param date the day it was printed, in words
    public record Heading(String pack, String arrangement, Order order, String date) {}

    /// Writes the list as PDF.
    public static void write(OutputStream out, Heading heading, List<PickLine> walk, Paper paper)
            throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle("Pick list " + heading.pack());
            new PickListPdf(document, heading, walk, paper).pages();
            Footer.onEveryPage(document, "Pick list: " + heading.pack(), heading.date());
            document.save(out);
        }
    }

    private void pages() throws IOException {
        int perPage = (int) ((paper.size().getHeight() - TOP - Sheet.MARGIN - 20) / LINE);
        int pages = Math.max(1, Math.ceilDiv(walk.size(), perPage));
        for (int page = 0; page < pages; page++) {
            try (Sheet sheet = new Sheet(document, paper)) {
                head(sheet);
                int from = page * perPage;
                for (int i = from; i < Math.min(walk.size(), from + perPage); i++)
                    line(sheet, i, TOP + (i - from) * LINE);
            }
        }
    }

    private void head(Sheet sheet) throws IOException {
        float right = sheet.width() - Sheet.MARGIN;
        sheet.text(bold, 18, Sheet.MARGIN, 56, "Pick list " + heading.order().words());
        sheet.text(
                regular,
                11,
                Sheet.MARGIN,
                74,
                heading.pack()
                        + " · "
                        + heading.arrangement()
                        + " · "
                        + walk.size()
                        + " cells · "
                        + heading.date());
        float y = TOP - LINE + 2;
        Columns columns = new Columns(sheet);
        sheet.text(bold, TEXT, columns.place, y, "Place");
        sheet.text(bold, TEXT, columns.cell, y, "Cell");
        sheet.textEndingAt(bold, TEXT, columns.group, y, "Group");
        sheet.textEndingAt(bold, TEXT, columns.position, y, "Position");
        sheet.textEndingAt(bold, TEXT, columns.capacity, y, Quantity.CAPACITY.unit());
        sheet.textEndingAt(bold, TEXT, columns.resistance, y, Quantity.RESISTANCE.unit());
        sheet.rule(Sheet.MARGIN, right, y + 5, 1);
    }

    private void line(Sheet sheet, int index, float y) throws IOException {
        PickLine line = walk.get(index);
        Columns columns = new Columns(sheet);
        float baseline = y + TEXT - 1;
        sheet.box(Sheet.MARGIN, y, 10, line.taken());
        sheet.text(
                regular,
                TEXT,
                columns.place,
                baseline,
                line.place().map(Object::toString).orElse("not placed"));
        sheet.text(bold, TEXT, columns.cell, baseline, line.cell().text());
        sheet.textEndingAt(regular, TEXT, columns.group, baseline, String.valueOf(line.group()));
        sheet.textEndingAt(
                regular, TEXT, columns.position, baseline, String.valueOf(line.position()));
        sheet.textEndingAt(
                regular,
                TEXT,
                columns.capacity,
                baseline,
                number(Quantity.CAPACITY, line.milliampHours()));
        sheet.textEndingAt(
                regular,
                TEXT,
                columns.resistance,
                baseline,
                number(Quantity.RESISTANCE, line.milliohms()));
        boolean lastOfSection =
                index + 1 < walk.size() && !section(line).equals(section(walk.get(index + 1)));
        sheet.rule(
                Sheet.MARGIN,
                sheet.width() - Sheet.MARGIN,
                y + LINE - 4,
                lastOfSection ? 1.2f : 0.25f);
    }

    private String section(PickLine line) {
        return switch (heading.order()) {
            case BY_GROUP -> String.valueOf(line.group());
            case BY_PLACE -> line.place().map(place -> place.tray()).orElse("");
        };
    }

    private static String number(Quantity quantity, OptionalDouble value) {
        return quantity.number(value.orElse(Double.NaN));
    }

    /// Where the columns stand on a sheet.
    private static final class Columns {
        final float place = Sheet.MARGIN + 24;
        final float cell = Sheet.MARGIN + 110;
        final float group;
        final float position;
        final float capacity;
        final float resistance;

        Columns(Sheet sheet) {
            float right = sheet.width() - Sheet.MARGIN;
            resistance = right;
            capacity = right - 70;
            position = right - 140;
            group = right - 210;
        }
    }
}
