package pentacell.core.state;

import java.time.Instant;
import java.util.Map;
import java.util.function.BiFunction;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;

/// A chapter of the workshop's story: a sealed family of facts, and the slice of the state they
/// fold into.
///
/// @param <S> type of the slice; an immutable value with equality, one chapter per type
public interface Chapter<S> {

    /// The sealed family of facts this chapter takes, down to its records.
    Class<? extends Fact> family();

    /// What its facts are called in a file; none of a chapter that is not written.
    default Map<Class<? extends Fact>, String> kinds() {
        return Map.of();
    }

    /// The same chapter, with facts that can be written.
    ///
    /// @param kinds of its facts, and maybe of others
    default Chapter<S> withKinds(Map<Class<? extends Fact>, String> kinds) {
        return new WrittenChapter<>(this, kinds);
    }

    /// Type of the slice, by which a view asks for it.
    Class<S> sliceType();

    /// The slice before anything was logged.
    S empty();

    /// Begins to fold more facts into a slice.
    Fold<S> fold(S from);

    /// A slice while it grows; lives only while one fold runs, in one thread.
    interface Fold<S> {
        /// Adds a fact of the chapter's family.
        ///
        /// @param at when it was logged
        void add(Instant at, Entry entry);

        /// Takes note of an entry that does not count because it comes from a stand-in. A chapter
        /// that shows such entries keeps them apart from those that count.
        default void setAside(Instant at, Entry entry) {}

        /// Lets another fact of the family hold in the place of an earlier entry. A chapter whose
        /// entries cannot be corrected takes it as a new fact.
        ///
        /// @param sequence the entry that was wrong
        /// @param correction what holds instead, with the sequence of the correction
        default void correct(long sequence, Instant at, Entry correction) {
            add(at, correction);
        }

        /// Takes an entry out; an entry of another chapter, or of none, is left alone.
        default void strike(long sequence) {}

        /// The slice as it is now.
        S slice();
    }

    /// A chapter whose slice is small enough to be made anew with every fact.
    ///
    /// @param fold slice and fact to slice, with a `switch` over the family that has no default
    static <F extends Fact, S> Chapter<S> of(
            Class<F> family, Class<S> sliceType, S empty, BiFunction<S, F, S> fold) {
        return timed(family, sliceType, empty, (slice, at, fact) -> fold.apply(slice, fact));
    }

    /// A small chapter that keeps when things were logged.
    static <F extends Fact, S> Chapter<S> timed(
            Class<F> family, Class<S> sliceType, S empty, Folding<F, S> fold) {
        return ofEntries(
                family,
                sliceType,
                empty,
                (slice, at, entry) -> fold.after(slice, at, family.cast(entry.fact())),
                (slice, at, entry) -> slice);
    }

    /// A small chapter that looks at where facts come from, and shows those that do not count.
    ///
    /// @param fold of entries that count
    /// @param aside of entries that do not
    static <F extends Fact, S> Chapter<S> ofEntries(
            Class<F> family,
            Class<S> sliceType,
            S empty,
            EntryFolding<S> fold,
            EntryFolding<S> aside) {
        return new SmallChapter<>(family, sliceType, empty, fold, aside);
    }

    /// How an entry changes a slice.
    ///
    /// @param <S> type of the slice
    interface EntryFolding<S> {
        /// The slice after an entry that was logged at a time.
        S after(S slice, Instant at, Entry entry);
    }

    /// How a fact changes a slice.
    ///
    /// @param <F> family of facts
    /// @param <S> type of the slice
    interface Folding<F extends Fact, S> {
        /// The slice after a fact that was logged at a time.
        S after(S slice, Instant at, F fact);
    }
}
