package pentacell.core.plan.facts;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;

/// A protection board.
///
/// @param series groups it is for
/// @param continuousAmps it bears for long, in A
/// @param peakAmps at which it cuts off, in A
/// @param hasBalanceLeads whether it sees every group
/// @param balanceMilliamps it evens groups with, in mA, when known
/// @param hasTemperatureProbe whether it feels the cells' temperature, when known
/// @param hasSeparatePort whether it is charged through a port of its own, when known
public record Board(
        int series,
        Chemistry chemistry,
        double continuousAmps,
        double peakAmps,
        boolean hasBalanceLeads,
        OptionalDouble balanceMilliamps,
        Optional<Boolean> hasTemperatureProbe,
        Optional<Boolean> hasSeparatePort) {
    public Board {
        if (series < 1 || !(continuousAmps > 0 && peakAmps >= continuousAmps))
            throw new IllegalArgumentException(
                    "a board is for 1 group or more, its continuous current is above 0 A and its peak at least as high; was %dS, %s A and %s A"
                            .formatted(series, continuousAmps, peakAmps));
        balanceMilliamps.ifPresent(milliamps -> Need.requireAmount("balancing mA", milliamps));
    }

    /// A board of which no more is known.
    public Board(
            int series,
            Chemistry chemistry,
            double continuousAmps,
            double peakAmps,
            boolean hasBalanceLeads) {
        this(
                series,
                chemistry,
                continuousAmps,
                peakAmps,
                hasBalanceLeads,
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty());
    }
}
