package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Papers of the demo: every page has its footer, and no heading or table head is left alone at the
/// foot of one.
@Tag("exhaustive")
final class PapersTest {
    private static final Set<String> HEADINGS =
            Set.of(
                    "Both faces",
                    "What flows",
                    "Steps",
                    "Balance plug",
                    "Cells",
                    "Load tests",
                    "Groups",
                    "In the system",
                    "What lots gave",
                    "Parts",
                    "Checks");

    @TempDir private static Path folder;
    private static Path workshop = Path.of("");

    @BeforeAll
    static void theDemo() throws Exception {
        workshop = folder.resolve("demo.pentacell");
        new DemoWorkshop(folder.resolve("kept")).write(workshop, false, false);
    }

    private static List<List<String>> pages(String what, String pack, String paper)
            throws Exception {
        Path out = folder.resolve(what + paper + ".pdf");
        List<String> words =
                new ArrayList<>(
                        List.of(
                                "report",
                                workshop.toString(),
                                "--what",
                                what,
                                "--paper",
                                paper,
                                "--out",
                                out.toString()));
        if (!pack.isEmpty()) words.addAll(List.of("--pack", pack));
        Commands commands = new Commands(folder);
        assertEquals(Exit.DONE, commands.run(words.toArray(String[]::new)), commands.errors());
        List<List<String>> pages = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(Files.readAllBytes(out))) {
            for (int page = 1; page <= document.getNumberOfPages(); page++) {
                PDFTextStripper text = new PDFTextStripper();
                text.setSortByPosition(true);
                text.setStartPage(page);
                text.setEndPage(page);
                pages.add(text.getText(document).strip().lines().map(String::strip).toList());
            }
        }
        return pages;
    }

    @ParameterizedTest
    @CsvSource({
        "build-book, Long night 24 V, A4",
        "build-book, Long night 24 V, LETTER",
        "build-book, Red lamps 12 V, A4",
        "pack, Long night 24 V, A4",
        "pack, Red lamps 12 V, LETTER",
        "pick-list, Dome shutter 12 V, A4",
        "donors, '', A4",
        "donors, '', LETTER"
    })
    void everyPageHasItsFooterAndNoHeadingStandsAlone(String what, String pack, String paper)
            throws Exception {
        List<List<String>> pages = pages(what, pack, paper);
        for (int page = 0; page < pages.size(); page++) {
            List<String> lines = pages.get(page);
            String footer = lines.getLast();
            assertTrue(
                    footer.matches(".+ · .+ page %d of %d".formatted(page + 1, pages.size())),
                    footer);
            if (!pack.isEmpty()) assertTrue(footer.contains(pack), footer);
            String last = lines.get(lines.size() - 2);
            assertFalse(HEADINGS.contains(last), "page %d ends in %s".formatted(page + 1, last));
        }
    }

    @Test
    void aTableThatGoesOnHasItsHeadAgain() throws Exception {
        List<List<String>> pages = pages("build-book", "Long night 24 V", "A4");
        int withCells = 0;
        for (List<String> lines : pages) {
            boolean hasRow =
                    lines.stream()
                            .anyMatch(line -> line.matches("[A-Z]{2}\\d\\d-\\d\\d \\d+ column .*"));
            if (!hasRow) continue;
            withCells++;
            assertTrue(
                    lines.stream().anyMatch(line -> line.startsWith("cell group place")),
                    () -> String.join("\n", lines));
        }
        assertTrue(withCells > 0, () -> pages.toString());
    }

    @Test
    void theReportOfATestedPackShowsItsPictures() throws Exception {
        String text = pages("pack", "Long night 24 V", "A4").toString();
        assertTrue(text.contains("The groups over the charge given"), text);
        assertTrue(text.contains("What each group is missing"), text);
    }
}
