package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import pentacell.core.match.Candidate;
import pentacell.core.plan.CellSupply;
import pentacell.core.plan.Margin;
import pentacell.core.plan.PackPlan;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.VoltageBar;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.plan.facts.Need;

/// What a need comes to.
///
/// @param stock the cells that are free for the pack
/// @param ladder the packs about it, the fittest first
/// @param bars how many groups span which voltages
record Proposal(
        Need need,
        List<Candidate> stock,
        CellSupply supply,
        PackPlan plan,
        List<Rung> ladder,
        List<VoltageBar> bars) {
    Proposal {
        stock = List.copyOf(stock);
        ladder = List.copyOf(ladder);
        bars = List.copyOf(bars);
    }

    /// A pack of the ladder.
    ///
    /// @param margins its room in every respect
    /// @param why it stands where it does
    record Rung(Option option, List<Margin> margins, String why) {}

    /// A pack of the ladder by its size.
    Optional<Option> option(Chosen size) {
        return ladder.stream()
                .map(Rung::option)
                .filter(each -> each.asChosen().equals(size))
                .findFirst();
    }
}
