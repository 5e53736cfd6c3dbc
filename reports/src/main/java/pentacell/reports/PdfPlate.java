package pentacell.reports;

import java.io.IOException;
import org.apache.pdfbox.pdmodel.font.PDFont;

/// A drawing on a sheet of paper.
final class PdfPlate implements Plate {
    private final Sheet sheet;
    private final PDFont regular;
    private final PDFont bold;

    PdfPlate(Sheet sheet, PDFont regular, PDFont bold) {
        this.sheet = sheet;
        this.regular = regular;
        this.bold = bold;
    }

    @Override
    public void fill(double ink, double x, double y, double width, double height)
            throws IOException {
        sheet.shade((float) ink);
        sheet.fill((float) x, (float) y, (float) width, (float) height);
        sheet.shade(1);
    }

    @Override
    public void frame(double thickness, double x, double y, double width, double height)
            throws IOException {
        line(thickness, x, y, x + width, y);
        line(thickness, x, y + height, x + width, y + height);
        line(thickness, x, y, x, y + height);
        line(thickness, x + width, y, x + width, y + height);
    }

    @Override
    public void line(double thickness, double x1, double y1, double x2, double y2)
            throws IOException {
        sheet.line((float) x1, (float) y1, (float) x2, (float) y2, (float) thickness);
    }

    @Override
    public void disc(double ink, double x, double y, double radius) throws IOException {
        sheet.shade((float) ink);
        sheet.disc((float) x, (float) y, (float) radius);
        sheet.shade(1);
    }

    @Override
    public void text(
            Anchor anchor, boolean isBold, double size, double x, double baseline, String text)
            throws IOException {
        PDFont font = isBold ? bold : regular;
        float width = sheet.widthOf(font, (float) size, text);
        float left =
                (float)
                        switch (anchor) {
                            case LEFT -> x;
                            case MIDDLE -> x - width / 2;
                            case RIGHT -> x - width;
                        };
        sheet.text(font, (float) size, left, (float) baseline, text);
    }
}
