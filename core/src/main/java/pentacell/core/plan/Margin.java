package pentacell.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;

/// Room that a pack has in one respect.
///
/// @param share above 0 is room to spare, below 0 is what lacks, as a share of what is wanted
public record Margin(Kind kind, double share) {
    /// In which respect.
    public enum Kind {
        CURRENT("current"),
        TIME("hours"),
        DISTANCE("km"),
        BOX("box"),
        STOCK("cells"),
        MASS("mass"),
        COST("cost");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /// The room of a pack in every respect that something was said of.
    ///
    /// @param cost what it costs, when that is known, in the currency of what it replaces
    public static List<Margin> of(
            Option option, Need need, CellSupply supply, OptionalDouble cost) {
        List<Margin> margins = new ArrayList<>();
        MeanCell cell = supply.mean(option.cells());
        margins.add(
                new Margin(
                        Kind.CURRENT,
                        Math.min(
                                        cell.maxContinuousAmps() / option.steadyAmps(),
                                        cell.maxPeakAmps() / option.peakAmps())
                                - 1));
        need.hours()
                .ifPresent(
                        wanted -> margins.add(new Margin(Kind.TIME, option.hours() / wanted - 1)));
        need.kilometres()
                .ifPresent(wanted ->
                        margins.add(
                                new Margin(
                                        Kind.DISTANCE,
                                        option.kilometres().orElse(0) / wanted - 1)));
        need.box()
                .ifPresent(box ->
                        margins.add(
                                new Margin(
                                        Kind.BOX,
                                        (double) BoxFit.most(supply.format(), box, need.packing())
                                                        / option.cells()
                                                - 1)));
        supply.most()
                .ifPresent(most ->
                        margins.add(
                                new Margin(
                                        Kind.STOCK,
                                        (double) (most - need.spares()) / option.cells() - 1)));
        need.replaces()
                .ifPresent(block -> {
                    block.kilograms()
                            .ifPresent(mass ->
                                    margins.add(
                                            new Margin(Kind.MASS, 1 - option.kilograms() / mass)));
                    if (cost.isPresent() && block.price().isPresent())
                        margins.add(
                                new Margin(
                                        Kind.COST,
                                        1 - cost.getAsDouble() / block.price().get().amount()));
                });
        return List.copyOf(margins);
    }
}
