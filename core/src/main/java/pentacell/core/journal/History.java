package pentacell.core.journal;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/// Which acts hold, which are taken back, and what undo and redo would do next. Read off the
/// journal, so it outlives the session.
public final class History {
    private final Deque<Long> undoable = new ArrayDeque<>();
    private final Deque<Long> redoable = new ArrayDeque<>();
    private final Set<Long> undone = new HashSet<>();
    private final Map<Long, String> words = new HashMap<>();

    /// The history of a journal.
    public static History of(List<Act> acts) {
        History history = new History();
        acts.forEach(history::add);
        return history;
    }

    private void add(Act act) {
        words.put(act.number(), act.words());
        switch (first(act)) {
            case Amendment.ActUndone taken -> {
                undoable.remove(taken.act());
                undone.add(taken.act());
                redoable.push(taken.act());
            }
            case Amendment.ActRedone again -> {
                redoable.remove(again.act());
                undone.remove(again.act());
                undoable.push(again.act());
            }
            case null -> {}
            default -> {
                undoable.push(act.number());
                redoable.clear();
            }
        }
    }

    /// What tells what an act is; of an act that was lost, nothing does.
    private static @Nullable Fact first(Act act) {
        for (Entry each : act.entries())
            if (!(each.fact() instanceof Amendment.EntryLost)) return each.fact();
        return null;
    }

    /// Whether an act holds: it was never taken back, or brought back since.
    public boolean holds(Act act) {
        return !undone.contains(act.number());
    }

    /// What undo would take back.
    public Optional<Step> undo() {
        return step(undoable);
    }

    /// Whether an act is there, holds, and can be taken back.
    public boolean canUndo(long act) {
        return undoable.contains(act);
    }

    /// What redo would bring back.
    public Optional<Step> redo() {
        return step(redoable);
    }

    private Optional<Step> step(Deque<Long> acts) {
        return Optional.ofNullable(acts.peek())
                .map(act -> new Step(act, words.getOrDefault(act, "")));
    }
}
