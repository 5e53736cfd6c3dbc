package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/// Copies of a workshop file. A copy counts when it was written whole and found whole; it takes the
/// place of older ones only then. The latest are kept, then one a day for a week, then one a week
/// for two months.
final class Backups {
    private static final int LATEST = 3;
    private static final Duration DAILY = Duration.ofDays(7);
    private static final Duration WEEKLY = Duration.ofDays(60);
    private static final int DIGITS = 8;
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HHmmss", Locale.ROOT);
    private static final Pattern NAME =
            Pattern.compile(
                    "(\\d{4}-\\d\\d-\\d\\dT\\d{6})-(\\d{1,15})(?:-([0-9a-f]{"
                            + DIGITS
                            + "}))?\\.pentacell");
    private static final String UNFINISHED = ".unfinished";

    private final Path folder;

    /// A copy, by its name.
    ///
    /// @param acts acts in it
    /// @param mark first digits of the digest of its last act; empty for copies of earlier programs
    record Copy(Path file, Instant at, long acts, String mark) {}

    Backups(Path workshop) {
        folder = folder(workshop);
    }

    /// The folder the copies of a file are kept in.
    static Path folder(Path workshop) {
        return workshop.resolveSibling(workshop.getFileName() + "-backups");
    }

    /// All copies, latest first; those without a byte are none.
    List<Copy> all() throws IOException {
        if (!Files.isDirectory(folder)) return List.of();
        List<Copy> copies = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path each : files.toList())
                if (Files.isRegularFile(each) && Files.size(each) > 0)
                    copy(each).ifPresent(copies::add);
        }
        copies.sort(Comparator.comparing(Copy::at).thenComparingLong(Copy::acts).reversed());
        return copies;
    }

    private static Optional<Copy> copy(Path file) {
        Matcher name = NAME.matcher(String.valueOf(file.getFileName()));
        if (!name.matches()) return Optional.empty();
        try {
            Instant at = LocalDateTime.parse(name.group(1), STAMP).toInstant(ZoneOffset.UTC);
            String mark = name.group(3) == null ? "" : name.group(3);
            return Optional.of(new Copy(file, at, Long.parseLong(name.group(2)), mark));
        } catch (DateTimeException odd) {
            return Optional.empty();
        }
    }

    /// The latest copy that is whole, if any.
    Optional<Copy> newestWhole() throws IOException {
        for (Copy each : all()) if (isWhole(each)) return Optional.of(each);
        return Optional.empty();
    }

    /// Whether a copy can be read from its first act to the last it should have.
    static boolean isWhole(Copy copy) {
        return end(copy.file())
                .filter(head -> head.act() == copy.acts() && head.digest().startsWith(copy.mark()))
                .isPresent();
    }

    /// Where the journal in a copy ends; empty when the copy is not whole.
    private static Optional<Head> end(Path file) {
        try (Connection database = Database.reading(file)) {
            if (!Wholeness.structure(database).isEmpty()) return Optional.empty();
            List<Problem> problems = new ArrayList<>();
            Head head =
                    new JournalWalk(
                                    database,
                                    Database.pragma(database, "user_version"),
                                    Optional.empty(),
                                    act -> {},
                                    problems::add)
                            .walk();
            return problems.isEmpty() ? Optional.of(head) : Optional.empty();
        } catch (SQLException unreadable) {
            return Optional.empty();
        }
    }

    /// Whether there is a copy of a journal that ends so.
    boolean has(Head head) throws IOException {
        return all().stream()
                .anyMatch(
                        each -> each.acts() == head.act() && head.digest().startsWith(each.mark()));
    }

    /// Copies a workshop that was found whole, unless there is a copy of it as it stands.
    ///
    /// @param database the workshop, with no transaction open
    /// @param head where its journal ends, or ended a moment ago
    /// @throws IOException when the copy could not be written, or is not whole; the older ones stay
    void add(Connection database, Head head, Instant now) throws SQLException, IOException {
        if (head.act() == 0) return;
        Files.createDirectories(folder);
        clearUnfinished();
        if (has(head)) return;
        Path unfinished = folder.resolve("copy" + UNFINISHED);
        try {
            try (PreparedStatement vacuum = database.prepareStatement("VACUUM INTO ?")) {
                vacuum.setString(1, unfinished.toString());
                vacuum.execute();
            }
            Head end =
                    end(unfinished)
                            .filter(copied -> copied.act() >= head.act())
                            .orElseThrow(() -> new IOException("the copy is not whole"));
            try (FileChannel written = FileChannel.open(unfinished, StandardOpenOption.WRITE)) {
                written.force(true);
            }
            String stamp = STAMP.format(LocalDateTime.ofInstant(now, ZoneOffset.UTC));
            String mark = end.digest().substring(0, DIGITS);
            Files.move(
                    unfinished,
                    folder.resolve("%s-%d-%s.pentacell".formatted(stamp, end.act(), mark)),
                    StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(unfinished);
        }
        for (Copy old : superfluous(all(), now)) Files.delete(old.file());
    }

    private void clearUnfinished() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            for (Path each : files.toList())
                if (each.toString().endsWith(UNFINISHED)) Files.delete(each);
        }
    }

    /// The copies that can go: neither among the latest, nor the last of their day or week.
    static List<Copy> superfluous(List<Copy> latestFirst, Instant now) {
        Set<Object> kept = new HashSet<>();
        List<Copy> superfluous = new ArrayList<>();
        for (int i = 0; i < latestFirst.size(); i++) {
            Copy each = latestFirst.get(i);
            Duration age = Duration.between(each.at(), now);
            LocalDate day = LocalDate.ofInstant(each.at(), ZoneOffset.UTC);
            String week =
                    day.get(IsoFields.WEEK_BASED_YEAR)
                            + "W"
                            + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
            boolean isFirstOfDay = kept.add(day);
            boolean isFirstOfWeek = kept.add(week);
            boolean isKept =
                    i < LATEST
                            || isFirstOfDay && age.compareTo(DAILY) <= 0
                            || isFirstOfWeek && age.compareTo(WEEKLY) <= 0;
            if (!isKept) superfluous.add(each);
        }
        return superfluous;
    }
}
