package pentacell.core.build;

import pentacell.core.build.facts.Spot;

/// Something about a layout that a builder must see. [BuildFindingWords] has the words. Groups
/// count from 1.
public sealed interface LayoutRemark {
    /// The cells of a group do not all touch.
    record GroupInPieces(int group, int pieces) implements LayoutRemark {}

    /// A group does not touch the next.
    record GroupsApart(int group, int next) implements LayoutRemark {}

    /// All current between two groups flows through one touching pair.
    record OneBridge(int group, int next) implements LayoutRemark {}

    /// The lead of a group at the end of the string must cross others.
    record LeadCrosses(int group) implements LayoutRemark {}

    /// It does not fit into the box.
    record TooLarge(double lengthMillimetres, double widthMillimetres, int layers)
            implements LayoutRemark {}

    /// The places are nearer to each other than a cell is wide.
    record PitchTooSmall(double diameterMillimetres, double pitchMillimetres)
            implements LayoutRemark {}

    /// Welded units do not lie together.
    record UnitsInPieces(int group, int units) implements LayoutRemark {}

    /// A cell is where the grid is kept free.
    record OnKeptFree(int group, Spot spot) implements LayoutRemark {}

    /// Layers lie on each other.
    ///
    /// @param first face that folds in first
    /// @param mostApart groups of voltage between faces that meet
    record LayersFold(int layers, Face first, int mostApart) implements LayoutRemark {}

    /// Cells side by side differ by several groups' voltage.
    record HighVoltageBeside(int pairs, int mostApart) implements LayoutRemark {}

    /// How much it matters.
    enum Kind {
        /// It cannot be built so.
        BROKEN,
        /// It can, with care.
        CAUTION
    }

    /// How much it matters.
    default Kind kind() {
        return switch (this) {
            case GroupInPieces pieces -> Kind.BROKEN;
            case GroupsApart apart -> Kind.BROKEN;
            case TooLarge large -> Kind.BROKEN;
            case PitchTooSmall small -> Kind.BROKEN;
            case UnitsInPieces pieces -> Kind.BROKEN;
            case OnKeptFree free -> Kind.BROKEN;
            case OneBridge bridge -> Kind.CAUTION;
            case LeadCrosses lead -> Kind.CAUTION;
            case LayersFold layers -> Kind.CAUTION;
            case HighVoltageBeside pairs -> Kind.CAUTION;
        };
    }

    /// Whether the string of groups is interrupted by it, so that no current can be calculated.
    default boolean isInterrupted() {
        return this instanceof GroupInPieces || this instanceof GroupsApart;
    }
}
