package pentacell.cli;

import java.io.IOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import pentacell.core.Chapters;
import pentacell.instruments.demo.DemoRuns;
import pentacell.workshop.PersonFolder;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.exchange.OutputFile;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;

/// The demo workshop as a file. Its story ends today, and takes seconds to tell: it is told once a
/// day by each version of the program, and copied after that.
final class DemoWorkshop {
    private static final String ENDING = ".pentacell";

    private final Path folder;

    /// @param folder where the story once told is kept
    DemoWorkshop(Path folder) {
        this.folder = folder;
    }

    /// The demo's folder of the person who is logged in.
    static Path folderOfPerson() {
        return PersonFolder.path().resolve("demo");
    }

    /// Puts the demo in a file, in the place of whatever was there.
    ///
    /// @param isFresh whether it is made again even when a copy is kept
    /// @throws IOException when the file is open, or could not be written
    void put(Path file, boolean isFresh) throws IOException, LogbookException {
        Files.createDirectories(file.toAbsolutePath().getParent());
        told(isFresh, made -> Logbook.replace(file, made));
    }

    /// Writes the demo to a file of somebody's choice.
    ///
    /// @param isForced whether a file that is there is replaced; a workshop never is
    /// @throws OutputFile.Refused when something is there that is to stay
    void write(Path file, boolean isFresh, boolean isForced) throws IOException, LogbookException {
        OutputFile.check(file, List.of());
        if (!isForced && Files.exists(file) && !OutputFile.isNowhere(file))
            throw new OutputFile.Refused(
                    file + " is there already. Choose another name, or say --force to replace it.");
        told(
                isFresh,
                made ->
                        OutputFile.write(
                                file,
                                unfinished ->
                                        Files.copy(
                                                made,
                                                unfinished,
                                                StandardCopyOption.REPLACE_EXISTING)));
    }

    private interface Taker {
        void take(Path made) throws IOException;
    }

    /// Tells the story, or takes it as it was told today.
    private void told(boolean isFresh, Taker taker) throws IOException, LogbookException {
        Optional<String> version = version();
        if (version.isEmpty()) {
            Path folder = Files.createTempDirectory("pentacell");
            try {
                Path made = folder.resolve("demo" + ENDING);
                write(made);
                taker.take(made);
            } finally {
                delete(folder);
            }
            return;
        }
        Path kept =
                folder.resolve("kept")
                        .resolve(
                                LocalDate.now(ZoneId.systemDefault())
                                        + "-"
                                        + version.get()
                                        + ENDING);
        if (isFresh || !Files.exists(kept)) keep(kept);
        taker.take(kept);
    }

    private static void keep(Path kept) throws IOException, LogbookException {
        Files.createDirectories(kept.getParent());
        try (Stream<Path> older = Files.list(kept.getParent())) {
            for (Path each : older.toList()) delete(each);
        }
        // under its name only when it is whole
        Path unfinished = Files.createTempDirectory(kept.getParent(), "unfinished");
        Path made = unfinished.resolve("demo" + ENDING);
        write(made);
        Files.move(made, kept, StandardCopyOption.ATOMIC_MOVE);
        // with what a workshop keeps beside it
        delete(unfinished);
    }

    private static void delete(Path fileOrFolder) throws IOException {
        try (Stream<Path> all = Files.walk(fileOrFolder)) {
            for (Path each : all.sorted(Comparator.reverseOrder()).toList()) Files.delete(each);
        }
    }

    /// Tells the story into a file that is not there yet.
    static void write(Path file) throws IOException, LogbookException {
        try (Logbook logbook = opened(file)) {
            logbook.logAll(TarnHollow.journal());
            DemoRuns.addTo(logbook, Clock.systemUTC().instant());
        }
    }

    static Logbook opened(Path file) throws IOException {
        return switch (Logbook.open(file, Clock.systemUTC())) {
            case Opening.Opened opened -> opened.logbook();
            case Opening.Refused refused -> throw new IOException(refused.message());
            case Opening.Damaged damaged -> throw new IOException(damaged.damage().message());
        };
    }

    /// Which program this is, by the times of its archives; empty when it does not run from
    /// archives, and may change under our hands.
    private static Optional<String> version() throws IOException {
        List<String> times = new ArrayList<>();
        for (Class<?> each :
                List.of(Chapters.class, TarnHollow.class, DemoRuns.class, Main.class)) {
            Path archive;
            try {
                archive = Path.of(each.getProtectionDomain().getCodeSource().getLocation().toURI());
            } catch (URISyntaxException odd) {
                return Optional.empty();
            }
            if (!Files.isRegularFile(archive)) return Optional.empty();
            times.add(Files.getLastModifiedTime(archive) + " " + Files.size(archive));
        }
        return Optional.of(Integer.toHexString(times.hashCode()));
    }
}
