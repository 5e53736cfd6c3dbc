package pentacell.reports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import pentacell.core.build.Face;
import pentacell.core.build.JudgedLayout;
import pentacell.core.cell.CellFormat;

/// Both faces of a pack in their own size: a template for strips, bars and paper.
///
/// @param pack its name
public record FacesPaper(String pack, JudgedLayout arrangement, CellFormat format) {
    private static final float BORDER = 28;
    private static final float HEAD = 44;
    private static final float MARK = 9;
    private static final float CHECK_BAR_MILLIMETRES = 50;
    private static final float POINTS_A_MILLIMETRE = 72f / 25.4f;
    private static final double SVG_BORDER = 20;

    /// As a picture file (SVG), one face beside the other.
    public String svg() throws IOException {
        double width = FaceDrawing.width(arrangement);
        double height = FaceDrawing.height(arrangement);
        SvgPlate plate = new SvgPlate(2 * width + 3 * SVG_BORDER, height + 2 * SVG_BORDER + HEAD);
        plate.fill(0, 0, 0, 2 * width + 3 * SVG_BORDER, height + 2 * SVG_BORDER + HEAD);
        int at = 0;
        for (Face face : Face.values()) {
            double left = SVG_BORDER + at++ * (width + SVG_BORDER);
            plate.text(Plate.Anchor.LEFT, true, 11, left, 24, title(face));
            face(plate, face, left, SVG_BORDER + HEAD - 10);
        }
        return plate.text();
    }

    private void face(Plate plate, Face face, double left, double top) throws IOException {
        new FaceDrawing(plate, arrangement, format, face, 1, left, top).draw();
    }

    private String title(Face face) {
        return "%s, %s%s"
                .formatted(
                        pack,
                        face.words(),
                        face == Face.BOTTOM ? ", as it lies turned over" : " face");
    }

    /// As PDF, in as many sheets as it takes. Marks show where sheets meet; a bar of 50 mm shows
    /// whether the printer kept the size.
    public byte[] pdf(Paper paper) throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle("Template of " + pack);
            for (Face face : Face.values()) tiles(document, paper, face);
            document.save(out);
            return out.toByteArray();
        }
    }

    private void tiles(PDDocument document, Paper paper, Face face) throws IOException {
        PDFont regular = Fonts.regular(document);
        PDFont bold = Fonts.bold(document);
        double width = FaceDrawing.width(arrangement) + 2;
        double height = FaceDrawing.height(arrangement) + 2;
        PDRectangle upright = paper.size();
        PDRectangle lying = new PDRectangle(upright.getHeight(), upright.getWidth());
        PDRectangle size =
                sheets(lying, width, height) < sheets(upright, width, height) ? lying : upright;
        float across = across(size);
        float down = down(size);
        int columns = (int) Math.ceil(width / across);
        int rows = (int) Math.ceil(height / down);
        for (int row = 0; row < rows; row++)
            for (int column = 0; column < columns; column++)
                try (Sheet sheet = new Sheet(document, size)) {
                    String tile =
                            rows * columns == 1
                                    ? ""
                                    : ", sheet %s%d of %d"
                                            .formatted(
                                                    (char) ('A' + row), column + 1, rows * columns);
                    sheet.textWithin(
                            bold,
                            11,
                            7,
                            BORDER,
                            26,
                            sheet.width() - 2 * BORDER,
                            title(face) + tile);
                    checkBar(sheet, regular);
                    sheet.textWithin(
                            regular,
                            9,
                            6,
                            BORDER,
                            60,
                            sheet.width() - 2 * BORDER,
                            FaceDrawing.overFolds(arrangement, face));
                    float top = BORDER + HEAD;
                    marks(sheet, top, across, down);
                    sheet.clip(BORDER, top, across, down);
                    face(
                            new PdfPlate(sheet, regular, bold),
                            face,
                            BORDER + 1 - column * across,
                            top + 1 - row * down);
                    sheet.unclip();
                }
    }

    private static float across(PDRectangle size) {
        return size.getWidth() - 2 * BORDER;
    }

    private static float down(PDRectangle size) {
        return size.getHeight() - 2 * BORDER - HEAD;
    }

    private static double sheets(PDRectangle size, double width, double height) {
        return Math.ceil(width / across(size)) * Math.ceil(height / down(size));
    }

    private static void checkBar(Sheet sheet, PDFont regular) throws IOException {
        float length = CHECK_BAR_MILLIMETRES * POINTS_A_MILLIMETRE;
        float y = 48;
        sheet.line(BORDER, y, BORDER + length, y, 1);
        sheet.line(BORDER, y - 5, BORDER, y + 5, 1);
        sheet.line(BORDER + length, y - 5, BORDER + length, y + 5, 1);
        sheet.text(
                regular,
                9,
                BORDER + length + 8,
                y + 3,
                "50 mm: if it measures otherwise, print at 100 %, not fitted to the page");
    }

    private static void marks(Sheet sheet, float top, float across, float down) throws IOException {
        for (float x : new float[] {BORDER, BORDER + across})
            for (float y : new float[] {top, top + down}) {
                sheet.line(x - MARK, y, x + MARK, y, 0.5f);
                sheet.line(x, y - MARK, x, y + MARK, 0.5f);
            }
    }
}
