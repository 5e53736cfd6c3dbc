package pentacell.core.build;

import java.util.List;
import java.util.Optional;
import pentacell.core.build.facts.Layout;

/// A layout with what it comes to.
///
/// @param words how it lies, in words
/// @param lengthMillimetres of the cans along the rows; of a layer
/// @param widthMillimetres of the cans across the rows
/// @param leastBridges fewest touching pairs between a group and the next
/// @param remarks what a builder must see
/// @param currents what flows; empty when a group or the string does not hang together
public record JudgedLayout(
        Layout layout,
        String words,
        double lengthMillimetres,
        double widthMillimetres,
        int leastBridges,
        List<LayoutRemark> remarks,
        Optional<PackCurrents> currents) {
    public JudgedLayout {
        remarks = List.copyOf(remarks);
    }

    /// Length as it is drawn, layers beside each other, in mm.
    public double drawnLengthMillimetres() {
        return lengthMillimetres + layout.grid().besideMillimetres();
    }

    /// Whether it can be built so.
    public boolean canBeBuilt() {
        return remarks.stream().noneMatch(each -> each.kind() == LayoutRemark.Kind.BROKEN);
    }

    /// Judges a layout.
    public static JudgedLayout of(Layout layout, String words, LayoutWish wish, Electric electric) {
        List<LayoutRemark> remarks = LayoutCheck.of(layout, wish);
        boolean hangsTogether = remarks.stream().noneMatch(LayoutRemark::isInterrupted);
        return new JudgedLayout(
                layout,
                words,
                LayoutCheck.length(layout, wish),
                LayoutCheck.width(layout, wish),
                LayoutCheck.bridges(layout).stream().mapToInt(Integer::intValue).min().orElse(0),
                remarks,
                hangsTogether ? Optional.of(electric.solve(layout)) : Optional.empty());
    }

    /// What flows through a layout is worked out from this.
    ///
    /// @param sources the cans of each group in their order
    /// @param amps taken out at the leads; below 0 for a charge
    /// @param celsius of the conductors
    public record Electric(
            WiringParts parts,
            List<List<PackCurrents.Source>> sources,
            double amps,
            double celsius) {
        public Electric {
            sources = sources.stream().map(List::copyOf).toList();
        }

        /// What flows.
        public PackCurrents solve(Layout layout) {
            return PackCurrents.of(layout, parts, sources, amps, celsius);
        }
    }
}
