package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.stream.Stream;

/// Copies of a workshop file, one at each opening that finds something new, the last five kept.
final class Backups {
    private static final int KEPT = 5;
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HHmmss").withZone(ZoneOffset.UTC);

    private Backups() {}

    /// The folder the copies of a file are kept in.
    static Path folder(Path workshop) {
        return workshop.resolveSibling(workshop.getFileName() + "-backups");
    }

    static void rotate(Connection database, Path workshop, long acts, Instant now)
            throws SQLException, IOException {
        if (acts == 0) return;
        Path folder = folder(workshop);
        Files.createDirectories(folder);
        List<Path> before = list(folder);
        String ending = "-" + acts + ".pentacell";
        if (before.stream().anyMatch(copy -> copy.toString().endsWith(ending))) return;
        Path copy = folder.resolve(STAMP.format(now) + ending);
        try (PreparedStatement vacuum = database.prepareStatement("VACUUM INTO ?")) {
            vacuum.setString(1, copy.toString());
            vacuum.execute();
        }
        List<Path> all = list(folder);
        for (Path old : all.subList(0, Math.max(0, all.size() - KEPT))) Files.delete(old);
    }

    private static List<Path> list(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".pentacell")).sorted().toList();
        }
    }
}
