package pentacell.desktop.frame;

import java.util.function.Consumer;

/// A line at the moment Enter was pressed, with what was in hand then.
public sealed interface Entered {
    /// It can be logged.
    ///
    /// @param text the line with what it is about spelled out, so that it means the same when it
    ///   comes back later
    /// @param attempt logs it; can be made again when it failed
    record Line(String text, Attempt attempt) implements Entered {}

    /// It cannot be logged as it stands.
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
