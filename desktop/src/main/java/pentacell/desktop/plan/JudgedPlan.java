package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import pentacell.core.plan.BoxFit;
import pentacell.core.plan.Checked;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.PackRun;
import pentacell.core.plan.PartsList;

/// The pack looked at, with everything that is known of it.
///
/// @param checks in the order they are looked at
/// @param parts with what they cost
/// @param perKilowattHour what a kWh of it costs beside others
/// @param fit how it lies in the box
/// @param runs how it runs its loads
record JudgedPlan(
        Proposal proposal,
        Option option,
        List<Checked> checks,
        PartsList parts,
        List<PartsList.PerKilowattHour> perKilowattHour,
        Optional<BoxFit> fit,
        Runs runs) {
    JudgedPlan {
        checks = List.copyOf(checks);
        perKilowattHour = List.copyOf(perKilowattHour);
    }

    /// How it runs its loads.
    ///
    /// @param mean of mean cells
    /// @param weaker of groups two standard deviations weaker, when the cells' spread is known
    /// @param stronger the same the other way
    /// @param winter on the coldest day, when one was named
    /// @param matched of the groups as they are matched, when they are
    record Runs(
            PackRun mean,
            Optional<PackRun> weaker,
            Optional<PackRun> stronger,
            Optional<PackRun> winter,
            Optional<PackRun> matched) {}
}
