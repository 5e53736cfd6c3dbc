package pentacell.instruments.simulated;

import pentacell.core.cell.Chemistry;

/// What a virtual cell is in truth.
///
/// @param chemistry its family
/// @param milliampHours charge between full and empty at rest, in mAh
/// @param ohms R0: what a step of current sees at once, in Ω
/// @param slowOhms resistance of the slow pair, in Ω
/// @param slowSeconds time constant of the slow pair, in s
/// @param leakAmps self-discharge, in A
/// @param heaterWatts heat it makes idle, in W
/// @param heatFactor how much more heat it makes under current than its resistance explains
/// @param share state of charge to begin with, 0 to 1
public record CellTruth(
        Chemistry chemistry,
        double milliampHours,
        double ohms,
        double slowOhms,
        double slowSeconds,
        double leakAmps,
        double heaterWatts,
        double heatFactor,
        double share) {
    public CellTruth {
        if (!(milliampHours > 0 && ohms > 0 && slowOhms >= 0 && slowSeconds > 0))
            throw new IllegalArgumentException(
                    "a virtual cell has capacity and resistance, was %s mAh, %s Ω"
                            .formatted(milliampHours, ohms));
        if (!(share >= 0 && share <= 1 && leakAmps >= 0 && heaterWatts >= 0 && heatFactor >= 1))
            throw new IllegalArgumentException("a virtual cell is charged 0 to 1, was " + share);
    }

    /// A sound cell.
    public static CellTruth sound(
            Chemistry chemistry, double milliampHours, double ohms, double share) {
        return new CellTruth(chemistry, milliampHours, ohms, 0.5 * ohms, 45, 0.00005, 0, 1, share);
    }

    /// The same cell with a fault inside that makes it hot.
    public CellTruth asHeater() {
        return new CellTruth(
                chemistry, milliampHours, ohms, slowOhms, slowSeconds, 0.02, 0.08, 32, share);
    }
}
