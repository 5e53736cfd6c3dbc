package pentacell.core.prove.facts;

import java.util.Map;
import java.util.function.UnaryOperator;
import pentacell.core.journal.Entry;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// What was measured of packs to prove them.
///
/// @param all by name of the pack, in the order something was first measured
public record Proofs(Map<String, Proof> all) {
    /// The chapter of proving.
    public static final Chapter<Proofs> CHAPTER =
            Chapter.ofEntries(
                    ProofFact.class,
                    Proofs.class,
                    new Proofs(Map.of()),
                    (proofs, at, entry) -> proofs.changed(entry, proof -> proof.plus(at, entry)),
                    (proofs, at, entry) ->
                            proofs.changed(entry, proof -> proof.setAside(at, entry)));

    public Proofs {
        all = InOrder.of(all);
    }

    /// Those of a workshop.
    public static Proofs of(WorkshopState state) {
        return state.slice(Proofs.class);
    }

    /// What was measured of a pack.
    public Proof proof(String pack) {
        Proof known = all.get(pack);
        return known == null ? Proof.of(pack) : known;
    }

    private Proofs changed(Entry entry, UnaryOperator<Proof> change) {
        String pack = ((ProofFact) entry.fact()).pack();
        return new Proofs(InOrder.with(all, pack, change.apply(proof(pack))));
    }
}
