package pentacell.desktop.frame;

import java.nio.file.Path;
import java.util.Optional;

/// Asks a person for a file; the system's own dialog when the program runs, something simpler in
/// tests.
public interface FileAsk {
    /// Nobody is there to be asked.
    FileAsk NOBODY =
            new FileAsk() {
                @Override
                public Optional<Path> whereTo(String title, String proposed) {
                    return Optional.empty();
                }

                @Override
                public Optional<Path> which(String title, String kind, String pattern) {
                    return Optional.empty();
                }
            };

    /// Where to write; empty when the person thinks better of it.
    ///
    /// @param proposed a file name to begin with
    Optional<Path> whereTo(String title, String proposed);

    /// What to read; empty when the person thinks better of it.
    ///
    /// @param kind what is wanted in words, such as `Tables of cells`
    /// @param pattern such as `*.csv`
    Optional<Path> which(String title, String kind, String pattern);
}
