package pentacell.workshop.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import pentacell.core.journal.Act;
import pentacell.core.journal.Amendment;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.state.Chapter;
import pentacell.core.state.WorkshopState;
import pentacell.workshop.logbook.Logbook.Draft;

/// The demo's journal while it is written, chapter by chapter.
public final class DemoJournal {
    private static final Instant BEGIN = Instant.parse("2026-01-05T18:10:00Z");

    private final List<Chapter<?>> chapters;
    private final SplittableRandom random = new SplittableRandom(2026);
    private final List<Draft> drafts = new ArrayList<>();
    private Instant now = BEGIN;

    DemoJournal(List<Chapter<?>> chapters) {
        this.chapters = chapters;
    }

    /// The dice of the story's first chapters, which share them. A later chapter has its own
    /// ([#dice(long)]), so that it changes no figure of theirs.
    SplittableRandom dice() {
        return random;
    }

    /// Dice of a chapter's own.
    public SplittableRandom dice(long seed) {
        return new SplittableRandom(seed);
    }

    /// Logs with a throw of the shared dice for the time until the next entry.
    void log(String words, List<? extends Fact> facts) {
        drafts.add(new Draft(now, words, facts));
        now = now.plus(Duration.ofSeconds(40 + random.nextInt(50)));
    }

    /// Logs without a throw of the shared dice: what is added to the demo later leaves its numbers
    /// alone.
    public void logSteadily(String words, List<? extends Fact> facts) {
        drafts.add(new Draft(now, words, facts));
        now = now.plus(Duration.ofSeconds(50));
    }

    /// Lets stand-ins count from here on: nothing in the demo is real. Takes no time.
    void letStandInsCount() {
        drafts.add(
                new Draft(now, "A workshop for practice", List.of(new Amendment.StandInsCount())));
    }

    /// Time passes at the bench.
    public void pass(Duration time) {
        now = now.plus(time);
    }

    /// What holds so far.
    public WorkshopState state() {
        return state(chapters, drafts);
    }

    List<Draft> drafts() {
        return List.copyOf(drafts);
    }

    static WorkshopState state(List<Chapter<?>> chapters, List<Draft> journal) {
        List<Act> acts = new ArrayList<>();
        long sequence = 0;
        for (Draft draft : journal) {
            List<Entry> entries = new ArrayList<>();
            for (Fact fact : draft.facts()) entries.add(new Entry(++sequence, fact));
            acts.add(new Act(acts.size() + 1, draft.at(), draft.words(), entries));
        }
        return WorkshopState.of(chapters, acts);
    }
}
