package pentacell.workshop.logbook;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import org.jspecify.annotations.Nullable;

/// The chain over the acts of a journal: each act keeps a digest of itself and of the digest before
/// it, so that any loss or change in the middle is seen.
///
/// SHA-256 over, in this order: the digest before; the act's number, time, words; for each of its
/// facts sequence, kind, cell, body, and its origin if that is known; the seals of its curves, if
/// it has any. Each part is its UTF-8 text after its length in bytes as four bytes, highest first;
/// a fact about no cell has the length −1 there.
final class Chain {
    /// What stands before the first act.
    static final String START = "";

    private final MessageDigest digest;

    Chain() {
        try {
            digest = MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException never) {
            throw new IllegalStateException(never);
        }
    }

    /// Where a journal ends after each of some acts.
    ///
    /// @param before where it ends before them
    static List<Head> heads(Head before, List<RawAct> acts) {
        Chain chain = new Chain();
        List<Head> heads = new ArrayList<>(acts.size());
        Head end = before;
        for (RawAct act : acts) {
            long sequence = end.sequence();
            for (RawFact fact : act.facts()) sequence = fact.sequence();
            end = new Head(act.number(), sequence, chain.next(end.digest(), act));
            heads.add(end);
        }
        return heads;
    }

    /// The digest of an act.
    ///
    /// @param before digest of the act before, [#START] for the first
    String next(String before, RawAct act) {
        put(before);
        put(Long.toString(act.number()));
        put(act.at());
        put(act.words());
        for (RawFact each : act.facts()) {
            put(Long.toString(each.sequence()));
            put(each.kind());
            put(each.cell());
            put(each.body());
            if (each.origin() != null) put(each.origin());
        }
        if (act.curves() != null) put(act.curves());
        return HexFormat.of().formatHex(digest.digest());
    }

    private void put(@Nullable String part) {
        byte[] bytes = part == null ? new byte[0] : part.getBytes(StandardCharsets.UTF_8);
        digest.update(ByteBuffer.allocate(4).putInt(part == null ? -1 : bytes.length).flip());
        digest.update(bytes);
    }
}
