package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import pentacell.core.journal.Amendment;
import pentacell.core.measure.SampleLog;
import pentacell.core.state.Chapter;
import pentacell.workshop.logbook.Problem.Kind;

/// What can still be read of a damaged workshop, written into a new file. Holes are filled from the
/// latest whole copy; what is in neither keeps its number and says that it was lost, so that the
/// new file is whole and nothing in it points to the wrong entry.
public final class Salvage {
    private final FactCodec codec;
    private final TreeMap<Long, ActRow> acts = new TreeMap<>();
    private final TreeMap<Long, FactRow> facts = new TreeMap<>();
    private final Map<String, SampleLog> curves = new TreeMap<>();
    private final List<Problem> lost = new ArrayList<>();
    private long fromCopy;

    private Salvage(FactCodec codec) {
        this.codec = codec;
    }

    /// What was saved.
    ///
    /// @param acts acts in the new file
    /// @param facts facts saved
    /// @param fromCopy facts among them that were read in a copy
    /// @param lost what could not be read anywhere, or not as it was written
    public record Saved(Path file, long acts, long facts, long fromCopy, List<Problem> lost) {
        public Saved {
            lost = List.copyOf(lost);
        }
    }

    private record ActRow(String at, String words, String digest, @Nullable String curves) {}

    private record FactRow(long act, RawFact fact) {}

    /// Salvages a file, which is not changed.
    ///
    /// @param fresh where to; not there yet
    /// @throws IOException when there is nothing to be read, or the new file cannot be written
    public static Saved of(Path damaged, Path fresh, List<Chapter<?>> chapters) throws IOException {
        Path file = LogbookFile.real(damaged);
        Path to = LogbookFile.real(fresh);
        if (Files.exists(to)) throw new IOException(to + " is there already. Choose another name.");
        Salvage salvage = new Salvage(new FactCodec(chapters));
        Optional<Head> known = new KnownHead(file).read();
        Optional<Backups.Copy> copy = new Backups(file).newestWhole();
        try (Snapshot snapshot = Snapshot.of(file)) {
            snapshot.admitThatItsEndIsGone();
            salvage.read(snapshot.file(), known.map(Head::act).orElse(0L));
            salvage.leaveOutWhatCannotBe();
            if (copy.isPresent()) salvage.fill(copy.get().file());
            salvage.judgeCurves();
            if (salvage.facts.isEmpty())
                throw new IOException("nothing in " + file + " can be read.");
            long saved = salvage.facts.size();
            List<RawAct> journal = salvage.journal(known);
            // under its name only when it is whole
            Path unfinished = to.resolveSibling("." + to.getFileName() + ".unfinished");
            try {
                Files.deleteIfExists(unfinished);
                salvage.write(unfinished, journal);
                Files.move(unfinished, to, StandardCopyOption.ATOMIC_MOVE);
            } catch (SQLException failure) {
                throw new IOException(Faults.writing(to, failure), failure);
            } finally {
                for (String ending : List.of("", "-wal", "-shm"))
                    Files.deleteIfExists(
                            unfinished.resolveSibling(unfinished.getFileName() + ending));
            }
            return new Saved(to, journal.size(), saved, salvage.fromCopy, salvage.lost);
        }
    }

