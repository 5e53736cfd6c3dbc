package pentacell.core.state;

import java.time.Instant;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;

/// A chapter whose slice is made anew with every fact.
record SmallChapter<F extends Fact, S>(
        Class<F> family,
        Class<S> sliceType,
        S empty,
        EntryFolding<S> folding,
        EntryFolding<S> settingAside)
        implements Chapter<S> {

    @Override
    public Fold<S> fold(S from) {
        return new Fold<>() {
            private S slice = from;

            @Override
            public void add(Instant at, Entry entry) {
                slice = folding.after(slice, at, entry);
            }

            @Override
            public void setAside(Instant at, Entry entry) {
                slice = settingAside.after(slice, at, entry);
            }

            @Override
            public S slice() {
                return slice;
            }
        };
    }
}
