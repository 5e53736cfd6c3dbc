package pentacell.core.prove;

import java.util.List;
import java.util.SortedMap;
import java.util.function.IntToDoubleFunction;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import pentacell.core.measure.Column;
import pentacell.core.measure.CurrentSign;
import pentacell.core.measure.LogSlips;
import pentacell.core.measure.SomeMoments;

/// Readings of a whole pack: its current and the voltage of every group over time.
///
/// @param seconds strictly rising, in s
/// @param amps drawn positive, charged negative, in A
/// @param volts of each group, in V
/// @param celsius of each probe of its board, in °C; NaN where it was not read
public record GroupLog(Column seconds, Column amps, List<Column> volts, List<Column> celsius) {
    /// So many moments are worked out at a time.
    private static final int PART = 1 << 12;

    private static final double LEAST_STEP_VOLTS = 1e-6;

    public GroupLog {
        volts = List.copyOf(volts);
        if (volts.isEmpty()) throw new IllegalArgumentException("a pack has a group");
        celsius = List.copyOf(celsius);
        if (!Stream.of(List.of(amps), volts, celsius)
                .flatMap(List::stream)
                .allMatch(each -> each.size() == seconds.size()))
            throw new IllegalArgumentException("every reading has its time");
    }

    /// Readings without temperatures.
    public GroupLog(Column seconds, Column amps, List<Column> volts) {
        this(seconds, amps, volts, List.of());
    }

    /// Readings whose current was written in any convention: the voltages tell what it is.
    public static GroupLog of(
            Column seconds, Column written, List<Column> volts, List<Column> celsius) {
        double[] means = new GroupLog(seconds, written, volts).ofGroups(GroupLog::mean);
        IntToDoubleFunction mean = i -> means[i];
        CurrentSign.Convention convention = CurrentSign.of(seconds, mean, written);
        Column drawn =
                convention == CurrentSign.Convention.DISCHARGE_POSITIVE
                        ? written
                        : CurrentSign.settled(mean, written, convention).map((i, amps) -> -amps);
        return new GroupLog(seconds, drawn, volts, celsius);
    }

    // a plain loop, for a million moments
    private static double mean(double[] volts) {
        double sum = 0;
        for (double each : volts) sum += each;
        return sum / volts.length;
    }

    /// Moments in which its board sent what cannot have been, with what was wrong.
    public SortedMap<Integer, String> slips() {
        return LogSlips.ofPack(amps, volts);
    }

    /// The log without such moments.
    public GroupLog withoutSlips() {
        return without(slips());
    }

    /// The log without some moments.
    public GroupLog without(SortedMap<Integer, String> slips) {
        UnaryOperator<Column> rest = each -> LogSlips.without(each, slips);
        return new GroupLog(
                rest.apply(seconds),
                rest.apply(amps),
                volts.stream().map(rest).toList(),
                celsius.stream().map(rest).toList());
    }

    /// Number of groups.
    public int series() {
        return volts.size();
    }

    /// Number of moments.
    public int size() {
        return seconds.size();
    }

    /// A figure of all groups at every moment, such as the lowest; for long logs.
    ///
    /// @param figure of the voltages of the groups, in V; it may sort them, and is asked from
    ///   several threads
    public double[] ofGroups(ToDoubleFunction<double[]> figure) {
        double[] figures = new double[size()];
        // in parts: the whole log as numbers would be many times as large as it is kept
        IntStream.range(0, Math.ceilDiv(figures.length, PART))
                .parallel()
                .forEach(part -> figures(part * PART, figure, figures));
        return figures;
    }

    private void figures(int from, ToDoubleFunction<double[]> figure, double[] figures) {
        double[][] part = new double[series()][Math.min(PART, figures.length - from)];
        for (int g = 0; g < part.length; g++) volts.get(g).read(from, part[g]);
        double[] now = new double[part.length];
        for (int i = 0; i < part[0].length; i++) {
            for (int g = 0; g < now.length; g++) now[g] = part[g][i];
            figures[from + i] = figure.applyAsDouble(now);
        }
    }

    /// The highest current, drawn or charged, in A; 0 without any.
    public double mostAmps() {
        double most = 0;
        for (int i = 0; i < size(); i++) most = Math.max(most, Math.abs(amps.get(i)));
        return most;
    }

    /// The charge drawn from the moment before to this one, in Ah; 0 for the first.
    public double drawnAmpHours(int moment) {
        return moment == 0
                ? 0
                : ampHours(
                        seconds.get(moment - 1),
                        amps.get(moment - 1),
                        seconds.get(moment),
                        amps.get(moment));
    }

    /// The charge drawn between two readings, in Ah.
    public static double ampHours(double from, double ampsBefore, double to, double ampsAfter) {
        return (to - from) / 3600 * (ampsAfter + ampsBefore) / 2;
    }

    /// The step that voltages were written in, in V: the smallest change of any between two
    /// moments; 0 when none changes. Of a long log some moments are looked at.
    public double finestStepVolts() {
        return SomeMoments.of(size() - 1)
                .mapToObj(i -> volts.stream().mapToDouble(each -> each.get(i + 1) - each.get(i)))
                .flatMapToDouble(steps -> steps.map(Math::abs))
                .filter(step -> step > LEAST_STEP_VOLTS)
                .min()
                .orElse(0);
    }
}
