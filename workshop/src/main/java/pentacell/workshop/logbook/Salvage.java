package pentacell.workshop.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import pentacell.core.journal.Amendment;
import pentacell.core.measure.SampleLog;
import pentacell.core.state.Chapter;
import pentacell.workshop.logbook.Problem.Kind;
import pentacell.workshop.logbook.SalvagedRows.ActRow;
import pentacell.workshop.logbook.SalvagedRows.FactRow;

/// What can still be read of a damaged workshop, written into a new file. Holes are filled from the
/// latest whole copy; what is in neither keeps its number and says that it was lost, so that the
/// new file is whole and nothing in it points to the wrong entry.
public final class Salvage {
    private final FactCodec codec;
    private final SalvagedRows rows;
    private final TreeMap<Long, ActRow> acts;
    private final TreeMap<Long, FactRow> facts;
    private final Map<String, SampleLog> curves;
    private final List<Problem> lost;
    private long fromCopy;

    private Salvage(FactCodec codec, SalvagedRows rows) {
        this.codec = codec;
        this.rows = rows;
        acts = rows.acts();
        facts = rows.facts();
        curves = rows.curves();
        lost = rows.lost();
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

    /// Salvages a file, which is not changed.
    ///
    /// @param fresh where to; not there yet
    /// @throws IOException when there is nothing to be read, or the new file cannot be written
    public static Saved of(Path damaged, Path fresh, List<Chapter<?>> chapters) throws IOException {
        Path file = LogbookFile.real(damaged);
        Path to = LogbookFile.real(fresh);
        if (Files.exists(to)) throw new IOException(to + " is there already. Choose another name.");
        Optional<Head> known = new KnownHead(file).read();
        Optional<Backups.Copy> copy = new Backups(file).newestWhole();
        try (Snapshot snapshot = Snapshot.of(file)) {
            snapshot.admitThatItsEndIsGone();
            SalvagedRows rows = SalvagedRows.read(snapshot.file(), known.map(Head::act).orElse(0L));
            rows.leaveOutWhatCannotBe();
            Salvage salvage = new Salvage(new FactCodec(chapters), rows);
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

    /// Says which curves are not those that their runs ended with.
    private void judgeCurves() {
        for (CurveSeal seal : rows.seals()) {
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

    /// Takes from a whole copy what the file itself lost, if both are of one history.
    private void fill(Path copy) {
        SalvagedRows other = SalvagedRows.read(copy, 0);
        List<Long> common = acts.keySet().stream().filter(other.acts()::containsKey).toList();
        // one act that is the same will do: others may be garbled
        boolean isOfOneHistory =
                common.isEmpty()
                        || common.stream()
                                .anyMatch(act ->
                                        Objects.equals(acts.get(act), other.acts().get(act)));
        if (!isOfOneHistory) return;
        // what is not as it was written counts as lost here
        for (long act : changed())
            if (other.acts().containsKey(act)) {
                acts.remove(act);
                facts.values().removeIf(row -> row.act() == act);
            }
        other.acts().forEach(acts::putIfAbsent);
        for (CurveSeal seal : rows.seals()) {
            SampleLog kept = other.curves().get(seal.run());
            SampleLog own = curves.get(seal.run());
            if (kept != null && seal.holds(kept) && (own == null || !seal.holds(own)))
                curves.put(seal.run(), kept);
        }
        other.curves().forEach(curves::putIfAbsent);
        other.facts()
                .forEach((sequence, row) -> {
                    FactRow own = facts.get(sequence);
                    if (own != null && problemWith(own.fact()).isEmpty()) return;
                    facts.put(sequence, row);
                    fromCopy++;
                });
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
            codec.entry(fact);
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
                            sealedAgain(row)));
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
        return new RawFact(sequence, codec.kind(fact), null, codec.body(fact), null);
    }

    /// The seals of an act over what is left of its curves.
    private @Nullable String sealedAgain(ActRow row) {
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
}
