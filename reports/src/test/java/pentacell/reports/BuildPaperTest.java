package pentacell.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.w3c.dom.Element;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.LayoutSearch;
import pentacell.core.build.LayoutWish;
import pentacell.core.build.PackCurrents.Source;
import pentacell.core.build.WiringParts;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.cell.CellFormat;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Packing;
import pentacell.core.plan.facts.Wiring;

/// Faces in their own size and the name plate, read back from the paper.
final class BuildPaperTest {
    private static final CellFormat CAN = CellFormat.parse("18650").orElseThrow();
    private static final double POINTS_A_MILLIMETRE = 72 / 25.4;

    private static JudgedLayout block(int series, int parallel) {
        return block(series, parallel, Optional.empty());
    }

    private static JudgedLayout block(int series, int parallel, Optional<Box> box) {
        List<Integer> sizes = Collections.nCopies(series, parallel);
        return LayoutSearch.of(
                        new LayoutWish(
                                sizes,
                                List.of(),
                                CAN,
                                Packing.USUAL,
                                box,
                                EnumSet.of(Grid.Pattern.SQUARE),
                                LayoutWish.Ends.ANYWHERE,
                                TakeOff.EDGE,
                                List.of()),
                        new JudgedLayout.Electric(
                                WiringParts.of(Wiring.USUAL, 2.5, 69),
                                sizes.stream()
                                        .map(size ->
                                                Collections.nCopies(size, new Source(3.7, 0.05)))
                                        .toList(),
                                5,
                                20),
                        () -> false)
                .get(0);
    }

    /// What is written where on a page.
    private static final class Places extends PDFTextStripper {
        private final List<TextPosition> all = new ArrayList<>();

        @Override
        protected void writeString(String text, List<TextPosition> positions) {
            all.addAll(positions);
        }

        static List<TextPosition> on(PDDocument document, int page) throws IOException {
            Places places = new Places();
            places.setStartPage(page);
            places.setEndPage(page);
            places.getText(document);
            return places.all;
        }
    }

    @ParameterizedTest
    @CsvSource({"A4, 4, 5", "LETTER, 3, 4"})
    void cansAreAsFarApartOnPaperAsInTheHolder(Paper paper, int series, int parallel)
            throws IOException {
        JudgedLayout block = block(series, parallel);
        try (PDDocument document = Loader.loadPDF(new FacesPaper("Gate", block, CAN).pdf(paper))) {
            assertEquals(2, document.getNumberOfPages(), "a face on each");
            // a can's number is smaller than a joint's
            List<TextPosition> ones =
                    Places.on(document, 1).stream()
                            .filter(each -> each.getUnicode().equals("1") && each.getY() > 70)
                            .toList();
            double size =
                    ones.stream().mapToDouble(TextPosition::getFontSizeInPt).min().orElseThrow();
            List<TextPosition> groupOne =
                    ones.stream().filter(each -> each.getFontSizeInPt() < size + 0.01).toList();
            assertEquals(parallel, groupOne.size());
            double nearest = Double.POSITIVE_INFINITY;
            for (TextPosition one : groupOne)
                for (TextPosition other : groupOne)
                    if (!one.equals(other))
                        nearest =
                                Math.min(
                                        nearest,
                                        Math.hypot(
                                                one.getX() - other.getX(),
                                                one.getY() - other.getY()));
            assertEquals(20 * POINTS_A_MILLIMETRE, nearest, 0.1);
            assertTrue(
                    new PDFTextStripper().getText(document).contains("50 mm"),
                    "a bar to check the printer");
        }
    }

    @Test
    void whatIsTooLargeIsTiled() throws IOException {
        JudgedLayout block = block(14, 20);
        try (PDDocument document =
                Loader.loadPDF(new FacesPaper("House", block, CAN).pdf(Paper.A4))) {
            int pages = document.getNumberOfPages();
            assertTrue(pages >= 4 && pages % 2 == 0, "pages " + pages);
            assertTrue(
                    new PDFTextStripper().getText(document).contains("sheet A1 of " + pages / 2));
        }
    }

    /// Whatever a pack is called, the picture can be read (XML 1.0) and has its own size.
    @Test
    void thePictureIsWellFormedAndInItsOwnSize() throws Exception {
        JudgedLayout block = block(7, 4);
        String svg = new FacesPaper("Long \u0007<night> & \u001b[31m \"24 V\"", block, CAN).svg();
        Element root =
                DocumentBuilderFactory.newDefaultNSInstance()
                        .newDocumentBuilder()
                        .parse(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)))
                        .getDocumentElement();
        assertEquals("http://www.w3.org/2000/svg", root.getNamespaceURI());
        assertTrue(root.getAttribute("width").endsWith("mm"));
        double millimetres = Double.parseDouble(root.getAttribute("width").replace("mm", ""));
        double points = Double.parseDouble(root.getAttribute("viewBox").split(" ")[2]);
        assertEquals(25.4 / 72, millimetres / points, 1e-4, "an inch has 72 points");
        assertTrue(
                root.getElementsByTagName("text")
                        .item(0)
                        .getTextContent()
                        .startsWith("Long \ufffd<night> & \ufffd[31m \"24 V\""));
        assertTrue(
                root.getElementsByTagName("circle").getLength() >= 2 * 28, "each can on each face");
    }

    @Test
    void layersArePrintedFlatWithTheFoldMarked() throws IOException {
        JudgedLayout block = block(7, 10, Optional.of(new Box(199, 104, 145)));
        assertEquals(2, block.layout().grid().layers());
        FacesPaper paper = new FacesPaper("Folded", block, CAN);
        try (PDDocument document = Loader.loadPDF(paper.pdf(Paper.A4))) {
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains("layer 2"), text);
        }
        assertTrue(paper.svg().contains("layer 2"));
    }

    @ParameterizedTest
    @EnumSource(NamePlate.Size.class)
    void aPlateHoldsEveryLine(NamePlate.Size size) throws IOException {
        NamePlate plate =
                new NamePlate(
                        "Long night 24 V",
                        List.of("7S10P · 25.2 V · 22.3 Ah", "full 29.4 V, empty 21.0 V"),
                        "Salvaged cells.");
        try (PDDocument document = Loader.loadPDF(plate.pdf(size))) {
            assertEquals(1, document.getNumberOfPages());
            String text = new PDFTextStripper().getText(document);
            for (String line : plate.lines()) assertTrue(text.contains(line), text);
            assertTrue(text.contains("Salvaged cells."));
            for (TextPosition each : Places.on(document, 1))
                assertTrue(
                        each.getX() + each.getWidth()
                                < document.getPage(0).getMediaBox().getWidth(),
                        "nothing runs off the plate");
        }
    }
}
