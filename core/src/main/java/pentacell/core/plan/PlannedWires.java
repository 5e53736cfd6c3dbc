package pentacell.core.plan;

import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Need;

/// What the wires of a planned pack carry, and how thick its leads are.
///
/// @param steadyAmps what it gives for long, in A, at the lowest voltage it is used at
/// @param peakAmps what it gives for moments, in A
/// @param leadSquareMillimetres copper of each lead, in mm²
/// @param emptyVolts at which the pack is empty, in V
/// @param mainFuseAmps rating of the fuse that protects them, in A
public record PlannedWires(
        double steadyAmps,
        double peakAmps,
        double leadSquareMillimetres,
        double emptyVolts,
        double mainFuseAmps) {

    /// Those of a pack.
    public static PlannedWires of(Option option, Need need, CellSupply supply) {
        CheckSheet sheet = new CheckSheet(option, need, supply);
        return new PlannedWires(
                sheet.steadyAmps(),
                sheet.peakAmps(),
                PackWires.leadSquareMillimetres(sheet),
                option.emptyVolts(),
                PackWires.mainFuseAmps(sheet));
    }
}
