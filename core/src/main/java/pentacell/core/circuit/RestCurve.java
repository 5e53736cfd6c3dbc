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

    private static final int MOST_STEPS = 60;
    private static final double EXACT_VOLTS = 1e-12;

    private final double[] shares;
    private final double[] volts;

    /// Slope at each point, in V per whole charge.
    private final double[] slopes;

    private RestCurve(double[] shares, double[] volts) {
        this.shares = shares;
        this.volts = volts;
        slopes = slopes(shares, volts);
    }

    /// Slopes that let no piece overshoot: between two points the weighted harmonic mean of the
    /// steepness on either side, at the ends that of the line.
    private static double[] slopes(double[] x, double[] y) {
        int last = x.length - 1;
        double[] slopes = new double[x.length];
        slopes[0] = (y[1] - y[0]) / (x[1] - x[0]);
        slopes[last] = (y[last] - y[last - 1]) / (x[last] - x[last - 1]);
        for (int i = 1; i < last; i++) {
            double before = x[i] - x[i - 1];
            double after = x[i + 1] - x[i];
            double steepBefore = (y[i] - y[i - 1]) / before;
            double steepAfter = (y[i + 1] - y[i]) / after;
            slopes[i] =
                    3
                            * (before + after)
                            / ((2 * after + before) / steepBefore
                                    + (after + 2 * before) / steepAfter);
        }
        return slopes;
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
        int piece = piece(shares, share);
        return piece < 0 ? volts[0] : piece >= last() ? volts[last()] : volts(piece, share);
    }

    /// State of charge, 0 to 1, of a cell resting at a voltage in V; held at the ends.
    public double share(double restingVolts) {
        int piece = piece(volts, restingVolts);
        if (piece < 0) return shares[0];
        if (piece >= last()) return shares[last()];
        double low = shares[piece];
        double high = shares[piece + 1];
        double share = low + (high - low) * straight(piece, restingVolts);
        // Newton's steps, kept between what is known to be too low and too high
        for (int i = 0; i < MOST_STEPS; i++) {
            double over = volts(piece, share) - restingVolts;
            if (Math.abs(over) < EXACT_VOLTS) break;
            if (over > 0) high = share;
            else low = share;
            double next = share - over / slope(piece, share);
            share = next > low && next < high ? next : (low + high) / 2;
        }
        return share;
    }

    /// How steep the curve is, in V per whole charge, at a state of charge.
    public double slopeVolts(double share) {
        return slope(Math.clamp(piece(shares, share), 0, last() - 1), Math.clamp(share, 0, 1));
    }

    private int last() {
        return shares.length - 1;
    }

    /// Which piece a value lies in: −1 before the first, the last point's number from there on.
    private static int piece(double[] points, double value) {
        if (Double.isNaN(value))
            throw new IllegalArgumentException("a point of the rest curve must be a number");
        int last = points.length - 1;
        if (value < points[0]) return -1;
        if (value >= points[last]) return last;
        int i = 0;
        while (points[i + 1] <= value) i++;
        return i;
    }

    private double straight(int piece, double value) {
        return (value - volts[piece]) / (volts[piece + 1] - volts[piece]);
    }

    /// Hermite's cubic between two points.
    private double volts(int piece, double share) {
        double width = shares[piece + 1] - shares[piece];
        double t = (share - shares[piece]) / width;
        double s = 1 - t;
        return volts[piece] * (1 + 2 * t) * s * s
                + volts[piece + 1] * (3 - 2 * t) * t * t
                + width * t * s * (slopes[piece] * s - slopes[piece + 1] * t);
    }

    private double slope(int piece, double share) {
        double width = shares[piece + 1] - shares[piece];
        double t = (share - shares[piece]) / width;
        double s = 1 - t;
        return 6 * t * s * (volts[piece + 1] - volts[piece]) / width
                + slopes[piece] * s * (1 - 3 * t)
                + slopes[piece + 1] * t * (3 * t - 2);
    }
}
