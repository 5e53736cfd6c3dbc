package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.util.LogbackMDCAdapter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.workshop.PersonFolder;

/// The log of the program in the person's folder.
final class LogFileTest {
    @TempDir private Path home;

    private final LoggerContext context = new LoggerContext();
    private String homeBefore = "";

    @BeforeEach
    void atHome() {
        homeBefore = System.setProperty("user.home", home.toString());
        context.setMDCAdapter(new LogbackMDCAdapter());
        LogFile logFile = new LogFile();
        logFile.setContext(context);
        logFile.configure(context);
    }

    @AfterEach
    void away() {
        context.stop();
        System.setProperty("user.home", homeBefore);
    }

    @Test
    void whatIsWorthTellingIsWrittenWithItsTimeAndPlace() throws IOException {
        context.getLogger("pentacell.bench").warn("a line is gone");
        context.getLogger("pentacell.bench").debug("an answer nobody waits for");
        context.getLogger("org.apache.pdfbox.font").warn("an odd glyph");
        List<String> lines = Files.readAllLines(PersonFolder.log());
        assertEquals(1, lines.size(), lines::toString);
        assertTrue(
                lines.get(0)
                        .matches("\\d{4}-\\d\\d-\\d\\d [\\d:]{8} WARN +pentacell\\.bench .*gone"),
                lines::toString);
    }

    @Test
    void aFullFileIsPutAsideAndFourAreKeptAtMost() throws IOException {
        String line = "x".repeat(200_000);
        for (int i = 0; i < 60; i++) context.getLogger("pentacell.bench").warn(line);
        try (Stream<Path> files = Files.list(PersonFolder.log().getParent())) {
            List<Path> all = files.toList();
            assertTrue(all.size() <= 4, all::toString);
            assertTrue(all.contains(PersonFolder.log()), all::toString);
        }
    }

    @Test
    void aFloodOfLinesStaysWithinAFewMegabytes() throws IOException {
        String line = "y".repeat(500);
        for (int i = 0; i < 40_000; i++) context.getLogger("pentacell.bench").warn(line);
        try (Stream<Path> files = Files.list(PersonFolder.log().getParent())) {
            long bytes = files.mapToLong(file -> file.toFile().length()).sum();
            assertTrue(bytes < 5_000_000, bytes + " bytes of 20 MB are kept");
        }
    }

    @Test
    void nothingIsSaidOnStandardOutputWhenTheLogCannotBeWritten() throws IOException {
        context.stop();
        Files.writeString(Files.createDirectories(home.resolve("x")).resolve(".pentacell"), "");
        System.setProperty("user.home", home.resolve("x").toString());
        PrintStream before = System.out;
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
        try {
            LogFile again = new LogFile();
            again.setContext(context);
            again.configure(context);
            context.getLogger("pentacell.bench").warn("nobody reads this");
        } finally {
            System.setOut(before);
        }
        assertEquals("", said.toString(StandardCharsets.UTF_8));
    }
}
