package pentacell.core.plan;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.conductor.Conductor;
import pentacell.core.conductor.Material;
import pentacell.core.conductor.Section;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.CellFuse;
import pentacell.core.plan.facts.MeanCell;

/// At what current a cell's fuse should open: above what the cell gives with margin, under what the
/// rest of its group drives into it when it is shorted.
///
/// @param leastAmps twice the cell's share of the peak, for cells that share unevenly (common
///   practice)
/// @param mostAmps half of the current into a shorted cell, so that it opens at once: (P − 1) cells
///   through their own resistance into one, I = U ÷ (R·(1 + 1/(P − 1)))
public record FuseWindow(double leastAmps, double mostAmps) {
    private static final double PEAK_MARGIN = 2;
    private static final double SHORT_SHARE = 0.5;

    /// Diameters that bare wire comes in, in mm.
    private static final double[] WIRES = {
        0.08, 0.10, 0.12, 0.14, 0.16, 0.18, 0.20, 0.25, 0.30, 0.35, 0.40, 0.50, 0.60, 0.80, 1.00
    };

    /// The window of a pack's cells; of a cell alone in its group it is closed, for nothing drives
    /// a current into it.
    static FuseWindow of(Option option, MeanCell cell, Chemistry chemistry) {
        int others = option.parallel() - 1;
        double shorted =
                others == 0 ? 0 : chemistry.nominalVolts() / (cell.ohms() * (1 + 1.0 / others));
        return new FuseWindow(PEAK_MARGIN * option.peakAmps(), SHORT_SHARE * shorted);
    }

    /// Whether any current lies in it.
    public boolean isOpen() {
        return mostAmps > leastAmps;
    }

    /// Diameters of bare copper wire that open inside the window, by Preece, in mm.
    public List<Double> copperWires() {
        return Arrays.stream(WIRES)
                .filter(wire -> {
                    double amps = opensAt(new CellFuse(CellFuse.Kind.COPPER_WIRE, wire));
                    return amps >= leastAmps && amps <= mostAmps;
                })
                .boxed()
                .toList();
    }

    /// At what current a fuse opens, in A.
    public static double opensAt(CellFuse fuse) {
        OptionalDouble amps =
                switch (fuse.kind()) {
                    case OPENS_AT_AMPS -> OptionalDouble.of(fuse.figure());
                    case COPPER_WIRE ->
                            new Conductor(Material.COPPER, new Section.Round(fuse.figure()), 1, 1)
                                    .fusingAmps();
                };
        return amps.orElse(Double.NaN);
    }
}
