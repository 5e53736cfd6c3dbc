package pentacell.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.Chapters;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.RecycleBox;

final class LabelPdfTest {

    static Stream<LabelLayout> layouts() {
        return LabelLayout.shipped().stream();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("layouts")
    void aPrintedCodeDecodesToItsId(LabelLayout layout) throws Exception {
        // an id of usual length, one as long as they may be, one with odd letters
        for (String id : List.of("HB03-07", "HB03-0000000000000000007", "Ä/κ.7_#2")) {
            byte[] pdf = LabelPdf.bytes(List.of(label(id)), layout, 0);
            try (PDDocument document = Loader.loadPDF(pdf)) {
                assertEquals(id, decoded(document, 0, layout, 0));
            }
        }
    }

    @Test
    void everyLabelOfASheetIsOnItAndReadable() throws Exception {
        LabelLayout layout = LabelLayout.shipped().get(0);
        List<CellLabel> labels =
                IntStream.rangeClosed(1, 60)
                        .mapToObj(number -> label("HB05-%02d".formatted(number)))
                        .toList();
        try (PDDocument document = Loader.loadPDF(LabelPdf.bytes(labels, layout, 0))) {
            assertEquals(2, document.getNumberOfPages());
            String text = new PDFTextStripper().getText(document);
            for (CellLabel label : labels) assertTrue(text.contains(label.id()), label.id());
            assertTrue(text.contains("2143") && text.contains("mΩ") && text.contains("HB03  2026"));
        }
    }

    @Test
    void usedPlacesOfTheFirstSheetAreLeftFree() throws Exception {
        LabelLayout layout = LabelLayout.parse("A4 2x2 90x120").orElseThrow();
        List<CellLabel> labels = List.of(label("A-1"), label("A-2"));
        try (PDDocument document = Loader.loadPDF(LabelPdf.bytes(labels, layout, 3))) {
            assertEquals(2, document.getNumberOfPages());
            assertEquals("A-1", decoded(document, 0, layout, 3));
            assertEquals("A-2", decoded(document, 1, layout, 0));
        }
    }

    @ParameterizedTest
    @MethodSource("layouts")
    void aLayoutIsReadBackAsItIsWrittenAndItsLabelsLieOnThePaper(LabelLayout layout) {
        assertEquals(Optional.of(layout), LabelLayout.parse(layout.text()));
        for (int i = 0; i < layout.perPage(); i++) {
            assertTrue(layout.left(i) >= -0.01 && layout.top(i) >= -0.01);
            assertTrue(layout.left(i) + layout.width() <= layout.pageWidth() + 0.01);
            assertTrue(layout.top(i) + layout.height() <= layout.pageHeight() + 0.01);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "A4", "A4 5x10 70x37", "A5 2x2 50x50", "roll 5x5", "A4 0x3 20x20"})
    void aGridThatDoesNotFitItsPaperIsRefused(String text) {
        assertTrue(LabelLayout.parse(text).isEmpty());
    }

    @Test
    void theHandOverListNamesEveryCellItsMassAndTheTransportRules() throws IOException {
        List<Entry> entries = new ArrayList<>();
        for (int i = 1; i <= 70; i++) {
            CellId id = new CellId("X1-%02d".formatted(i));
            entries.add(new Entry(2L * i, new CellFact.VoltageRead(id, 0.3)));
            if (i % 10 == 0)
                entries.add(
                        new Entry(
                                2L * i + 1,
                                new CellFact.BlemishesSeen(id, EnumSet.of(Blemish.LEAK))));
        }
        WorkshopState state =
                Chapters.fold(List.of(new Act(1, java.time.Instant.EPOCH, "test", entries)));
        byte[] pdf = HandOverPdf.bytes(RecycleBox.of(state), "town depot", "2026-03-01", Paper.A4);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains("70 cells") && text.contains("7 damaged"), text);
            assertTrue(text.contains("UN 38.3") && text.contains("town depot"));
            assertFalse(text.contains("?"), "every letter is in the typeface");
            for (int i = 1; i <= 70; i++) assertTrue(text.contains("X1-%02d".formatted(i)));
            assertEquals(2, document.getNumberOfPages());
        }
    }

    private static CellLabel label(String id) {
        return new CellLabel(
                id,
                "HB03",
                OptionalDouble.of(3.684),
                OptionalDouble.of(2143),
                OptionalDouble.of(56.2),
                "2026-03-01");
    }

    /// What a scanner reads that is held over one label, printed at 300 dots an inch.
    private static String decoded(PDDocument document, int page, LabelLayout layout, int place)
            throws IOException, ReaderException {
        double dots = 300 / 25.4;
        BufferedImage label =
                new PDFRenderer(document)
                        .renderImageWithDPI(page, 300)
                        .getSubimage(
                                (int) (layout.left(place) * dots),
                                (int) (layout.top(place) * dots),
                                (int) (layout.width() * dots),
                                (int) (layout.height() * dots));
        int width = label.getWidth();
        int height = label.getHeight();
        int[] pixels = label.getRGB(0, 0, width, height, null, 0, width);
        return new QRCodeReader()
                .decode(
                        new BinaryBitmap(
                                new HybridBinarizer(new RGBLuminanceSource(width, height, pixels))),
                        Map.of(DecodeHintType.TRY_HARDER, true))
                .getText();
    }
}
