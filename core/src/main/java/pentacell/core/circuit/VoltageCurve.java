package pentacell.core.circuit;

import java.util.Arrays;

/// A rising curve of voltage over state of charge, through points: straight between them, or a
/// monotone cubic (Fritsch & Carlson 1980, with the slopes of Fritsch & Butland 1984; from memory),
/// which is as smooth as a cell and never overshoots. It can be read both ways.
public final class VoltageCurve {
    private static final int BINS = 1024;
    private static final int MOST_STEPS = 60;
    private static final double EXACT_VOLTS = 1e-12;

    private final double[] shares;
    private final double[] volts;

    /// Slope at the begin and at the end of each piece, in V per whole charge.
    private final double[] slopeFrom;

    private final double[] slopeTo;

    /// The piece that holds the begin of each bin of equal width.
    private final short[] pieceOfBin = new short[BINS + 1];

    private final double binsAShare;

    /// The cubic of each piece in powers of the way from its begin: square and cube; the others are
    /// its voltage and its slope there.
    private final double[] square;

    private final double[] cube;

    private VoltageCurve(double[] shares, double[] volts, double[] slopeFrom, double[] slopeTo) {
        this.shares = shares;
        this.volts = volts;
        this.slopeFrom = slopeFrom;
        this.slopeTo = slopeTo;
        binsAShare = BINS / (shares[last()] - shares[0]);
        square = new double[slopeFrom.length];
        cube = new double[slopeFrom.length];
        for (int i = 0; i < slopeFrom.length; i++) {
            double width = shares[i + 1] - shares[i];
            double steep = (volts[i + 1] - volts[i]) / width;
            square[i] = (3 * steep - 2 * slopeFrom[i] - slopeTo[i]) / width;
            cube[i] = (slopeFrom[i] + slopeTo[i] - 2 * steep) / (width * width);
        }
        for (int bin = 0, piece = 0; bin <= BINS; bin++) {
            double share = shares[0] + (double) bin / BINS * (shares[last()] - shares[0]);
            while (piece < last() - 1 && shares[piece + 1] <= share) piece++;
            pieceOfBin[bin] = (short) piece;
        }
    }

    /// A curve that is straight between its points.
    ///
    /// @param shares states of charge, strictly rising
    /// @param volts voltages in V, strictly rising
    /// @throws IllegalArgumentException when there are fewer than two points, or they do not rise
    public static VoltageCurve straight(double[] shares, double[] volts) {
        check(shares, volts);
        double[] slopes = steepness(shares, volts);
        return new VoltageCurve(shares.clone(), volts.clone(), slopes, slopes);
    }

    /// A monotone cubic through points.
    ///
    /// @param shares states of charge, strictly rising
    /// @param volts voltages in V, strictly rising
    /// @throws IllegalArgumentException when there are fewer than two points, or they do not rise
    public static VoltageCurve smooth(double[] shares, double[] volts) {
        check(shares, volts);
        double[] slopes = smoothSlopes(shares, volts);
        int pieces = shares.length - 1;
        return new VoltageCurve(
                shares.clone(),
                volts.clone(),
                Arrays.copyOfRange(slopes, 0, pieces),
                Arrays.copyOfRange(slopes, 1, pieces + 1));
    }

    private static void check(double[] shares, double[] volts) {
        if (shares.length < 2 || shares.length != volts.length || shares.length > Short.MAX_VALUE)
            throw new IllegalArgumentException("a curve has two points or more");
        for (int i = 1; i < shares.length; i++)
            if (!(shares[i] > shares[i - 1] && volts[i] > volts[i - 1]))
                throw new IllegalArgumentException(
                        "a curve rises from point to point; %s, %s V comes after %s, %s V"
                                .formatted(shares[i], volts[i], shares[i - 1], volts[i - 1]));
    }

    private static double[] steepness(double[] x, double[] y) {
        double[] steep = new double[x.length - 1];
        for (int i = 0; i < steep.length; i++) steep[i] = (y[i + 1] - y[i]) / (x[i + 1] - x[i]);
        return steep;
    }

    /// Slopes that let no piece overshoot: between two pieces the weighted harmonic mean of their
    /// steepness, at the ends that of the line.
    private static double[] smoothSlopes(double[] x, double[] y) {
        double[] steep = steepness(x, y);
        double[] slopes = new double[x.length];
        slopes[0] = steep[0];
        slopes[x.length - 1] = steep[steep.length - 1];
        for (int i = 1; i < steep.length; i++) {
            double before = x[i] - x[i - 1];
            double after = x[i + 1] - x[i];
            slopes[i] =
                    3
                            * (before + after)
                            / ((2 * after + before) / steep[i - 1]
                                    + (after + 2 * before) / steep[i]);
        }
        return slopes;
    }

    private int last() {
        return shares.length - 1;
    }

    /// Voltage in V at a state of charge; beyond the ends the curve goes on straight.
    public double volts(double share) {
        if (share < shares[0]) return volts[0] + slopeFrom[0] * (share - shares[0]);
        if (share > shares[last()])
            return volts[last()] + slopeTo[last() - 1] * (share - shares[last()]);
        return volts(piece(share), share);
    }

    /// How steep the curve is, in V per whole charge.
    public double slope(double share) {
        return slope(piece(share), Math.clamp(share, shares[0], shares[last()]));
    }

    /// How steep the curve is where it is steepest, in V per whole charge.
    double steepest() {
        double most = 0;
        for (int i = 0; i < cube.length; i++) {
            // the slope of a cubic is a parabola: largest at an end, or at its turn within
            double turn = shares[i] - square[i] / (3 * cube[i]);
            most = Math.max(most, Math.max(slopeFrom[i], slopeTo[i]));
            if (turn > shares[i] && turn < shares[i + 1]) most = Math.max(most, slope(i, turn));
        }
        return most;
    }

    /// State of charge at a voltage in V; held at the ends.
    public double share(double wanted) {
        if (wanted <= volts[0]) return shares[0];
        if (wanted >= volts[last()]) return shares[last()];
        int piece = 0;
        while (volts[piece + 1] <= wanted) piece++;
        double low = shares[piece];
        double high = shares[piece + 1];
        double share =
                low + (high - low) * (wanted - volts[piece]) / (volts[piece + 1] - volts[piece]);
        // Newton's steps, kept between what is known to be too low and too high
        for (int i = 0; i < MOST_STEPS; i++) {
            double over = volts(piece, share) - wanted;
            if (Math.abs(over) < EXACT_VOLTS) break;
            if (over > 0) high = share;
            else low = share;
            double next = share - over / slope(piece, share);
            share = next > low && next < high ? next : (low + high) / 2;
        }
        return share;
    }

    private int piece(double share) {
        int bin = (int) ((share - shares[0]) * binsAShare);
        int piece = pieceOfBin[Math.clamp(bin, 0, BINS)];
        while (piece < cube.length - 1 && shares[piece + 1] <= share) piece++;
        return piece;
    }

    private double volts(int piece, double share) {
        double way = share - shares[piece];
        return volts[piece] + way * (slopeFrom[piece] + way * (square[piece] + way * cube[piece]));
    }

    private double slope(int piece, double share) {
        double way = share - shares[piece];
        return slopeFrom[piece] + way * (2 * square[piece] + way * 3 * cube[piece]);
    }
}
