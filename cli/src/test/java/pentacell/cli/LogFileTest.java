package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.util.LogbackMDCAdapter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

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
        List<String> lines = Files.readAllLines(LogFile.newest());
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
        try (Stream<Path> files = Files.list(LogFile.newest().getParent())) {
            List<Path> all = files.toList();
            assertTrue(all.size() <= 4, all::toString);
            assertTrue(all.contains(LogFile.newest()), all::toString);
        }
    }
}
