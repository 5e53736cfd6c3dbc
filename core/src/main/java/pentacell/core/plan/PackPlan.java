package pentacell.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/// The packs that could meet a need, and those beside them that could not.
///
/// @param options by groups in series, then cells in parallel
/// @param best the lightest that meets all; of those the one that leaves least energy inside
/// @param nearest when none does: what could be met, in words
public record PackPlan(List<Option> options, Optional<Option> best, Optional<String> nearest) {
    public PackPlan {
        options = List.copyOf(options);
    }

    /// A pack.
    ///
    /// @param usableShare energy above the low trip ÷ all, both at the steady load
    /// @param usableWattHours at the pack's terminals, at the steady load, until the device stops
    ///   or the pack is empty
    /// @param hours at the steady load
    /// @param kilometres when it is known what one takes
    /// @param steadyAmps of a cell, at the lowest voltage the device still runs at
    /// @param peakAmps the same at the peak
    /// @param kilograms with holders, strips, board and leads
    /// @param price of the cells, when one is known
    /// @param fits whether it goes into the box; empty without one
    /// @param obstacles what stands in its way; none when it is feasible
    public record Option(
            int series,
            int parallel,
            double fullVolts,
            double emptyVolts,
            double usableShare,
            double usableWattHours,
            double hours,
            OptionalDouble kilometres,
            double steadyAmps,
            double peakAmps,
            double kilograms,
            OptionalDouble price,
            Optional<Boolean> fits,
            List<Obstacle> obstacles) {
        public Option {
            obstacles = List.copyOf(obstacles);
        }

        public int cells() {
            return series * parallel;
        }

        public boolean isFeasible() {
            return obstacles.isEmpty();
        }
    }

    /// Something that stands in the way of a pack.
    ///
    /// @param limit what must be kept
    /// @param figure what the pack has
    /// @param sentence both in words
    public record Obstacle(Check check, double limit, double figure, String sentence) {}

    /// What is looked at, in the order it is.
    public enum Check {
        HIGH_TRIP,
        LOW_TRIP,
        STEADY_CURRENT,
        PEAK_CURRENT,
        HOURS,
        KILOMETRES,
        BOX,
        CELLS
    }
}
