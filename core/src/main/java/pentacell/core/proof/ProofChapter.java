package pentacell.core.proof;

import java.time.Instant;
import java.util.Map;
import pentacell.core.journal.Entry;
import pentacell.core.state.Chapter;

/// Folds what is logged of proving, and keeps apart what proves nothing.
final class ProofChapter implements Chapter<Proofs> {
    @Override
    public Class<ProofFact> family() {
        return ProofFact.class;
    }

    @Override
    public Class<Proofs> sliceType() {
        return Proofs.class;
    }

    @Override
    public Proofs empty() {
        return new Proofs(Map.of());
    }

    @Override
    public Chapter.Fold<Proofs> fold(Proofs from) {
        return new Chapter.Fold<>() {
            private Proofs slice = from;

            @Override
            public void add(Instant at, Entry entry) {
                slice = slice.changed(entry, proof -> proof.plus(at, entry));
            }

            @Override
            public void setAside(Instant at, Entry entry) {
                slice = slice.changed(entry, proof -> proof.setAside(at, entry));
            }

            @Override
            public Proofs slice() {
                return slice;
            }
        };
    }
}
