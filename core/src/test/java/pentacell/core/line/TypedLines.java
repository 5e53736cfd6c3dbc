package pentacell.core.line;

import java.util.List;
import pentacell.core.journal.Fact;
import pentacell.core.state.WorkshopState;

/// Looks into lines as they were understood.
public final class TypedLines {
    private TypedLines() {}

    /// What Enter does with a line that must be complete.
    public static <A> A act(Line<A> line) {
        return switch (line) {
            case Line.Complete<A> complete -> complete.act();
            case Line.Incomplete<A> wrong -> throw new AssertionError(wrong.toString());
        };
    }

    /// What a complete line logs; nothing of one that only names something.
    public static List<Fact> facts(Line<LineAct> line, WorkshopState before) {
        return act(line)
                .toLog()
                .map(log -> List.<Fact>copyOf(log.draft().from(before)))
                .orElse(List.of());
    }

    /// Why a line that must not be complete cannot be logged.
    public static String whyNot(Line<?> line) {
        return switch (line) {
            case Line.Incomplete<?> wrong -> wrong.remark();
            case Line.Complete<?> complete -> throw new AssertionError(complete.toString());
        };
    }

    /// The kinds of its pieces, in order.
    public static List<String> kinds(Line<?> line) {
        return line.pieces().stream().map(Piece::kind).toList();
    }
}
