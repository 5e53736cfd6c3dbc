package pentacell.core.prove;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import pentacell.core.measure.Column;
import pentacell.core.prove.facts.PackLog;

/// Takes out of a log what lies on a straight line between its neighbours, so that it can be kept:
/// every reading left out lies within a tolerance of the line that takes its place, so charge,
/// energy and the way of every group stay what they were to within that.
public final class LogThinning {
    /// So many moments are kept at most.
    public static final int MOST = 4000;

    /// So many moments of a history of weeks to years are kept at most.
    public static final int MOST_OF_HISTORY = 8000;

    /// First tolerances: of a group, in V, and of the current, as a part of the largest.
    private static final double VOLTS = 0.0005;

    private static final double AMPS_SHARE = 0.002;

    private static final double CELSIUS = 0.3;

    private static final double COARSER = 1.6;

    private LogThinning() {}

    /// The log of a load test as it is kept, to 0.1 mV and 1 mA.
    public static PackLog kept(GroupLog log) {
        return kept(log, MOST);
    }

    /// A log as it is kept, to 0.1 mV, 1 mA and 0.1 °C; its seconds count from its first reading. A
    /// probe that was not read at a moment stands as it was read last; one that never was is left
    /// out.
    ///
    /// @param most so many moments at most, 2 or more
    public static PackLog kept(GroupLog log, int most) {
        List<Column> probes =
                log.celsius().stream().flatMap(each -> filled(each).stream()).toList();
        List<Integer> moments = moments(log, probes, most);
        return new PackLog(
                seconds(log.seconds(), moments),
                picked(log.amps(), moments, 1e3),
                log.volts().stream().map(each -> picked(each, moments, 1e4)).toList(),
                Optional.of(probes.stream().map(each -> picked(each, moments, 1e1)).toList()));
    }

    private static Optional<Column> filled(Column probe) {
        int first = 0;
        while (first < probe.size() && Double.isNaN(probe.get(first))) first++;
        if (first == probe.size()) return Optional.empty();
        Column.Builder filled = new Column.Builder();
        double last = probe.get(first);
        for (int i = 0; i < probe.size(); i++) {
            double read = probe.get(i);
            if (!Double.isNaN(read)) last = read;
            filled.add(last);
        }
        return Optional.of(filled.build());
    }

    private static List<Double> seconds(Column seconds, List<Integer> moments) {
        double from = seconds.size() == 0 ? 0 : seconds.get(0);
        return moments.stream().map(i -> Math.rint((seconds.get(i) - from) * 1e3) / 1e3).toList();
    }

    /// A kept log as the engines read it, without slips of its board.
    public static GroupLog log(PackLog kept) {
        GroupLog log =
                new GroupLog(
                        column(kept.seconds()),
                        column(kept.amps()),
                        kept.volts().stream().map(LogThinning::column).toList(),
                        kept.probes().stream().map(LogThinning::column).toList());
        return log.withoutSlips();
    }

    private static Column column(List<Double> values) {
        Column.Builder column = new Column.Builder();
        values.forEach(column::add);
        return column.build();
    }

    private static List<Double> picked(Column column, List<Integer> moments, double fine) {
        return moments.stream().map(i -> Math.rint(column.get(i) * fine) / fine).toList();
    }

    private static List<Integer> moments(GroupLog log, List<Column> probes, int most) {
        List<Column> channels = new ArrayList<>(log.volts());
        channels.addAll(probes);
        channels.add(log.amps());
        double mostAmps = log.mostAmps();
        for (double factor = 1; ; factor *= COARSER) {
            double[] tolerance = new double[channels.size()];
            Arrays.fill(tolerance, 0, log.series(), VOLTS * factor);
            Arrays.fill(tolerance, log.series(), tolerance.length, CELSIUS * factor);
            tolerance[tolerance.length - 1] = Math.max(1e-3, AMPS_SHARE * mostAmps * factor);
            List<Integer> moments = straightened(log.seconds(), channels, tolerance);
            if (moments.size() <= most) return moments;
        }
    }

    /// From each moment kept, the next is the last that can be reached in one line: in every
    /// channel the slopes that pass all readings between narrow to a cone, and what would leave it
    /// empty begins the next line.
    private static List<Integer> straightened(
            Column seconds, List<Column> channels, double[] tolerance) {
        int size = seconds.size();
        if (size == 0) return List.of();
        List<Integer> kept = new ArrayList<>(Collections.singleton(0));
        double[] low = new double[channels.size()];
        double[] high = new double[channels.size()];
        int from = 0;
        open(low, high);
        for (int i = 1; i < size; i++) {
            double passed = seconds.get(i) - seconds.get(from);
            boolean isWithin = true;
            for (int c = 0; c < channels.size() && isWithin; c++) {
                double slope = (channels.get(c).get(i) - channels.get(c).get(from)) / passed;
                isWithin = slope >= low[c] && slope <= high[c];
            }
            if (!isWithin) {
                from = i - 1;
                kept.add(from);
                open(low, high);
                passed = seconds.get(i) - seconds.get(from);
            }
            for (int c = 0; c < channels.size(); c++) {
                double rise = channels.get(c).get(i) - channels.get(c).get(from);
                low[c] = Math.max(low[c], (rise - tolerance[c]) / passed);
                high[c] = Math.min(high[c], (rise + tolerance[c]) / passed);
            }
        }
        if (size > 1) kept.add(size - 1);
        return kept;
    }

    private static void open(double[] low, double[] high) {
        Arrays.fill(low, Double.NEGATIVE_INFINITY);
        Arrays.fill(high, Double.POSITIVE_INFINITY);
    }
}
