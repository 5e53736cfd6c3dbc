package pentacell.core.service;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.service.facts.PackInUse;

/// What is due for a pack in use.
///
/// @param kind what
/// @param at when
public record ServiceDue(Kind kind, Instant at) {
    /// After a repair the pack is read once a day for two days (common practice).
    private static final int WATCHED_DAYS = 2;

    private static final Duration DAY = Duration.ofDays(1);

    /// A reading somewhat before its time will do.
    private static final Duration EARLY = Duration.ofHours(6);

    private static final Duration READ_EVERY = Duration.ofDays(30);
    private static final Duration TEST_EVERY = Duration.ofDays(365);

    /// What is due.
    public enum Kind {
        /// The groups are read after a repair.
        WATCH("read its groups after the repair"),
        READ("read its groups"),
        TEST("test its groups");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /// In words.
        public String words() {
            return words;
        }
    }

    /// What is due for a pack, the earliest first: the next day of watching after a repair, the
    /// next reading, the next test of its groups.
    public static List<ServiceDue> of(PackInUse use) {
        List<ServiceDue> due = new ArrayList<>();
        Optional<Instant> read = lastRead(use);
        use.lastChange()
                .flatMap(changed -> watch(changed, read))
                .ifPresent(at -> due.add(new ServiceDue(Kind.WATCH, at)));
        if (due.isEmpty())
            read.ifPresent(at -> due.add(new ServiceDue(Kind.READ, at.plus(READ_EVERY))));
        use.retests().stream()
                .map(each -> each.on().atStartOfDay(java.time.ZoneOffset.UTC).toInstant())
                .max(Instant::compareTo)
                .ifPresent(last -> due.add(new ServiceDue(Kind.TEST, last.plus(TEST_EVERY))));
        due.sort(java.util.Comparator.comparing(ServiceDue::at));
        return due;
    }

    private static Optional<Instant> watch(Instant changed, Optional<Instant> read) {
        for (int day = 1; day <= WATCHED_DAYS; day++) {
            Instant at = changed.plus(DAY.multipliedBy(day));
            if (read.isEmpty() || read.get().isBefore(at.minus(EARLY))) return Optional.of(at);
        }
        return Optional.empty();
    }

    /// When groups were read last, by a log or by hand.
    static Optional<Instant> lastRead(PackInUse use) {
        Optional<Instant> log =
                use.logs().values().stream().map(PackInUse.History::to).max(Instant::compareTo);
        Optional<Instant> seen =
                use.seen().stream().map(PackInUse.Seen::at).max(Instant::compareTo);
        if (log.isEmpty() || seen.isEmpty()) return log.or(() -> seen);
        return Optional.of(log.get().isAfter(seen.get()) ? log.get() : seen.get());
    }
}
