package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import pentacell.core.line.Line;
import pentacell.core.line.Piece;

/// Reads what is typed into a quick line and says what Enter does.
public interface QuickSource {
    /// What the line is about when it names nothing, such as `HB05-12 (new)`.
    String inHand();

    /// An example of a line.
    String example();

    /// Reads what is typed. It is read once: Enter does what was shown.
    Typed read(String text);

    /// Calls back when what is in hand, or known, has changed.
    void onChange(Runnable changed);

    /// A line as it was understood, with what is in hand now.
    ///
    /// @param remark what to say of it; of one that cannot be logged, why
    /// @param onEnter what Enter does; the line's subject stays what it is now, whatever is typed
    ///   while it waits for the disk
    record Typed(List<Piece> pieces, String remark, Supplier<Entered> onEnter) {
        public Typed {
            pieces = List.copyOf(pieces);
        }

        /// A line with what a complete one does at Enter.
        public static <A> Typed of(Line<A> line, Function<A, Entered> onEnter) {
            return switch (line) {
                case Line.Complete<A> complete ->
                        new Typed(
                                line.pieces(), line.remark(), () -> onEnter.apply(complete.act()));
                case Line.Incomplete<A> incomplete ->
                        new Typed(
                                line.pieces(),
                                line.remark(),
                                () -> new Entered.Refused(incomplete.remark()));
            };
        }
    }
}
