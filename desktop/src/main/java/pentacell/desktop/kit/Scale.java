package pentacell.desktop.kit;

import java.util.stream.DoubleStream;

/// Maps values to pixels along one axis.
///
/// @param from value at the first pixel
/// @param to value at the last pixel, other than `from`
/// @param first first pixel
/// @param last last pixel; may lie before the first
public record Scale(double from, double to, double first, double last) {

    /// A scale over a range of values with some room around them.
    public static Scale around(
            double least, double greatest, double room, double first, double last) {
        double span = greatest - least;
        double margin = span > 0 ? span * room : Math.max(1, Math.abs(least) * 0.05);
        return new Scale(least - margin, greatest + margin, first, last);
    }

    /// The pixel of a value.
    public double pixel(double value) {
        return first + (value - from) / (to - from) * (last - first);
    }

    /// The value at a pixel.
    public double value(double pixel) {
        return from + (pixel - first) / (last - first) * (to - from);
    }

    /// Round values at most as many as asked for: multiples of 1, 2 or 5 times a power of ten.
    public double[] ticks(int most) {
        double step = roundStep(Math.abs(to - from) / Math.max(1, most));
        double begin = Math.ceil(Math.min(from, to) / step - 1e-9);
        double end = Math.floor(Math.max(from, to) / step + 1e-9);
        return DoubleStream.iterate(begin, i -> i <= end, i -> i + 1).map(i -> i * step).toArray();
    }

    /// Where a value stands between two others by ratio: 0 at the first, 1 at the last.
    public static double ratio(double value, double first, double last) {
        return Math.log(value / first) / Math.log(last / first);
    }

    /// The smallest of 1, 2, 5 × 10ⁿ that is at least a given width.
    public static double roundStep(double least) {
        if (!(least > 0)) return 1;
        double power = Math.pow(10, Math.floor(Math.log10(least)));
        for (double factor : new double[] {1, 2, 5})
            if (factor * power >= least * (1 - 1e-9)) return factor * power;
        return 10 * power;
    }
}