    private void read(Path file, long knownActs) throws IOException {
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
                            "SELECT sequence, act, kind, cell, body FROM fact",
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
                columns.size() == 5
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
                                    (String) columns.get(4))));
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

    /// Says which curves are not those that their runs ended with.
    private void judgeCurves() {
        for (CurveSeal seal : seals()) {
            SampleLog log = curves.getOrDefault(seal.run(), new SampleLog.Builder().build());
            if (seal.holds(log)) continue;
            lost.add(
                    new Problem(
                            Kind.UNREADABLE_SAMPLES,
                            "run " + seal.run(),
                            log.size() < seal.samples()
                                    ? "%d of its %d samples are lost"
                                            .formatted(seal.samples() - log.size(), seal.samples())
                                    : "its samples are not those it ended with, and were taken as they are"));
        }
    }

    private List<CurveSeal> seals() {
        return acts.values().stream()
                .map(ActRow::curves)
                .filter(Objects::nonNull)
                .flatMap(text -> CurveSeal.parse(Objects.requireNonNull(text)).stream())
                .toList();
    }

    private static FactRow fact(ResultSet row) throws SQLException {
        return new FactRow(
                row.getLong(2),
                new RawFact(row.getLong(1), text(row, 3), row.getString(4), text(row, 5)));
    }

    private static String text(ResultSet row, int column) throws SQLException {
        String text = row.getString(column);
        if (text == null) throw new SQLException("a text is missing");
        return text;
    }

    /// Takes from a whole copy what the file itself lost, if both are of one history.
    private void fill(Path copy) {
        Salvage other = new Salvage(codec);
        try {
            other.read(copy, 0);
        } catch (IOException unreadable) {
            return;
        }
        List<Long> common = acts.keySet().stream().filter(other.acts::containsKey).toList();
        // one act that is the same will do: others may be garbled
        boolean isOfOneHistory =
                common.isEmpty()
                        || common.stream()
                                .anyMatch(
                                        act -> Objects.equals(acts.get(act), other.acts.get(act)));
        if (!isOfOneHistory) return;
        // what is not as it was written counts as lost here
        for (long act : changed())
            if (other.acts.containsKey(act)) {
                acts.remove(act);
                facts.values().removeIf(row -> row.act() == act);
            }
        other.acts.forEach(acts::putIfAbsent);
        for (CurveSeal seal : seals()) {
            SampleLog kept = other.curves.get(seal.run());
            SampleLog own = curves.get(seal.run());
            if (kept != null && seal.holds(kept) && (own == null || !seal.holds(own)))
                curves.put(seal.run(), kept);
        }
        other.curves.forEach(curves::putIfAbsent);
        other.facts.forEach((sequence, row) -> {
            FactRow own = facts.get(sequence);
            if (own != null && problemWith(own.fact()).isEmpty()) return;
            facts.put(sequence, row);
            fromCopy++;
        });
    }

    /// A damaged page can hold any number: one far beyond all others is none of the journal.
    private void leaveOutWhatCannotBe() {
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

    /// The acts that are not what was written, by their digests.
    private List<Long> changed() {
        Map<Long, List<RawFact>> byAct = byAct();
        Chain chain = new Chain();
        List<Long> changed = new ArrayList<>();
        for (Map.Entry<Long, ActRow> each : acts.entrySet()) {
            ActRow before = acts.get(each.getKey() - 1);
            String digest = each.getValue().digest();
            if (digest.isEmpty() || before == null && each.getKey() > 1) continue;
            String computed =
                    chain.next(
                            before == null ? Chain.START : before.digest(),
                            new RawAct(
                                    each.getKey(),
                                    each.getValue().at(),
                                    each.getValue().words(),
                                    byAct.getOrDefault(each.getKey(), List.of()),
                                    each.getValue().curves()));
            if (!computed.equals(digest)) changed.add(each.getKey());
        }
        return changed;
    }

    private Map<Long, List<RawFact>> byAct() {
        Map<Long, List<RawFact>> byAct = new TreeMap<>();
        for (FactRow row : facts.values())
            byAct.computeIfAbsent(row.act(), act -> new ArrayList<>()).add(row.fact());
        return byAct;
    }

    private Optional<String> problemWith(RawFact fact) {
        try {
            codec.fact(fact.kind(), fact.body());
            return Optional.empty();
        } catch (UnreadableFactException wrong) {
            return Optional.of(String.valueOf(wrong.getMessage()));
        }
    }

    private List<RawAct> journal(Optional<Head> known) {
        for (long act : changed())
            lost.add(
                    new Problem(
                            Kind.CHANGED_ACT,
                            "act " + act,
                            "“%s” is not what was written, and was taken as it is"
                                    .formatted(Objects.requireNonNull(acts.get(act)).words())));
        putStraysRight();
        giveHolesTheirNumber();
        TreeSet<Long> numbers = new TreeSet<>(acts.keySet());
        facts.values().forEach(row -> numbers.add(row.act()));
        known.ifPresent(head -> {
            if (head.act() > numbers.last())
                lost.add(
                        new Problem(
                                Kind.SHORTER_THAN_KNOWN,
                                "acts " + (numbers.last() + 1) + " to " + head.act(),
                                "they were in the file once"));
        });
        facts.replaceAll((sequence, row) -> new FactRow(row.act(), readable(row)));
        Map<Long, List<RawFact>> byAct = byAct();
        List<RawAct> journal = new ArrayList<>();
        String at = Instant.EPOCH.toString();
        for (long number = 1; number <= numbers.last(); number++) {
            ActRow row = acts.get(number);
            if (row == null || !isTime(row.at())) {
                lost.add(
                        new Problem(
                                Kind.MISSING_ACT,
                                "act " + number,
                                "what it was called and when it was logged are lost"));
                row = new ActRow(at, row == null ? "lost, salvaged" : row.words(), "", null);
            }
            at = row.at();
            journal.add(
                    new RawAct(
                            number,
                            at,
                            row.words(),
                            byAct.getOrDefault(number, List.of()),
                            sealedAnew(row)));
        }
        return journal;
    }

    private static boolean isTime(String text) {
        try {
            Instant.parse(text);
            return true;
        } catch (DateTimeException odd) {
            return false;
        }
    }

    /// An entry whose act does not lie between those of its neighbours has lost its place; that of
    /// the entry before is as good. At the very end, with a gap before it, it is the entry's own
    /// number that is wrong.
    private void putStraysRight() {
        for (long sequence : List.copyOf(facts.keySet())) {
            Map.Entry<Long, FactRow> before = facts.lowerEntry(sequence);
            FactRow row = Objects.requireNonNull(facts.get(sequence));
            Map.Entry<Long, FactRow> after = facts.higherEntry(sequence);
            if (before == null) continue;
            long least = before.getValue().act();
            long most = after == null ? Long.MAX_VALUE : after.getValue().act();
            if (least > most || row.act() >= least && row.act() <= most) continue;
            boolean isBeyond = after == null && before.getKey() < sequence - 1;
            if (isBeyond) facts.remove(sequence);
            else facts.put(sequence, new FactRow(least, row.fact()));
            lost.add(
                    new Problem(
                            Kind.OUT_OF_ORDER,
                            "entry " + sequence,
                            isBeyond
                                    ? "its number cannot be; it is left out"
                                    : "it belonged to act %d, which cannot be; it is in act %d now"
                                            .formatted(row.act(), least)));
        }
    }

    /// Missing entries stand as lost where they were: in an act that is missing as well, else in
    /// the act before.
    private void giveHolesTheirNumber() {
        long act = 1;
        for (long sequence = 1; sequence <= facts.lastKey(); sequence++) {
            FactRow row = facts.get(sequence);
            if (row == null) {
                long next = Objects.requireNonNull(facts.higherEntry(sequence)).getValue().act();
                if (!acts.containsKey(act + 1) && next > act + 1) act++;
                facts.put(sequence, new FactRow(act, lostFact(sequence, "")));
                lost.add(
                        new Problem(
                                Kind.MISSING_ENTRY, "entry " + sequence, "it could not be read"));
            } else if (row.act() < act) {
                facts.put(sequence, new FactRow(act, row.fact()));
                lost.add(
                        new Problem(
                                Kind.OUT_OF_ORDER,
                                "entry " + sequence,
                                "it stood behind a later act, and is in act " + act + " now"));
            } else act = row.act();
        }
    }

    private RawFact readable(FactRow row) {
        Optional<String> problem = problemWith(row.fact());
        if (problem.isEmpty()) return row.fact();
        lost.add(
                new Problem(
                        Kind.UNREADABLE_ENTRY, "entry " + row.fact().sequence(), problem.get()));
        return lostFact(row.fact().sequence(), problem.get());
    }

    private RawFact lostFact(long sequence, String words) {
        Amendment.EntryLost fact = new Amendment.EntryLost(words);
        return new RawFact(sequence, codec.kind(fact), null, codec.body(fact));
    }

    /// The seals of an act over what is left of its curves.
    private @Nullable String sealedAnew(ActRow row) {
        if (row.curves() == null) return null;
        List<CurveSeal> seals =
                CurveSeal.parse(row.curves()).stream()
                        .filter(seal -> curves.containsKey(seal.run()))
                        .map(seal ->
                                CurveSeal.of(
                                        seal.run(), Objects.requireNonNull(curves.get(seal.run()))))
                        .toList();
        return seals.isEmpty() ? null : CurveSeal.text(seals);
    }

    private void write(Path fresh, List<RawAct> journal) throws SQLException {
        try (Connection database = Database.connect(fresh)) {
            Database.create(database);
            JournalRows.insert(database, journal, Chain.heads(Head.START, journal));
            RunSamples samples = new RunSamples(database);
            for (Map.Entry<String, SampleLog> each : curves.entrySet())
                samples.put(each.getKey(), each.getValue());
            database.commit();
            // all of it into the one file that is moved to its place
            database.setAutoCommit(true);
            try (Statement statement = database.createStatement()) {
                statement.execute("PRAGMA wal_checkpoint(TRUNCATE)");
            }
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
