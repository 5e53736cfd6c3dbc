package pentacell.instruments.bench;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import pentacell.core.cell.CellRecord;
import pentacell.core.journal.Fact;
import pentacell.core.measure.OpenRun;
import pentacell.core.measure.SampleLog;
import pentacell.core.state.WorkshopState;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// Where the test bench keeps what it hears. Everything is on the disk when a method returns.
public interface Keeper {
    /// What holds now.
    WorkshopState state();

    /// Logs facts as one act.
    void log(String words, List<? extends Fact> facts) throws LogbookException;

    /// Keeps the samples of runs.
    void keepSamples(Map<String, SampleLog> grown, Map<String, Integer> kept)
            throws LogbookException;

    /// The samples kept of a run.
    SampleLog samples(String run) throws LogbookException;

    /// A name for the next run of a cell, unlike all it had, the undone ones among them.
    default String nextRun(CellRecord cell) throws LogbookException {
        Set<String> undone = new HashSet<>();
        String name = OpenRun.nextName(cell, undone::contains);
        // the samples of an undone run stay, for it may be redone
        while (samples(name).size() > 0) {
            undone.add(name);
            name = OpenRun.nextName(cell, undone::contains);
        }
        return name;
    }

    /// Joins the samples of an ended run.
    void joinSamples(String run) throws LogbookException;

    /// A keeper that writes into a workshop file.
    static Keeper of(Logbook book) {
        return of(book, book::log);
    }

    /// Logs facts as one act, and returns when they are on the disk.
    interface FactLog {
        /// @throws LogbookException when they could not be written
        void log(String words, List<? extends Fact> facts) throws LogbookException;
    }

    /// A keeper that writes into a workshop file, but for facts, which go where others hear of
    /// them.
    static Keeper of(Logbook book, FactLog facts) {
        return new Keeper() {
            @Override
            public WorkshopState state() {
                return book.state();
            }

            @Override
            public void log(String words, List<? extends Fact> logged) throws LogbookException {
                facts.log(words, logged);
            }

            @Override
            public void keepSamples(Map<String, SampleLog> grown, Map<String, Integer> kept)
                    throws LogbookException {
                book.keepSamples(grown, kept);
            }

            @Override
            public SampleLog samples(String run) throws LogbookException {
                return book.samples(run);
            }

            @Override
            public void joinSamples(String run) throws LogbookException {
                book.joinSamples(run);
            }
        };
    }
}
