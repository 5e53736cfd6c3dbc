package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import pentacell.core.measure.SampleLog;
import pentacell.workshop.logbook.Problem.Kind;

/// What can still be read of a workshop file: by its tables, and where they are damaged page by
/// page.
///
/// @param acts by number
/// @param facts by sequence
/// @param curves samples by the name of their run
/// @param lost what could not be read
record SalvagedRows(
        TreeMap<Long, ActRow> acts,
        TreeMap<Long, FactRow> facts,
        Map<String, SampleLog> curves,
        List<Problem> lost) {
    private SalvagedRows() {
        this(new TreeMap<>(), new TreeMap<>(), new TreeMap<>(), new ArrayList<>());
    }

    record ActRow(String at, String words, String digest, @Nullable String curves) {}

    record FactRow(long act, RawFact fact) {}

    /// Reads what can be read of a file; what cannot is said among what was lost.
    ///
    /// @param knownActs acts that the file had once
    static SalvagedRows read(Path file, long knownActs) {
        SalvagedRows rows = new SalvagedRows();
        rows.readTables(file, knownActs);
        return rows;
    }

    private void readTables(Path file, long knownActs) {
        boolean isWhole = false;
        try (Connection database = Database.reading(file)) {
            isWhole =
                    TableScan.read(
                            database,
                            "SELECT act, at, words, %s, %s FROM act"
                                    .formatted(
                                            Database.isSealed(database) ? "digest" : "NULL",
                                            Database.pragma(database, "user_version")
                                                            >= Database.FIRST_WITH_CURVE_SEALS
                                                    ? "curves"
                                                    : "NULL"),
                            "act",
                            knownActs,
                            row ->
                                    acts.put(
                                            row.getLong(1),
                                            new ActRow(
                                                    text(row, 2),
                                                    text(row, 3),
                                                    Objects.requireNonNullElse(
                                                            row.getString(4), ""),
                                                    row.getString(5))));
            isWhole &=
                    TableScan.read(
                            database,
                            "SELECT sequence, act, kind, cell, body, %s FROM fact"
                                    .formatted(
                                            Database.pragma(database, "user_version")
                                                            >= Database.FIRST_WITH_ORIGINS
                                                    ? "origin"
                                                    : "NULL"),
                            "sequence",
                            0,
                            row -> facts.put(row.getLong(1), fact(row)));
            readCurves(database);
        } catch (SQLException unreadable) {
            // then there are only its pages, and the copy
            lost.add(new Problem(Kind.UNREADABLE_PAGES, "file", Faults.plain(unreadable)));
            isWhole = false;
        }
        if (!isWhole) readPages(file);
    }

    /// What the tree of the file no longer leads to.
    private void readPages(Path file) {
        SalvagedBlocks blocks = new SalvagedBlocks();
        try (PageScan pages = PageScan.of(file)) {
            pages.read((number, columns) -> {
                if (!takeAct(number, columns) && !takeFact(number, columns)) blocks.take(columns);
            });
        } catch (IOException unreadable) {
            lost.add(
                    new Problem(
                            Kind.UNREADABLE_PAGES,
                            "pages",
                            String.valueOf(unreadable.getMessage())));
        }
        blocks.logs()
                .forEach((run, log) ->
                        curves.merge(
                                run,
                                log,
                                (one, other) -> one.size() >= other.size() ? one : other));
    }

    private boolean takeAct(long number, List<@Nullable Object> columns) {
        boolean isAct =
                columns.size() >= 3
                        && columns.size() <= 5
                        && columns.get(0) == null
                        && columns.get(1) instanceof String
                        && columns.get(2) instanceof String;
        if (isAct)
            acts.putIfAbsent(
                    number,
                    new ActRow(
                            (String) columns.get(1),
                            (String) columns.get(2),
                            columns.size() > 3 && columns.get(3) instanceof String digest
                                    ? digest
                                    : "",
                            columns.size() > 4 && columns.get(4) instanceof String seals
                                    ? seals
                                    : null));
        return isAct;
    }

    private boolean takeFact(long number, List<@Nullable Object> columns) {
        boolean isFact =
                columns.size() >= 5
                        && columns.size() <= 6
                        && columns.get(0) == null
                        && columns.get(1) instanceof Long
                        && columns.get(2) instanceof String
                        && columns.get(4) instanceof String;
        if (isFact)
            facts.putIfAbsent(
                    number,
                    new FactRow(
                            (Long) columns.get(1),
                            new RawFact(
                                    number,
                                    (String) columns.get(2),
                                    columns.get(3) instanceof String cell ? cell : null,
                                    (String) columns.get(4),
                                    columns.size() > 5 && columns.get(5) instanceof String origin
                                            ? origin
                                            : null)));
        return isFact;
    }

    private void readCurves(Connection database) {
        RunSamples samples = new RunSamples(database);
        for (String run : runs(database, samples)) {
            try {
                curves.put(run, samples.read(run));
            } catch (SQLException damaged) {
                lost.add(new Problem(Kind.UNREADABLE_SAMPLES, "run " + run, Faults.plain(damaged)));
            }
        }
    }

    /// The seals of curves that its acts keep.
    List<CurveSeal> seals() {
        return acts.values().stream()
                .map(ActRow::curves)
                .filter(Objects::nonNull)
                .flatMap(text -> CurveSeal.parse(Objects.requireNonNull(text)).stream())
                .toList();
    }

    private static FactRow fact(ResultSet row) throws SQLException {
        return new FactRow(
                row.getLong(2),
                new RawFact(
                        row.getLong(1),
                        text(row, 3),
                        row.getString(4),
                        text(row, 5),
                        row.getString(6)));
    }

    private static String text(ResultSet row, int column) throws SQLException {
        String text = row.getString(column);
        if (text == null) throw new SQLException("a text is missing");
        return text;
    }

    /// A damaged page can hold any number: one far beyond all others is none of the journal.
    void leaveOutWhatCannotBe() {
        cut(acts, "act");
        cut(facts, "entry");
        long last = acts.isEmpty() ? 0 : acts.lastKey();
        facts.values()
                .removeIf(row -> {
                    boolean cannotBe = row.act() < 1 || row.act() > last + TableScan.GIVEN_UP_AFTER;
                    if (cannotBe)
                        lost.add(
                                new Problem(
                                        Kind.OUT_OF_ORDER,
                                        "entry " + row.fact().sequence(),
                                        "it belongs to act %d, which cannot be"
                                                .formatted(row.act())));
                    return cannotBe;
                });
    }

    private void cut(NavigableMap<Long, ?> rows, String one) {
        long last = 0;
        for (long key : rows.keySet()) {
            if (key - last > TableScan.GIVEN_UP_AFTER) {
                lost.add(
                        new Problem(
                                Kind.OUT_OF_ORDER,
                                one + " " + key,
                                "its number is far beyond all others; it is left out with what follows"));
                rows.tailMap(key, true).clear();
                return;
            }
            last = key;
        }
    }

    private List<String> runs(Connection database, RunSamples samples) {
        try {
            return Database.pragma(database, "user_version") < Database.FIRST_WITH_SAMPLES
                    ? List.of()
                    : samples.runs();
        } catch (SQLException unreadable) {
            lost.add(new Problem(Kind.UNREADABLE_SAMPLES, "samples", Faults.plain(unreadable)));
            return List.of();
        }
    }
}
