package pentacell.workshop.logbook;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/// Looks after an open workshop file in the background: whether it is still in its place, whether
/// it is whole to the last page, whether it has a copy, whether a copy of the file alone would hold
/// everything.
final class Caretaker implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Caretaker.class);
    private static final Duration BETWEEN_LOOKS = Duration.ofSeconds(2);
    private static final Duration AFTER_START = Duration.ofSeconds(4);
    private static final Duration BETWEEN_COPIES = Duration.ofHours(1);
    private static final Duration PATIENCE_AT_CLOSING = Duration.ofSeconds(20);

    /// Without a write for so long the file is idle.
    static final Duration IDLE = Duration.ofSeconds(20);

    private final JournalFile file;
    private final Clock clock;
    private final Backups backups;
    private final KnownHead known;
    private final Consumer<String> trouble;
    private final ScheduledExecutorService thread =
            Executors.newSingleThreadScheduledExecutor(
                    Thread.ofPlatform().daemon().name("caretaker").factory());
    private Optional<String> said = Optional.empty();
    private Optional<ScheduledFuture<?>> firstCopy = Optional.empty();
    private long copiedAt = System.nanoTime();

    /// @param file looked after
    /// @param trouble hears what is the matter, in words for a person
    Caretaker(JournalFile file, Clock clock, Consumer<String> trouble) {
        this.file = file;
        this.clock = clock;
        this.backups = new Backups(file.file());
        this.known = new KnownHead(file.file());
        this.trouble = trouble;
    }

    /// Begins: a deep look and a copy once the program has started, and small looks all the time.
    void begin() {
        firstCopy =
                Optional.of(
                        thread.schedule(this::copy, AFTER_START.toMillis(), TimeUnit.MILLISECONDS));
        var _ =
                thread.scheduleWithFixedDelay(
                        () -> {
                            try {
                                look();
                            } catch (RuntimeException failure) {
                                LOG.warn("could not look after {}", file.file(), failure);
                            }
                        },
                        BETWEEN_LOOKS.toMillis(),
                        BETWEEN_LOOKS.toMillis(),
                        TimeUnit.MILLISECONDS);
    }

    /// Looks once.
    void look() {
        Optional<String> gone = file.gone();
        if (!gone.equals(said)) {
            said = gone;
            trouble.accept(gone.orElse(file.file() + " is back in its place. Work can go on."));
        }
        if (gone.isPresent()) return;
        if (file.idleFor().compareTo(IDLE) >= 0) settle();
        if (System.nanoTime() - copiedAt > BETWEEN_COPIES.toNanos()) copy();
    }

    /// Takes the log of changes up into the file, and keeps where it ends.
    void settle() {
        if (file.checkpoint()) remember();
    }

    private void remember() {
        try {
            known.write(file.head());
        } catch (IOException failure) {
            LOG.warn("could not keep where {} ends", file.file(), failure);
        }
    }

    /// Looks at the file to its last page, and copies it when it is whole.
    void copy() {
        copiedAt = System.nanoTime();
        if (file.gone().isPresent()) return;
        try (Connection database = Database.reading(file.file())) {
            List<Problem> problems = new ArrayList<>(Wholeness.deep(database));
            problems.addAll(Wholeness.samples(database, Database.FORMAT));
            if (problems.isEmpty()) {
                backups.add(database, JournalRows.head(database), clock.instant());
                return;
            }
            trouble.accept(
                    "%s is damaged (%s: %s). No copy of it was made; those of earlier days are kept. Close it and open it again to see what can be done."
                            .formatted(
                                    file.file(),
                                    problems.get(0).where(),
                                    problems.get(0).sentence()));
        } catch (SQLException | IOException failure) {
            // work can go on without a copy
            LOG.warn("could not copy {}", file.file(), failure);
        }
    }

    /// Ends after what is under way, and keeps where the file ends.
    @Override
    public void close() {
        boolean isCopyDue = firstCopy.filter(due -> due.cancel(false)).isPresent();
        thread.shutdown();
        try {
            if (!thread.awaitTermination(PATIENCE_AT_CLOSING.toMillis(), TimeUnit.MILLISECONDS))
                LOG.warn("the copy of {} is not done", file.file());
        } catch (InterruptedException hurry) {
            Thread.currentThread().interrupt();
        }
        if (file.gone().isPresent()) return;
        file.checkpoint();
        if (isCopyDue && !hasCopy()) copy();
        remember();
    }

    private boolean hasCopy() {
        try {
            return backups.has(file.head());
        } catch (IOException failure) {
            LOG.warn("could not look through the copies of {}", file.file(), failure);
            return false;
        }
    }
}
