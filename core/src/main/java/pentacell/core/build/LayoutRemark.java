package pentacell.core.build;

import java.util.List;

/// Something about a layout that a builder must see.
///
/// @param groups numbers of the groups it is about, from 1; empty when it is about the whole
public record LayoutRemark(Kind kind, List<Integer> groups, String sentence) {
    public LayoutRemark {
        groups = List.copyOf(groups);
    }

    /// How much it matters.
    public enum Kind {
        /// It cannot be built so.
        BROKEN,
        /// It can, with care.
        CAUTION
    }
}
