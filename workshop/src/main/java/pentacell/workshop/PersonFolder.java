package pentacell.workshop;

import java.nio.file.Path;

/// The folder of the person who is logged in, where the program keeps what belongs to no workshop.
public final class PersonFolder {
    private PersonFolder() {}

    /// The folder; that for temporary files where the person has no home.
    public static Path path() {
        String home = System.getProperty("user.home", "?");
        return home.isBlank() || home.equals("?") || home.equals("/nonexistent")
                ? Path.of(System.getProperty("java.io.tmpdir"), "pentacell")
                : Path.of(home, ".pentacell");
    }

    /// The program's own log; the newest of its files.
    public static Path log() {
        return path().resolve("log.txt");
    }
}
