package pentacell.desktop.frame;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import pentacell.core.state.Chapter;
import pentacell.core.stock.JudgedStock;
import pentacell.workshop.logbook.Damage;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// What came of opening a workshop: all that takes long is done when it arrives on the desk.
public sealed interface Arrival {
    /// A workshop that can be put on the desk.
    ///
    /// @param judged its cells
    record Ready(Logbook book, JudgedStock judged) implements Arrival {
        /// Judges the cells of a workshop that was opened.
        public static Ready of(Logbook book) {
            return new Ready(book, JudgedStock.of(book.state()));
        }
    }

    /// A file that is not opened.
    ///
    /// @param message why, and what to do
    record Refused(String message) implements Arrival {}

    /// A file that is not whole, and is not opened.
    ///
    /// @param damage what was found, and what can be done
    record Damaged(Damage damage) implements Arrival {}

    /// Opens a workshop; away from the UI thread.
    ///
    /// @param reading told how far it is
    static Arrival of(Path file, Clock clock, List<Chapter<?>> chapters, OpeningProgress reading) {
        return switch (Logbook.open(file, clock, chapters, reading::tell)) {
            case Opening.Opened opened -> Ready.of(opened.logbook());
            case Opening.Refused refused -> new Refused(refused.message());
            case Opening.Damaged damaged -> new Damaged(damaged.damage());
        };
    }
}
