package pentacell.desktop.test;

import pentacell.core.measure.SampleLog;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;

/// Draws long logs as lines: of all samples that fall on one pixel only the lowest and the highest
/// are drawn, so that a week of samples costs no more than a minute of them.
final class CurveLines {
    private CurveLines() {}

    private interface Column {
        double at(int index);
    }

    /// Voltage over time.
    static void volts(SampleLog log, Scale time, Scale volts, Pen pen, Hue hue, double width) {
        line(
                log.size(),
                i -> time.pixel(log.seconds(i)),
                i -> volts.pixel(log.volts(i)),
                pen,
                hue,
                width);
    }

    /// Current over time.
    static void amps(SampleLog log, Scale time, Scale amps, Pen pen, Hue hue, double width) {
        line(
                log.size(),
                i -> time.pixel(log.seconds(i)),
                i -> amps.pixel(log.amps(i)),
                pen,
                hue,
                width);
    }

    /// Voltage over the charge that came out, of the samples under discharge.
    static void discharge(
            SampleLog log, Scale charge, Scale volts, Pen pen, Hue hue, double width) {
        double[] moved = new double[log.size()];
        int[] index = new int[log.size()];
        int count = 0;
        double sum = 0;
        for (int i = 1; i < log.size(); i++) {
            if (log.amps(i) >= -0.005) continue;
            double flowed = -(log.amps(i) + Math.min(0, log.amps(i - 1))) / 2;
            sum += flowed * (log.seconds(i) - log.seconds(i - 1)) / 3.6;
            moved[count] = sum;
            index[count++] = i;
        }
        line(
                count,
                i -> charge.pixel(moved[i]),
                i -> volts.pixel(log.volts(index[i])),
                pen,
                hue,
                width);
    }

    private static void line(int size, Column x, Column y, Pen pen, Hue hue, double width) {
        int i = 0;
        double lastX = Double.NaN;
        double lastY = Double.NaN;
        while (i < size) {
            double column = Math.floor(x.at(i));
            double first = y.at(i);
            double least = first;
            double most = first;
            double last = first;
            for (; i < size && Math.floor(x.at(i)) == column; i++) {
                last = y.at(i);
                least = Math.min(least, last);
                most = Math.max(most, last);
            }
            if (!Double.isNaN(lastX)) pen.stroke(hue, width, lastX, lastY, column, first);
            if (most - least > 1) pen.stroke(hue, width, column, least, column, most);
            lastX = column;
            lastY = last;
        }
    }
}
