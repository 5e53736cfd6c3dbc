package pentacell.desktop.frame;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import pentacell.workshop.exchange.OutputFile;

/// Asks where a file goes, makes it away from the UI thread, and says what became of it.
public final class Saving {
    private Saving() {}

    /// Saves a file whole or not at all.
    ///
    /// @param content makes its bytes
    /// @param onSaved runs on the UI thread when it is written
    public static void save(
            Desk desk,
            FileAsk files,
            String title,
            String proposed,
            Callable<byte[]> content,
            Runnable onSaved) {
        Optional<Path> file = files.whereTo(title, proposed);
        if (file.isEmpty()) return;
        desk.work()
                .lane("files")
                .run(
                        () -> {
                            try {
                                OutputFile.write(file.get(), content.call());
                                return Optional.<String>empty();
                            } catch (OutputFile.Refused | OutputFile.NotWritten failure) {
                                return Optional.of(String.valueOf(failure.getMessage()));
                            } catch (IOException failure) {
                                return Optional.of(
                                        "Could not write %s: %s. Choose another folder, or free some room."
                                                .formatted(file.get(), failure.getMessage()));
                            }
                        },
                        problem -> {
                            desk.notices().say(problem.orElse("Written to " + file.get() + "."));
                            if (problem.isEmpty()) onSaved.run();
                        });
    }

    /// Saves a text.
    public static void saveText(
            Desk desk, FileAsk files, String title, String proposed, String text) {
        save(
                desk,
                files,
                title,
                proposed,
                () -> text.getBytes(java.nio.charset.StandardCharsets.UTF_8),
                () -> {});
    }
}
