package pentacell.core.plan;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.Chemistry;

/// What a pack must power, what it is made of, and where it must fit.
///
/// @param chemistry of its cells
/// @param lowTripVolts under which the device stops, in V; 0 when it never does
/// @param highTripVolts which the device bears at most, in V
/// @param load what it draws
/// @param hours wanted, in h
/// @param kilometres wanted
/// @param cell what it is made of
/// @param mostCells cells there are; empty for as many as it takes
/// @param box inside of the box
/// @param charger at hand
/// @param board at hand
public record Need(
        Chemistry chemistry,
        double lowTripVolts,
        double highTripVolts,
        Power load,
        OptionalDouble hours,
        OptionalDouble kilometres,
        PlanCell cell,
        OptionalInt mostCells,
        Optional<Box> box,
        Optional<Charger> charger,
        Optional<Board> board) {
    public Need {
        if (!(lowTripVolts >= 0 && highTripVolts > lowTripVolts && highTripVolts <= 2000))
            throw new IllegalArgumentException(
                    "a device runs from its low to its higher trip, up to 2000 V, was %s to %s V"
                            .formatted(lowTripVolts, highTripVolts));
        hours.ifPresent(wanted -> requireWanted("hours", wanted));
        kilometres.ifPresent(wanted -> requireWanted("kilometres", wanted));
        if (kilometres.isPresent() && load.wattHoursPerKilometre().isEmpty())
            throw new IllegalArgumentException(
                    "kilometres are wanted, but not said what one takes: wattHoursPerKilometre");
    }

    private static void requireWanted(String what, double wanted) {
        if (!(wanted > 0 && wanted <= 1e6))
            throw new IllegalArgumentException(
                    "%s wanted are above 0 and at most 1000000, was %s".formatted(what, wanted));
    }

    /// What is drawn.
    ///
    /// @param steadyWatts at the device, in W, above 0
    /// @param peakWatts at the device, in W; at least the steady ones
    /// @param efficiency of what stands between pack and device, above 0 to 1
    /// @param idleWatts what that draws by itself, in W
    /// @param wattHoursPerKilometre at the device, in Wh
    public record Power(
            double steadyWatts,
            double peakWatts,
            double efficiency,
            double idleWatts,
            OptionalDouble wattHoursPerKilometre) {
        public Power {
            if (!(steadyWatts > 0 && steadyWatts <= 1e7))
                throw new IllegalArgumentException(
                        "steadyWatts is above 0 and at most 10000000 W, was " + steadyWatts);
            if (!(peakWatts >= steadyWatts && peakWatts <= 1e7))
                throw new IllegalArgumentException(
                        "peakWatts is at least the steady %s W, was %s"
                                .formatted(steadyWatts, peakWatts));
            if (!(efficiency > 0 && efficiency <= 1))
                throw new IllegalArgumentException(
                        "efficiency is above 0 and at most 1, was " + efficiency);
            if (!(idleWatts >= 0 && idleWatts <= 1e6))
                throw new IllegalArgumentException("idleWatts is 0 to 1000000 W, was " + idleWatts);
            wattHoursPerKilometre.ifPresent(each -> requireWanted("Wh per kilometre", each));
        }

        /// What the pack gives at the steady load, in W.
        public double steadyFromPack() {
            return steadyWatts / efficiency + idleWatts;
        }

        /// What the pack gives at the peak, in W.
        public double peakFromPack() {
            return peakWatts / efficiency + idleWatts;
        }
    }

    /// A cell of the pack, as the mean of them all.
    ///
    /// @param ampHours its whole charge, in Ah
    /// @param ohms its resistance in Ω
    /// @param maxContinuousAmps it may give for long
    /// @param maxPeakAmps it may give for moments
    /// @param grams its mass
    /// @param format its size, where the box matters
    /// @param price of one, in any currency
    public record PlanCell(
            double ampHours,
            double ohms,
            double maxContinuousAmps,
            double maxPeakAmps,
            double grams,
            CellFormat format,
            OptionalDouble price) {
        public PlanCell {
            if (!(ampHours > 0 && ampHours <= 1000))
                throw new IllegalArgumentException(
                        "a cell holds above 0 and at most 1000 Ah, was " + ampHours);
            if (!(ohms > 0 && ohms <= 100))
                throw new IllegalArgumentException(
                        "a cell has above 0 and at most 100 Ω, was " + ohms);
            if (!(maxContinuousAmps > 0 && maxPeakAmps >= maxContinuousAmps && maxPeakAmps <= 1000))
                throw new IllegalArgumentException(
                        "a cell gives above 0 A for long and at least as much for moments, was %s and %s A"
                                .formatted(maxContinuousAmps, maxPeakAmps));
            if (!(grams > 0 && grams <= 100_000))
                throw new IllegalArgumentException("a cell weighs above 0 g, was " + grams);
        }
    }

    /// A charger.
    ///
    /// @param volts its end voltage for the whole pack, in V
    /// @param amps its current, in A
    /// @param supplyWatts rating of what feeds it, in W; empty when that is its own
    public record Charger(double volts, double amps, OptionalDouble supplyWatts) {
        public Charger {
            if (!(volts > 0 && volts <= 2000 && amps > 0 && amps <= 10_000))
                throw new IllegalArgumentException(
                        "a charger has above 0 V and above 0 A, was %s V and %s A"
                                .formatted(volts, amps));
            supplyWatts.ifPresent(watts -> requireWanted("the supply's watts", watts));
        }
    }

    /// A protection board.
    ///
    /// @param continuousAmps it bears for long, in A
    /// @param peakAmps at which it cuts off, in A
    /// @param hasBalanceLeads whether it sees every group
    public record Board(
            int series,
            Chemistry chemistry,
            double continuousAmps,
            double peakAmps,
            boolean hasBalanceLeads) {
        public Board {
            if (series < 1 || !(continuousAmps > 0 && peakAmps >= continuousAmps))
                throw new IllegalArgumentException(
                        "a board is for 1 group or more and bears above 0 A, at its peak no less, was %dS, %s A and %s A"
                                .formatted(series, continuousAmps, peakAmps));
        }
    }

    /// The inside of a box, in mm.
    public record Box(double lengthMillimetres, double widthMillimetres, double heightMillimetres) {
        public Box {
            for (double side :
                    new double[] {lengthMillimetres, widthMillimetres, heightMillimetres})
                if (!(side > 0 && side <= 100_000))
                    throw new IllegalArgumentException(
                            "a box's sides are above 0 and at most 100000 mm, was " + side);
        }
    }
}
