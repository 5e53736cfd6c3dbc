package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import pentacell.core.need.Need;
import pentacell.core.plan.CellSupply;
import pentacell.core.plan.PackPlan;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.VoltageBar;

/// What a need comes to.
///
/// @param ladder the packs about it, the fittest first
/// @param bars how many groups span which voltages
record Proposal(
        Need need, CellSupply supply, PackPlan plan, List<Option> ladder, List<VoltageBar> bars) {
    Proposal {
        ladder = List.copyOf(ladder);
        bars = List.copyOf(bars);
    }

    /// A pack of the ladder by its size.
    Optional<Option> option(int series, int parallel) {
        return ladder.stream()
                .filter(each -> each.series() == series && each.parallel() == parallel)
                .findFirst();
    }
}
