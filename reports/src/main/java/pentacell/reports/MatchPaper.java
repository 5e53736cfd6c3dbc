package pentacell.reports;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchFigures;
import pentacell.core.match.MatchFigures.GroupFigures;
import pentacell.core.unit.Quantity;

/// A match as a document: the skyline with its figures, then every group with its cells.
///
/// @param pack name of the pack
/// @param arrangement such as 7S10P
/// @param date the day, in words
/// @param groups the cells of each group
public record MatchPaper(
        String pack, String arrangement, String date, List<List<Candidate>> groups) {
    private static final double PICTURE_WIDTH = 760;
    private static final double PICTURE_HEIGHT = 470;

    public MatchPaper {
        groups = groups.stream().map(List::copyOf).toList();
    }

    private MatchFigures figures() {
        return MatchFigures.of(groups);
    }

    private String summary() {
        MatchFigures figures = figures();
        return "Usable %s, spread %s, group R spread %s, IR spread in a group up to %s"
                .formatted(
                        Quantity.CAPACITY.text(figures.usableMilliampHours()),
                        Quantity.CAPACITY.text(figures.spreadMilliampHours()),
                        Quantity.PERCENT.text(
                                figures.resistanceSpreadPercent().orElse(Double.NaN), 2),
                        Quantity.RESISTANCE.text(
                                figures.worstIrSpreadMilliohms().orElse(Double.NaN)));
    }

    /// The skyline as a picture file (SVG).
    public String svg() throws IOException {
        SvgPlate plate = new SvgPlate(PICTURE_WIDTH, PICTURE_HEIGHT);
        plate.fill(0, 0, 0, PICTURE_WIDTH, PICTURE_HEIGHT);
        plate.text(Plate.Anchor.LEFT, true, 15, 20, 26, "%s · %s".formatted(pack, arrangement));
        plate.text(Plate.Anchor.RIGHT, false, 10, PICTURE_WIDTH - 20, 26, date);
        plate.text(Plate.Anchor.LEFT, false, 10, 20, 42, summary());
        new SkylineDrawing(plate, groups).draw(20, 56, PICTURE_WIDTH - 40, PICTURE_HEIGHT - 76);
        return plate.text();
    }

    /// Writes it as PDF.
    public void pdf(OutputStream out, Paper paper) throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle("Match " + pack);
            PDFont regular = Fonts.regular(document);
            PDFont bold = Fonts.bold(document);
            try (GroupPages pages = new GroupPages(document, paper, regular, bold)) {
                Sheet first = pages.sheet();
                first.text(bold, 18, Sheet.MARGIN, 56, "Match " + pack);
                first.textEndingAt(regular, 10, first.width() - Sheet.MARGIN, 56, date);
                first.textWithin(
                        regular,
                        11,
                        7,
                        Sheet.MARGIN,
                        74,
                        first.width() - 2 * Sheet.MARGIN,
                        arrangement + " · " + summary());
                new SkylineDrawing(new PdfPlate(first, regular, bold), groups)
                        .draw(Sheet.MARGIN, 90, first.width() - 2 * Sheet.MARGIN, 330);
                pages.begin(450);
                for (int group = 0; group < groups.size(); group++)
                    pages.group(heading(group), cells(group));
            }
            Footer.onEveryPage(document, "Match: " + pack, date);
            document.save(out);
        }
    }

    private String heading(int group) {
        GroupFigures figures = figures().groups().get(group);
        return "Group %d: %s, %s, IR spread %s"
                .formatted(
                        group + 1,
                        Quantity.CAPACITY.text(figures.milliampHours()),
                        text(Quantity.RESISTANCE, figures.milliohms(), 2),
                        text(Quantity.RESISTANCE, figures.irSpreadMilliohms(), 1));
    }

    private String cells(int group) {
        return groups.get(group).stream()
                .map(cell ->
                        "%s %s %s"
                                .formatted(
                                        cell.id(),
                                        Quantity.CAPACITY.number(cell.milliampHours()),
                                        cell.milliohms().isPresent()
                                                ? Quantity.RESISTANCE.number(
                                                        cell.milliohms().getAsDouble())
                                                : "–")
                                .replace(' ', '\u00a0'))
                .collect(Collectors.joining(" · "));
    }

    private static String text(Quantity quantity, OptionalDouble value, int digits) {
        return quantity.text(value.orElse(Double.NaN), digits);
    }

    /// Groups one under another, over as many pages as they take.
    private static final class GroupPages implements AutoCloseable {
        private static final float TEXT = 9;

        private final PDDocument document;
        private final Paper paper;
        private final PDFont regular;
        private final PDFont bold;
        private Sheet sheet;
        private float y;

        GroupPages(PDDocument document, Paper paper, PDFont regular, PDFont bold)
                throws IOException {
            this.document = document;
            this.paper = paper;
            this.regular = regular;
            this.bold = bold;
            sheet = new Sheet(document, paper);
        }

        Sheet sheet() {
            return sheet;
        }

        void begin(float at) {
            y = at;
        }

        void group(String heading, String cells) throws IOException {
            float room = sheet.width() - 2 * Sheet.MARGIN;
            List<String> lines = sheet.broken(regular, TEXT, room, cells);
            float tall = lines.size() * TEXT * 1.35f + 2.4f * TEXT;
            if (y + Math.min(tall, 120) > sheet.height() - Sheet.MARGIN) turn();
            sheet.text(bold, TEXT + 1, Sheet.MARGIN, y, heading);
            y += TEXT * 1.5f;
            for (String line : lines) {
                if (y > sheet.height() - Sheet.MARGIN) turn();
                sheet.text(regular, TEXT, Sheet.MARGIN, y, line);
                y += TEXT * 1.35f;
            }
            y += TEXT * 0.7f;
        }

        private void turn() throws IOException {
            sheet.close();
            sheet = new Sheet(document, paper);
            y = Sheet.MARGIN + 14;
        }

        @Override
        public void close() throws IOException {
            sheet.close();
        }
    }
}
