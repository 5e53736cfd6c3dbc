package pentacell.desktop.frame;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import pentacell.core.state.Chapter;

/// What all stations share: the ledger of the open workshop, what is selected, what is said, and
/// work away from the UI thread. A view never writes state: it logs facts in the ledger, and hears
/// of the new state once they are on the disk.
public final class Desk implements AutoCloseable {
    private final Clock clock;
    private final Settings settings;
    private final Notices notices;
    private final Ledger ledger;
    private final CurrentSelection selection;
    private final Work work;

    /// @param chapters what can be logged in a workshop
    public Desk(Clock clock, Settings settings, List<Chapter<?>> chapters) {
        this.clock = clock;
        this.settings = settings;
        notices = new Notices(settings);
        ledger = new Ledger(clock, notices, chapters);
        selection = new CurrentSelection(ledger::state);
        work = new Work(notices::say);
    }

    /// The facts of the open workshop and what follows from them.
    public Ledger ledger() {
        return ledger;
    }

    /// What is selected.
    public CurrentSelection selection() {
        return selection;
    }

    /// What is said.
    public Notices notices() {
        return notices;
    }

    /// Work away from the UI thread.
    public Work work() {
        return work;
    }

    /// The time by the desk's clock.
    public Instant now() {
        return clock.instant();
    }

    /// What the person has set.
    public Settings settings() {
        return settings;
    }

    /// Puts a workshop on the desk; the one before is closed.
    public void put(Arrival.Ready opened) {
        work.workshopChanged();
        selection.selectNothing();
        ledger.put(opened);
    }

    /// Takes the workshop off the desk and closes it.
    void putAway() {
        work.workshopChanged();
        selection.selectNothing();
        ledger.putAway();
    }

    @Override
    public void close() {
        ledger.close();
        work.close();
    }
}
