package pentacell.workshop.logbook;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import pentacell.core.journal.Act;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Entry;
import pentacell.core.journal.History;

/// A digest of all that holds: of every fact that was not taken back, struck or corrected, in the
/// order of their rank, a correction in the rank of what it corrects. Acts, times and sequence
/// numbers do not count, so files that hold the same facts have the same digest.
///
/// SHA-256 over lines of a kind, a blank, the body as JSON with its names in order, and the origin
/// behind another blank where it is known.
final class HoldingDigest {
    private HoldingDigest() {}

    /// @param raw facts as they stand in the file, by sequence
    static String of(List<Act> acts, Map<Long, RawFact> raw, FactCodec codec) {
        History history = History.of(acts);
        TreeMap<Long, String> holding = new TreeMap<>();
        TreeMap<Long, Long> rankOf = new TreeMap<>();
        for (Act act : acts) {
            if (!history.holds(act)) continue;
            for (Entry entry : act.entries()) {
                RawFact fact = Objects.requireNonNull(raw.get(entry.sequence()));
                switch (entry.fact()) {
                    case Amendment.EntryStruck struck ->
                            holding.remove(rank(rankOf, struck.sequence()));
                    case Amendment.EntryCorrected corrected -> {
                        long rank = rank(rankOf, corrected.sequence());
                        rankOf.put(entry.sequence(), rank);
                        if (holding.containsKey(rank))
                            holding.put(
                                    rank, codec.canonicalReplacement(fact.body()) + origin(fact));
                    }
                    case Amendment _ -> {}
                    default ->
                            holding.put(
                                    entry.sequence(),
                                    fact.kind()
                                            + " "
                                            + codec.canonical(fact.body())
                                            + origin(fact));
                }
            }
        }
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            for (String each : holding.values())
                digest.update((each + "\n").getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException never) {
            throw new IllegalStateException(never);
        }
    }

    private static String origin(RawFact fact) {
        return fact.origin() == null ? "" : " " + fact.origin();
    }

    private static long rank(Map<Long, Long> rankOf, long sequence) {
        return rankOf.getOrDefault(sequence, sequence);
    }
}
