package pentacell.reports;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import pentacell.core.unit.Quantity;

/// Labels for cells: id large, donor, figures and date small, and the id as a QR code.
public final class LabelPdf {
    private static final float POINTS_PER_MM = 72 / 25.4f;
    private static final double PADDING = 1.2;

    /// The code takes at most this share of a label's width.
    private static final double QR_SHARE = 0.36;

    private final PDDocument document;
    private final PDFont regular;
    private final PDFont bold;
    private final LabelLayout layout;

    private LabelPdf(PDDocument document, LabelLayout layout) throws IOException {
        this.document = document;
        this.layout = layout;
        regular = Fonts.regular(document);
        bold = Fonts.bold(document);
    }

    /// The labels as PDF.
    ///
    /// @param usedOnFirst labels already taken from the first sheet; without meaning on a roll
    public static byte[] bytes(List<CellLabel> labels, LabelLayout layout, int usedOnFirst)
            throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle("Cell labels");
            new LabelPdf(document, layout).pages(labels, usedOnFirst % layout.perPage());
            document.save(out);
            return out.toByteArray();
        }
    }

    private void pages(List<CellLabel> labels, int used) throws IOException {
        int perPage = layout.perPage();
        int pages = Math.max(1, Math.ceilDiv(labels.size() + used, perPage));
        PDRectangle size = new PDRectangle(points(layout.pageWidth()), points(layout.pageHeight()));
        for (int page = 0; page < pages; page++) {
            try (Sheet sheet = new Sheet(document, size)) {
                for (int place = 0; place < perPage; place++) {
                    int index = page * perPage + place - used;
                    if (index >= 0 && index < labels.size())
                        label(sheet, labels.get(index), layout.left(place), layout.top(place));
                }
            }
        }
    }

    private void label(Sheet sheet, CellLabel label, double left, double top) throws IOException {
        double height = layout.height();
        double side = Math.min(height - 2 * PADDING, layout.width() * QR_SHARE);
        qr(sheet, label.id(), left + PADDING, top + (height - side) / 2, side);
        double textLeft = left + PADDING + side + PADDING;
        float x = points(textLeft);
        float room = points(left + layout.width() - PADDING - textLeft);
        sheet.textWithin(
                bold, points(height * 0.30), 4, x, points(top + height * 0.36), room, label.id());
        List<String> figures = new ArrayList<>();
        add(figures, Quantity.CAPACITY, label.milliampHours());
        add(figures, Quantity.RESISTANCE, label.milliohms());
        sheet.textWithin(
                bold,
                points(height * 0.18),
                3,
                x,
                points(top + height * 0.63),
                room,
                String.join("  ", figures));
        List<String> origin = new ArrayList<>();
        add(origin, Quantity.VOLTAGE, label.volts());
        if (!label.donor().isEmpty()) origin.add(label.donor());
        origin.add(label.date());
        sheet.textWithin(
                regular,
                points(height * 0.14),
                3,
                x,
                points(top + height * 0.87),
                room,
                String.join("  ", origin));
    }

    private static void add(List<String> parts, Quantity quantity, OptionalDouble value) {
        if (value.isPresent()) parts.add(quantity.text(value.getAsDouble()));
    }

    /// Draws a QR code (ISO/IEC 18004), its modules as rectangles so that any printer keeps them
    /// sharp.
    private static void qr(Sheet sheet, String text, double left, double top, double side)
            throws IOException {
        BitMatrix modules;
        try {
            modules =
                    new QRCodeWriter()
                            .encode(
                                    text,
                                    BarcodeFormat.QR_CODE,
                                    1,
                                    1,
                                    Map.of(
                                            EncodeHintType.MARGIN,
                                            2,
                                            EncodeHintType.CHARACTER_SET,
                                            "UTF-8",
                                            EncodeHintType.ERROR_CORRECTION,
                                            ErrorCorrectionLevel.M));
        } catch (WriterException failure) {
            throw new IOException("no QR code can be made of \"" + text + "\"", failure);
        }
        double step = side / modules.getWidth();
        for (int row = 0; row < modules.getHeight(); row++) {
            int begin = -1;
            for (int column = 0; column <= modules.getWidth(); column++) {
                boolean isDark = column < modules.getWidth() && modules.get(column, row);
                if (isDark && begin < 0) begin = column;
                if (!isDark && begin >= 0) {
                    sheet.fill(
                            points(left + begin * step),
                            points(top + row * step),
                            points((column - begin) * step),
                            points(step));
                    begin = -1;
                }
            }
        }
    }

    private static float points(double millimetres) {
        return (float) millimetres * POINTS_PER_MM;
    }
}
