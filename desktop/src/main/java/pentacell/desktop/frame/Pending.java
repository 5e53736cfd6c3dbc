package pentacell.desktop.frame;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.slf4j.LoggerFactory;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.state.Draft;
import pentacell.core.state.WorkshopState;

/// The acts that were given to the disk and are not on it yet, oldest first, and the state they
/// lead to. Lines are read against that state, so typing never waits for the disk.
///
/// Used on the window's thread only, except for [Waiting#written].
final class Pending {
    /// Above every number in a file, so that none is taken for an entry that exists.
    private static final long FIRST_NUMBER = Long.MAX_VALUE / 2;

    private final Deque<Waiting> waiting = new ArrayDeque<>();
    private final Deque<Waiting> withdrawn = new ArrayDeque<>();

    /// An act on its way to the disk.
    static final class Waiting {
        private final String words;
        private final Draft draft;
        private volatile OptionalLong act = OptionalLong.empty();
        private boolean isWithdrawn;

        private Waiting(String words, Draft draft) {
            this.words = words;
            this.draft = draft;
        }

        String words() {
            return words;
        }

        Draft draft() {
            return draft;
        }

        /// It is on the disk as an act of this number.
        void written(long number) {
            act = OptionalLong.of(number);
        }

        /// Its number once it is on the disk; empty before, and when it could not be written.
        OptionalLong act() {
            return act;
        }
    }

    Waiting add(String words, Draft draft) {
        Waiting act = new Waiting(words, draft);
        waiting.add(act);
        withdrawn.clear();
        return act;
    }

    /// It is on the disk, or failed.
    void remove(Waiting act) {
        waiting.remove(act);
    }

    void clear() {
        waiting.clear();
        withdrawn.clear();
    }

    boolean isEmpty() {
        return waiting.isEmpty();
    }

    /// The last act that is still to hold.
    Optional<Waiting> last() {
        return waiting.reversed().stream().filter(each -> !each.isWithdrawn).findFirst();
    }

    /// Takes back the last act that is still to hold.
    Optional<Waiting> withdraw() {
        Optional<Waiting> last = last();
        last.ifPresent(act -> {
            act.isWithdrawn = true;
            withdrawn.push(act);
        });
        return last;
    }

    /// That it was taken back is on the disk too.
    void undone(Waiting act) {
        withdrawn.remove(act);
    }

    /// What was withdrawn last and can be brought back.
    Optional<Waiting> lastWithdrawn() {
        return Optional.ofNullable(withdrawn.peek());
    }

    /// Brings back what was withdrawn last.
    Optional<Waiting> bringBack() {
        Optional<Waiting> back = Optional.ofNullable(withdrawn.poll());
        back.ifPresent(act -> act.isWithdrawn = false);
        return back;
    }

    /// What will hold once all of them are on the disk.
    WorkshopState after(WorkshopState durable, Instant now) {
        WorkshopState state = durable;
        long number = FIRST_NUMBER;
        for (Waiting each : waiting) {
            if (each.isWithdrawn) continue;
            try {
                List<Entry> entries = new ArrayList<>();
                for (Fact fact : each.draft().from(state)) entries.add(new Entry(number++, fact));
                if (!entries.isEmpty()) state = state.plus(new Act(number++, now, "", entries));
            } catch (IllegalArgumentException refused) {
                // the logbook refuses it too when its turn comes, and says so then
                LoggerFactory.getLogger(Pending.class).debug("not expected", refused);
            }
        }
        return state;
    }
}
