package pentacell.desktop.test;

import java.util.List;
import java.util.Map;
import pentacell.core.fact.Fact;
import pentacell.core.fact.WorkshopState;
import pentacell.core.measure.SampleLog;
import pentacell.desktop.frame.Desk;
import pentacell.instruments.bench.Keeper;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// Keeps what the bench hears in the workshop on the desk; facts go through the desk, so that every
/// view hears of them.
final class DeskKeeper implements Keeper {
    private final Desk desk;
    private final Logbook book;

    DeskKeeper(Desk desk, Logbook book) {
        this.desk = desk;
        this.book = book;
    }

    @Override
    public WorkshopState state() {
        return book.state();
    }

    @Override
    public void log(String words, List<? extends Fact> facts) throws LogbookException {
        desk.logFrom(book, words, facts);
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
}
