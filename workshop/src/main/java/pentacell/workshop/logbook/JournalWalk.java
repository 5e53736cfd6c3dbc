package pentacell.workshop.logbook;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import pentacell.core.unit.Count;
import pentacell.workshop.logbook.Problem.Kind;

/// Goes once over the journal in a file, act by act, and finds what is missing, changed or out of
/// order. It reads only; what cannot be read ends it, with a problem that says so.
final class JournalWalk {
    private final Connection database;
    private final long format;
    private final Consumer<RawAct> acts;
    private final Consumer<Problem> problems;
    private final Chain chain = new Chain();
    private final Optional<Head> known;
    private Head head = Head.START;
    private boolean isBroken;
    private long facts;
    private boolean isOfKnownHistory = true;

    /// @param format of the file: acts of older ones keep no digests, or no seals of curves
    /// @param known where the journal is known to have been, if anything is known
    /// @param acts takes every act that has its row
    /// @param problems takes what is wrong, in the order it is found
    JournalWalk(
            Connection database,
            long format,
            Optional<Head> known,
            Consumer<RawAct> acts,
            Consumer<Problem> problems) {
        this.database = database;
        this.format = format;
        this.known = known;
        this.acts = acts;
        this.problems = problems;
    }

    private record Row(
            long number,
            String at,
            String words,
            @Nullable String digest,
            @Nullable String curves) {}

    private record Fact(long act, RawFact fact) {}

    /// Goes over the whole journal.
    ///
    /// @return where it ends
    Head walk() {
        try (Statement ofActs = database.createStatement();
                Statement ofFacts = database.createStatement();
                ResultSet actRows = ofActs.executeQuery(actQuery());
                ResultSet factRows =
                        ofFacts.executeQuery(
                                "SELECT sequence, act, kind, cell, body, %s FROM fact ORDER BY sequence"
                                        .formatted(
                                                format >= Database.FIRST_WITH_ORIGINS
                                                        ? "origin"
                                                        : "NULL"))) {
            merge(actRows, factRows);
        } catch (SQLException failure) {
            say(
                    Kind.UNREADABLE_PAGES,
                    "after entry " + head.sequence(),
                    "the file cannot be read on from there ("
                            + Faults.plain(failure)
                            + "); "
                            + Count.of(facts, "entry", "entries")
                            + " before it can");
        }
        compareWithKnown();
        return head;
    }

    /// Facts that were read.
    long facts() {
        return facts;
    }

    private String actQuery() {
        return "SELECT act, at, words, %s, %s FROM act ORDER BY act"
                .formatted(
                        isSealed() ? "digest" : "NULL",
                        format >= Database.FIRST_WITH_CURVE_SEALS ? "curves" : "NULL");
    }

    private boolean isSealed() {
        return format >= Database.SEALED_FORMAT;
    }

    private void merge(ResultSet actRows, ResultSet factRows) throws SQLException {
        Optional<Fact> fact = fact(factRows);
        for (Optional<Row> row = row(actRows); row.isPresent(); row = row(actRows)) {
            Row act = row.get();
            fact = orphans(fact, factRows, act.number());
            List<RawFact> own = new ArrayList<>();
            while (fact.isPresent() && fact.get().act() == act.number()) {
                own.add(fact.get().fact());
                fact = fact(factRows);
            }
            take(act, own);
        }
        orphans(fact, factRows, Long.MAX_VALUE);
    }

    private Optional<Row> row(ResultSet rows) throws SQLException {
        if (!rows.next()) return Optional.empty();
        return Optional.of(
                new Row(
                        rows.getLong(1),
                        text(rows, 2),
                        text(rows, 3),
                        rows.getString(4),
                        rows.getString(5)));
    }

    private Optional<Fact> fact(ResultSet rows) throws SQLException {
        if (!rows.next()) return Optional.empty();
        long sequence = rows.getLong(1);
        if (sequence != head.sequence() + 1)
            say(
                    Kind.MISSING_ENTRY,
                    between("entry", "entries", head.sequence() + 1, sequence - 1),
                    Count.of(sequence - 1 - head.sequence(), "entry is", "entries are")
                            + " missing there");
        head = new Head(head.act(), sequence, head.digest());
        facts++;
        return Optional.of(
                new Fact(
                        rows.getLong(2),
                        new RawFact(
                                sequence,
                                text(rows, 3),
                                rows.getString(4),
                                text(rows, 5),
                                rows.getString(6))));
    }

    private static String text(ResultSet rows, int column) throws SQLException {
        return Objects.requireNonNullElse(rows.getString(column), "");
    }

    /// Facts whose act is missing, or that lie behind facts of a later act.
    private Optional<Fact> orphans(Optional<Fact> next, ResultSet rows, long act)
            throws SQLException {
        Optional<Fact> fact = next;
        while (fact.isPresent() && fact.get().act() < act) {
            boolean isLate = fact.get().act() <= head.act();
            String of = "act " + fact.get().act();
            say(
                    isLate ? Kind.OUT_OF_ORDER : Kind.MISSING_ACT,
                    "entry " + fact.get().fact().sequence(),
                    isLate
                            ? "it belongs to " + of + ", which was over before"
                            : "it belongs to " + of + ", which is missing");
            isBroken = true;
            fact = fact(rows);
        }
        return fact;
    }

    private void take(Row row, List<RawFact> own) {
        if (row.number() != head.act() + 1) {
            say(
                    Kind.MISSING_ACT,
                    between("act", "acts", head.act() + 1, row.number() - 1),
                    Count.of(row.number() - 1 - head.act(), "act is", "acts are")
                            + " missing there");
            isBroken = true;
        }
        RawAct act = new RawAct(row.number(), row.at(), row.words(), own, row.curves());
        String computed = chain.next(head.digest(), act);
        String stored = row.digest();
        // behind something that is missing, the digest that is there is all there is to go on with
        if (isSealed() && !isBroken && !computed.equals(stored))
            say(
                    Kind.CHANGED_ACT,
                    "act " + row.number(),
                    stored == null
                            ? "“%s” has lost its digest".formatted(row.words())
                            : "“%s” is not what was written".formatted(row.words()));
        isBroken = false;
        head =
                new Head(
                        row.number(),
                        head.sequence(),
                        isSealed() && stored != null ? stored : computed);
        known.filter(then -> then.act() == row.number())
                .ifPresent(then -> isOfKnownHistory = then.digest().equals(head.digest()));
        acts.accept(act);
    }

    private void compareWithKnown() {
        if (known.isEmpty()) return;
        long then = known.get().act();
        if (then > head.act())
            say(
                    Kind.SHORTER_THAN_KNOWN,
                    between("act", "acts", head.act() + 1, then),
                    "the file had " + Count.of(then, "act", "acts") + " once, now " + head.act());
        else if (!isOfKnownHistory)
            say(
                    Kind.OTHER_HISTORY,
                    "act " + then,
                    "these are not the acts that were in this file when it was last closed");
    }

    private void say(Kind kind, String where, String sentence) {
        problems.accept(new Problem(kind, where, sentence));
    }

    private static String between(String one, String many, long from, long to) {
        return from >= to ? one + " " + from : many + " " + from + " to " + to;
    }
}
