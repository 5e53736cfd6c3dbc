package pentacell.core.line;

import java.util.function.Function;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.state.WorkshopState;

/// Lines about a matched pack.
public final class PackLines {
    private PackLines() {}

    /// Reads a line about a pack, or says that there is no pack yet.
    ///
    /// @param pack its name
    /// @param grammar reads a line that is not blank
    public static Line<LineAct> read(
            String text, WorkshopState state, String pack, Function<Pack, Line<LineAct>> grammar) {
        if (text.isBlank()) return Line.blank();
        return Packs.of(state)
                .pack(pack)
                .map(grammar)
                .orElse(Line.wrong("Match a pack first (Ctrl+6)."));
    }
}
