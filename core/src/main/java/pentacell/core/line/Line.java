package pentacell.core.line;

import java.util.List;
import java.util.function.Function;

/// A typed line as it was understood.
///
/// @param <A> what Enter does with it
public sealed interface Line<A> {
    /// Its pieces in the order typed.
    List<Piece> pieces();

    /// What to say about it while it is typed; empty when nothing is odd.
    String remark();

    /// A line that Enter takes.
    ///
    /// @param remark what is odd about it; it can be logged all the same
    record Complete<A>(List<Piece> pieces, String remark, A act) implements Line<A> {
        public Complete {
            pieces = List.copyOf(pieces);
        }
    }

    /// A line that stays in the field.
    ///
    /// @param remark why it cannot be logged, with what was expected; empty of a blank line only
    record Incomplete<A>(List<Piece> pieces, String remark) implements Line<A> {
        public Incomplete {
            pieces = List.copyOf(pieces);
        }
    }

    /// A line in which nothing was typed yet.
    static <A> Line<A> blank() {
        return new Incomplete<>(List.of(), "");
    }

    /// A line of which no piece can be shown.
    static <A> Line<A> wrong(String why) {
        return new Incomplete<>(List.of(), why);
    }

    /// The same line with another act, or none after all.
    default <B> Line<B> then(Function<Complete<A>, Line<B>> next) {
        return switch (this) {
            case Complete<A> complete -> next.apply(complete);
            case Incomplete<A> incomplete -> new Incomplete<>(incomplete.pieces, incomplete.remark);
        };
    }
}
