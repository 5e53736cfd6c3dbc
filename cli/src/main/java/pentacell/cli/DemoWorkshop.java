package pentacell.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import pentacell.instruments.demo.DemoRuns;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// Writes the demo workshop to a file.
final class DemoWorkshop {
    private DemoWorkshop() {}

    /// Makes the demo's file anew, unless somebody has it open.
    static void write(Path file) throws IOException, LogbookException {
        Files.createDirectories(file.toAbsolutePath().getParent());
        // an open file is refused here, before anything of it is touched
        if (Files.exists(file)) {
            opened(file).close();
            Files.delete(file);
            for (String beside : new String[] {"-wal", "-shm"})
                Files.deleteIfExists(file.resolveSibling(file.getFileName() + beside));
        }
        try (Logbook logbook = opened(file)) {
            logbook.logAll(TarnHollow.journal());
            DemoRuns.addTo(logbook, Instant.now());
        }
    }

    private static Logbook opened(Path file) throws IOException {
        return switch (Logbook.open(file, Clock.systemUTC())) {
            case Opening.Opened opened -> opened.logbook();
            case Opening.Refused refused -> throw new IOException(refused.message());
        };
    }
}
