package pentacell.core.state;

import java.time.Instant;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.journal.Act;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.journal.History;
import pentacell.core.journal.Origin;

/// Everything that holds in a workshop: its chapters, folded. Immutable; same facts, same state.
public final class WorkshopState {
    private final List<Chapter<?>> chapters;
    private final Map<Class<?>, Object> slices;
    private final boolean standInsCount;

    private WorkshopState(
            List<Chapter<?>> chapters, Map<Class<?>, Object> slices, boolean standInsCount) {
        this.chapters = chapters;
        this.slices = Collections.unmodifiableMap(slices);
        this.standInsCount = standInsCount;
    }

    /// The state before anything was logged.
    ///
    /// @param chapters the chapters of the workshop, each with another family and type of slice
    /// @throws IllegalArgumentException when two chapters have the same type of slice
    public static WorkshopState empty(List<Chapter<?>> chapters) {
        Map<Class<?>, Object> slices = new LinkedHashMap<>();
        for (Chapter<?> chapter : chapters)
            if (slices.put(chapter.sliceType(), chapter.empty()) != null)
                throw new IllegalArgumentException(
                        "two chapters have the slice " + chapter.sliceType());
        return new WorkshopState(List.copyOf(chapters), slices, false);
    }

    /// The fold of a whole journal. Acts that were taken back leave no trace.
    ///
    /// @throws IllegalArgumentException when a fact belongs to none of the chapters
    public static WorkshopState of(List<Chapter<?>> chapters, List<Act> acts) {
        History history = History.of(acts);
        Folding folding = new Folding(empty(chapters));
        acts.stream().filter(history::holds).forEach(folding::add);
        return folding.end();
    }

    /// The state after one more act. Equal to folding the whole journal anew, unless the act undoes
    /// or redoes.
    ///
    /// @throws IllegalArgumentException for an act of undo or redo, which only the whole journal
    ///   can answer, and when a fact belongs to none of the chapters
    public WorkshopState plus(Act act) {
        if (act.turnsAnother())
            throw new IllegalArgumentException("undo and redo need the whole journal");
        Folding folding = new Folding(this);
        folding.add(act);
        return folding.end();
    }

    /// The slice of a chapter.
    ///
    /// @throws IllegalArgumentException when no chapter of this workshop has such a slice
    public <S> S slice(Class<S> type) {
        Object slice = slices.get(type);
        if (slice == null)
            throw new IllegalArgumentException("no chapter of this workshop has a " + type);
        return type.cast(slice);
    }

    /// Whether the readings of stand-ins count, as they do in the demo.
    public boolean standInsCount() {
        return standInsCount;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof WorkshopState state
                && slices.equals(state.slices)
                && standInsCount == state.standInsCount;
    }

    @Override
    public int hashCode() {
        return slices.hashCode();
    }

    @Override
    public String toString() {
        return slices.values().toString();
    }

    /// The growing state; lives only while one fold runs. Chapters that hear nothing keep their
    /// slice.
    private static final class Folding {
        private final WorkshopState from;
        private final Map<Chapter<?>, Chapter.Fold<?>> begun = new LinkedHashMap<>();
        private final Map<Class<?>, Chapter<?>> chapterOf = new HashMap<>();
        private boolean standInsCount;

        Folding(WorkshopState from) {
            this.from = from;
            standInsCount = from.standInsCount;
        }

        void add(Act act) {
            for (Entry entry : act.entries()) add(act.at(), entry);
        }

        private void add(Instant at, Entry entry) {
            switch (entry.fact()) {
                case Amendment.ActUndone undone -> {}
                case Amendment.ActRedone redone -> {}
                case Amendment.EntryLost lost -> {}
                case Amendment.StandInsCount counting -> standInsCount = true;
                case Amendment.EntryStruck struck ->
                        from.chapters.forEach(chapter -> fold(chapter).strike(struck.sequence()));
                case Amendment.EntryCorrected corrected ->
                        fold(chapterOf(corrected.replacement()))
                                .correct(
                                        corrected.sequence(),
                                        at,
                                        new Entry(
                                                entry.sequence(),
                                                corrected.replacement(),
                                                entry.origin()));
                case Fact fact -> {
                    Chapter.Fold<?> fold = fold(chapterOf(fact));
                    if (standInsCount || entry.origin() != Origin.STAND_IN) fold.add(at, entry);
                    else fold.setAside(at, entry);
                }
            }
        }

        private Chapter<?> chapterOf(Fact fact) {
            return chapterOf.computeIfAbsent(
                    fact.getClass(),
                    type ->
                            from.chapters.stream()
                                    .filter(chapter -> chapter.family().isAssignableFrom(type))
                                    .findFirst()
                                    .orElseThrow(() ->
                                            new IllegalArgumentException(
                                                    "no chapter takes " + type)));
        }

        private Chapter.Fold<?> fold(Chapter<?> chapter) {
            return begun.computeIfAbsent(chapter, this::begin);
        }

        private <S> Chapter.Fold<S> begin(Chapter<S> chapter) {
            return chapter.fold(from.slice(chapter.sliceType()));
        }

        WorkshopState end() {
            Map<Class<?>, Object> slices = new LinkedHashMap<>(from.slices);
            begun.forEach((chapter, fold) -> slices.put(chapter.sliceType(), fold.slice()));
            return new WorkshopState(from.chapters, slices, standInsCount);
        }
    }
}
