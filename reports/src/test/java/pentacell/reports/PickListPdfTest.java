package pentacell.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.build.PickLine;
import pentacell.core.build.PickWalk.Order;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Place;

final class PickListPdfTest {

    @ParameterizedTest(name = "{0}: {1} × {2} mm")
    // ISO 216 A4 is 210 × 297 mm; ANSI Y14.1 Letter is 8.5 × 11 in = 215.9 × 279.4 mm
    @CsvSource({"A4, 210, 297", "LETTER, 215.9, 279.4"})
    void everyCellIsOnThePaperOfTheSizeAskedFor(Paper paper, double width, double height)
            throws IOException {
        try (PDDocument document = document(walk(90), Order.BY_PLACE, paper)) {
            assertEquals(width, document.getPage(0).getMediaBox().getWidth() * 25.4 / 72, 0.5);
            assertEquals(height, document.getPage(0).getMediaBox().getHeight() * 25.4 / 72, 0.5);
            String text = new PDFTextStripper().getText(document);
            for (PickLine line : walk(90))
                assertTrue(text.contains(line.cell().text()), line.cell().text());
            assertTrue(
                    text.contains("page 3 of 3") && text.contains("mΩ") && text.contains("T1-A01"),
                    text);
        }
    }

    @ParameterizedTest
    @EnumSource(Order.class)
    void anEmptyWalkAndOddLettersStillGiveAPage(Order order) throws IOException {
        try (PDDocument document = document(List.of(), order, Paper.A4)) {
            assertEquals(1, document.getNumberOfPages());
        }
        PickLine odd =
                new PickLine(
                        new CellId("ꙮ-1"),
                        Optional.empty(),
                        1,
                        1,
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        true);
        try (PDDocument document = document(List.of(odd), order, Paper.A4)) {
            assertTrue(new PDFTextStripper().getText(document).contains("?-1"));
        }
    }

    private static List<PickLine> walk(int cells) {
        return IntStream.range(0, cells)
                .mapToObj(i ->
                        new PickLine(
                                new CellId("C-" + (100 + i)),
                                Optional.of(new Place("T1", i / 12 + 1, i % 12 + 1)),
                                i % 7 + 1,
                                i / 7 + 1,
                                OptionalDouble.of(2100 + i),
                                OptionalDouble.of(50.5),
                                i < 3))
                .toList();
    }

    private static PDDocument document(List<PickLine> walk, Order order, Paper paper)
            throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PickListPdf.write(
                out,
                new PickListPdf.Heading("Long night", "7S10P", order, "10 January 2026"),
                walk,
                paper);
        return Loader.loadPDF(out.toByteArray());
    }
}
