package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/// What can be done with a workshop file that is not whole. The damaged file itself is kept under
/// another name.
public final class Recovery {
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("uuuu-MM-dd-HHmmss", Locale.ROOT);

    private Recovery() {}

    /// Puts a copy in the place of a damaged file, which is kept beside it.
    ///
    /// @return where the damaged file is now; empty when there was none
    /// @throws IOException when somebody has the file open, or it could not be done; the damaged
    ///   file is in its place then
    public static Optional<Path> takeCopy(Path damaged, Path copy, Instant now) throws IOException {
        Path[] aside = new Path[1];
        inPlaceOf(
                damaged,
                file -> {
                    Optional<Path> kept = setAside(file, now);
                    new KnownHead(file).forget();
                    try {
                        Files.copy(copy, file);
                    } catch (IOException failure) {
                        Files.deleteIfExists(file);
                        if (kept.isPresent()) bringBack(kept.get(), file);
                        throw failure;
                    }
                    kept.ifPresent(path -> aside[0] = path);
                });
        return Optional.ofNullable(aside[0]);
    }

    /// Lets a file that lost its end be opened as it is: what is in it now counts.
    public static void goOn(Path file) throws IOException {
        inPlaceOf(file, real -> new KnownHead(real).forget());
    }

    /// Makes room for a new workshop where one was lost: what is left of it and its copies are kept
    /// under other names.
    public static void beginAnew(Path lost, Instant now) throws IOException {
        inPlaceOf(
                lost,
                file -> {
                    setAside(file, now);
                    Path copies = Backups.folder(file);
                    if (Files.isDirectory(copies)) Files.move(copies, aside(copies, now));
                });
    }

    interface Work {
        void on(Path real) throws IOException;
    }

    /// Works on a file that nobody has open.
    static void inPlaceOf(Path named, Work work) throws IOException {
        Path file = LogbookFile.real(named);
        Optional<FileLock> lock = FileLock.take(file);
        if (lock.isEmpty()) throw new IOException(FileLock.taken(file));
        try {
            work.on(file);
        } finally {
            lock.get().close();
        }
    }

    /// Deletes what is left of a file beside it: it would be taken for part of the one that comes.
    static void forget(Path file) throws IOException {
        for (Path beside : beside(file)) Files.deleteIfExists(beside);
        Path copies = Backups.folder(file);
        if (!Files.isDirectory(copies)) return;
        try (Stream<Path> all = Files.list(copies)) {
            for (Path each : all.toList()) Files.delete(each);
        }
        Files.delete(copies);
    }

    private static List<Path> beside(Path file) {
        return Stream.of("-wal", "-shm")
                .map(ending -> file.resolveSibling(file.getFileName() + ending))
                .toList();
    }

    private static Optional<Path> setAside(Path file, Instant now) throws IOException {
        Optional<Path> kept = Optional.empty();
        if (Files.exists(file)) {
            Path aside = aside(file, now);
            Files.move(file, aside);
            kept = Optional.of(aside);
            Path changes = Snapshot.changes(file);
            if (Files.exists(changes)) Files.move(changes, Snapshot.changes(aside));
        }
        for (Path beside : beside(file)) Files.deleteIfExists(beside);
        return kept;
    }

    private static void bringBack(Path aside, Path file) throws IOException {
        Files.move(aside, file, StandardCopyOption.REPLACE_EXISTING);
        Path changes = Snapshot.changes(aside);
        if (Files.exists(changes)) Files.move(changes, Snapshot.changes(file));
    }

    private static Path aside(Path file, Instant now) {
        String name = String.valueOf(file.getFileName());
        String stamp = STAMP.format(LocalDateTime.ofInstant(now, ZoneId.systemDefault()));
        int dot = Files.isDirectory(file) ? -1 : name.lastIndexOf('.');
        String begin =
                dot <= 0
                        ? name + "-set-aside-" + stamp
                        : name.substring(0, dot) + "-damaged-" + stamp;
        String ending = dot <= 0 ? "" : name.substring(dot);
        Path aside = file.resolveSibling(begin + ending);
        for (int number = 2; Files.exists(aside); number++)
            aside = file.resolveSibling(begin + "-" + number + ending);
        return aside;
    }
}
