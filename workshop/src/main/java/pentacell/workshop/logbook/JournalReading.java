package pentacell.workshop.logbook;

import java.sql.Connection;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.workshop.logbook.Problem.Kind;

/// The journal of a file as it was read, and everything that is wrong with it.
///
/// @param acts acts in order; without the facts that could not be read
/// @param head where the journal ends
/// @param facts facts that stand in the file
/// @param problems what is wrong; empty for a whole journal
record JournalReading(List<Act> acts, Head head, long facts, List<Problem> problems) {
    /// Reads the journal, strictly.
    static JournalReading of(
            Connection database, long format, Optional<Head> known, FactCodec codec) {
        return of(database, format, known, codec, raw -> {});
    }

    /// Reads the journal, strictly.
    ///
    /// @param raw takes each act as it stands in the file
    static JournalReading of(
            Connection database,
            long format,
            Optional<Head> known,
            FactCodec codec,
            Consumer<RawAct> raw) {
        List<Act> acts = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        JournalWalk walk =
                new JournalWalk(
                        database,
                        format,
                        known,
                        act -> {
                            raw.accept(act);
                            read(act, codec, problems).ifPresent(acts::add);
                        },
                        problems::add);
        Head head = walk.walk();
        return new JournalReading(acts, head, walk.facts(), List.copyOf(problems));
    }

    private static Optional<Act> read(RawAct raw, FactCodec codec, List<Problem> problems) {
        List<Entry> entries = new ArrayList<>(raw.facts().size());
        for (RawFact each : raw.facts()) {
            try {
                entries.add(codec.entry(each));
            } catch (UnreadableFactException wrong) {
                problems.add(
                        new Problem(
                                wrong instanceof UnknownKindException
                                        ? Kind.UNKNOWN_KIND
                                        : Kind.UNREADABLE_ENTRY,
                                "entry " + each.sequence(),
                                "%s (in act %d, “%s”)"
                                        .formatted(wrong.getMessage(), raw.number(), raw.words())));
            }
        }
        try {
            return Optional.of(
                    new Act(raw.number(), Instant.parse(raw.at()), raw.words(), entries));
        } catch (DateTimeParseException odd) {
            problems.add(
                    new Problem(
                            Kind.UNREADABLE_ACT,
                            "act " + raw.number(),
                            "its time is “%s”".formatted(raw.at())));
            return Optional.empty();
        }
    }
}
