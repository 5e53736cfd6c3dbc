package pentacell.core.circuit;

import pentacell.core.cell.Chemistry;

/// The voltage of a rested cell over its state of charge.
///
/// A monotone cubic (Fritsch & Carlson 1980, with the slopes of Fritsch & Butland 1984; from
/// memory) through points of our own choosing, for a typical used cell of the family: smooth and
/// strictly rising, so it can be read both ways. Good to about 50 mV in the 4.2 V class. The curve
/// of LFP is so flat between 20 and 95 % that a voltage says little there; read it the other way
/// with care.
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

    private final VoltageCurve curve;

    private RestCurve(double[] shares, double[] volts) {
        curve = VoltageCurve.smooth(shares, volts);
    }

    /// The curve of a chemistry.
    public static RestCurve of(Chemistry chemistry) {
        return switch (chemistry) {
            case NMC -> NMC;
            case LFP -> LFP;
        };
    }

    /// The curve itself, for circuits.
    public VoltageCurve curve() {
        return curve;
    }

    /// Resting voltage in V at a state of charge.
    ///
    /// @param share 0 empty to 1 full; beyond is held at the ends
    public double volts(double share) {
        return curve.volts(Math.clamp(number(share), 0, 1));
    }

    /// State of charge, 0 to 1, of a cell resting at a voltage in V; held at the ends.
    public double share(double restingVolts) {
        return curve.share(number(restingVolts));
    }

    private static double number(double value) {
        if (Double.isNaN(value))
            throw new IllegalArgumentException("a point of the rest curve must be a number");
        return value;
    }
}
