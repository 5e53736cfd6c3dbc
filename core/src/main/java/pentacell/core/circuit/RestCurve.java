package pentacell.core.circuit;

import pentacell.core.cell.Chemistry;

/// The voltage of a rested cell over its state of charge.
///
/// A polyline through points of our own choosing, for a typical used cell of the family: strictly
/// rising, so it can be read both ways. Good to about 50 mV in the 4.2 V class. The curve of LFP is
/// so flat between 20 and 95 % that a voltage says little there; read it the other way with care.
public final class RestCurve {
    private static final RestCurve NMC =
            new RestCurve(
                    new double[] {
                        0, 0.02, 0.05, 0.10, 0.20, 0.30, 0.40, 0.50, 0.60, 0.70, 0.80, 0.90, 1
                    },
                    new double[] {
                        3.00, 3.18, 3.33, 3.45, 3.55, 3.61, 3.65, 3.70, 3.78, 3.87, 3.97, 4.07, 4.19
                    });
    private static final RestCurve LFP =
            new RestCurve(
                    new double[] {
                        0, 0.02, 0.05, 0.10, 0.20, 0.30, 0.40, 0.60, 0.70, 0.80, 0.95, 0.99, 1
                    },
                    new double[] {
                        2.60, 2.90, 3.08, 3.19, 3.235, 3.265, 3.285, 3.295, 3.315, 3.325, 3.335,
                        3.36, 3.45
                    });

    private final double[] shares;
    private final double[] volts;

    private RestCurve(double[] shares, double[] volts) {
        this.shares = shares;
        this.volts = volts;
    }

    /// The curve of a chemistry.
    public static RestCurve of(Chemistry chemistry) {
        return switch (chemistry) {
            case NMC -> NMC;
            case LFP -> LFP;
        };
    }

    /// Resting voltage in V at a state of charge.
    ///
    /// @param share 0 empty to 1 full; beyond is held at the ends
    public double volts(double share) {
        return between(shares, volts, share);
    }

    /// State of charge, 0 to 1, of a cell resting at a voltage in V; held at the ends.
    public double share(double restingVolts) {
        return between(volts, shares, restingVolts);
    }

    /// How steep the curve is, in V per whole charge, at a state of charge.
    public double slopeVolts(double share) {
        double step = 0.01;
        double low = Math.clamp(share - step, 0, 1 - 2 * step);
        return (volts(low + 2 * step) - volts(low)) / (2 * step);
    }

    private static double between(double[] from, double[] to, double value) {
        if (Double.isNaN(value))
            throw new IllegalArgumentException("a point of the rest curve must be a number");
        int last = from.length - 1;
        if (value <= from[0]) return to[0];
        if (value >= from[last]) return to[last];
        int i = 1;
        while (from[i] < value) i++;
        return to[i - 1] + (to[i] - to[i - 1]) * (value - from[i - 1]) / (from[i] - from[i - 1]);
    }
}
