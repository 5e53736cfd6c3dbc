package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Consumer;
import pentacell.core.journal.Fact;
import pentacell.core.state.Draft;

/// A line at the moment Enter was pressed, with what was in hand then.
public sealed interface Entered {
    /// It can be logged.
    ///
    /// @param text the line with what it is about spelled out, so that it means the same when it
    ///   comes back later
    /// @param attempt logs it; can be made again when it failed
    record Line(String text, Attempt attempt) implements Entered {}

    /// It cannot be logged as it is.
    ///
    /// @param why in words, with what was expected; empty when it is only unfinished
    record Refused(String why) implements Entered {}

    /// Logs a line.
    interface Attempt {
        /// Returns at once; exactly one of the two runs on the window's thread, now or later.
        ///
        /// @param onFailed takes the reason
        void log(Runnable onLogged, Consumer<String> onFailed);
    }

    /// A line that is logged as one act.
    ///
    /// @param words what the act is called
    static Entered act(Ledger ledger, String text, String words, Draft draft) {
        return new Line(text, (onLogged, onFailed) -> ledger.log(words, draft, onLogged, onFailed));
    }

    /// The same for a single fact that does not depend on what was logged before.
    static Entered fact(Ledger ledger, String text, String words, Fact fact) {
        return act(ledger, text, words, before -> List.of(fact));
    }

    /// A line that changes nothing on the disk, such as taking a cell in hand.
    static Entered done(String text, Runnable action) {
        return new Line(
                text,
                (onLogged, onFailed) -> {
                    action.run();
                    onLogged.run();
                });
    }
}
