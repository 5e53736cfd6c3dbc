package pentacell.core.prove;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/// The stretch of a log in which a pack was loaded, until its first group was empty.
final class LoadSpan {
    /// A moment is loaded above this part of the highest current.
    static final double LOADED_SHARE = 0.1;

    private static final double REST_SECONDS = 300;

    /// A moment is at rest below this part of the highest current.
    private static final double REST_SHARE = 0.02;

    /// So much of what was given may be drawn after the end and before the rest.
    private static final double OVER_SHARE = 0.01;

    private final GroupLog log;
    private final double mostAmps;
    private final int begin;
    private final int end;
    private final double[] given;

    private LoadSpan(GroupLog log, double mostAmps, int begin, int end) {
        this.log = log;
        this.mostAmps = mostAmps;
        this.begin = begin;
        this.end = end;
        given = given(log, begin, end);
    }

    /// A stretch without load.
    ///
    /// @param first moment
    /// @param last moment
    record Rest(int first, int last) {}

    /// @param endVolts at which a group ends the test, in V
    /// @throws IllegalArgumentException when nothing was drawn, or more was charged
    static LoadSpan of(GroupLog log, double endVolts) {
        double[] amps = log.amps().toArray();
        double most = Arrays.stream(amps).max().orElse(0);
        if (!(most > 0))
            throw new IllegalArgumentException("nothing is drawn in this log: no load test");
        int begin = 0;
        while (!isLoaded(amps[begin], most)) begin++;
        int last = begin;
        double[] lowest = log.ofGroups(LoadSpan::least);
        for (int i = begin; i < lowest.length; i++) {
            if (!isLoaded(amps[i], most)) continue;
            last = i;
            if (lowest[i] <= endVolts) break;
        }
        LoadSpan span = new LoadSpan(log, most, begin, last);
        if (begin < last && !(span.ampHours() > 0))
            throw new IllegalArgumentException(
                    "more is charged than drawn in this log: no load test");
        return span;
    }

    // a plain loop: a stream for each of a million moments takes longer than all the rest
    private static double least(double[] volts) {
        double least = volts[0];
        for (double each : volts) least = Math.min(least, each);
        return least;
    }

    private static boolean isLoaded(double amps, double mostAmps) {
        return amps > LOADED_SHARE * mostAmps;
    }

    /// Whether a current is a load and no rest in between.
    boolean isLoaded(double amps) {
        return isLoaded(amps, mostAmps);
    }

    /// The lowest group at the end, from 0.
    int lowestGroup() {
        int lowest = 0;
        for (int g = 1; g < log.series(); g++)
            if (log.volts().get(g).get(end) < log.volts().get(lowest).get(end)) lowest = g;
        return lowest;
    }

    double seconds() {
        return log.seconds().get(end) - log.seconds().get(begin);
    }

    /// While it was loaded, in A.
    double meanAmps() {
        return IntStream.rangeClosed(begin, end)
                .mapToDouble(log.amps()::get)
                .filter(this::isLoaded)
                .average()
                .orElse(0);
    }

    private static double[] given(GroupLog log, int begin, int end) {
        double[] seconds = new double[end - begin + 1];
        double[] amps = new double[seconds.length];
        log.seconds().read(begin, seconds);
        log.amps().read(begin, amps);
        double[] given = new double[seconds.length];
        for (int i = 1; i < given.length; i++)
            given[i] =
                    given[i - 1]
                            + GroupLog.ampHours(seconds[i - 1], amps[i - 1], seconds[i], amps[i]);
        return given;
    }

    GroupLog log() {
        return log;
    }

    /// The highest current drawn in the log, in A.
    double mostAmps() {
        return mostAmps;
    }

    /// The first moment under load.
    int begin() {
        return begin;
    }

    /// The moment at which a group first came down to the end voltage, else the last one loaded.
    int end() {
        return end;
    }

    /// Number of moments from begin to end.
    int moments() {
        return given.length;
    }

    /// What was given from the begin to a moment of the span, counted from its begin, in Ah.
    double given(int moment) {
        return given[moment];
    }

    /// What was given in all, in Ah.
    double ampHours() {
        return given[given.length - 1];
    }

    /// What was given until the pack under load first fell under a voltage, in Wh; all that was
    /// given when it never did.
    double wattHoursAbove(double packVolts) {
        double[] volts = log.ofGroups(LoadSpan::sum);
        double[] seconds = log.seconds().toArray();
        double[] amps = log.amps().toArray();
        double wattHours = 0;
        for (int i = begin + 1; i <= end; i++) {
            if (isLoaded(amps[i]) && volts[i] < packVolts) break;
            wattHours +=
                    (seconds[i] - seconds[i - 1])
                            / 3600
                            * (amps[i] * volts[i] + amps[i - 1] * volts[i - 1])
                            / 2;
        }
        return wattHours;
    }

    // a plain loop, for a million moments
    private static double sum(double[] volts) {
        double sum = 0;
        for (double each : volts) sum += each;
        return sum;
    }

    /// The last rest after the load that was long enough, before anything is charged or drawn. The
    /// load may have gone on for a little after the first reading at the end voltage: readings have
    /// noise, and a load is let go by hand.
    Optional<Rest> restAfter() {
        double most = OVER_SHARE * ampHours();
        Optional<Rest> rest = Optional.empty();
        int first = end + 1;
        double over = 0;
        for (int i = end + 1; i < log.size() && over <= most; i++) {
            if (!isAtRest(i)) {
                over += Math.abs(log.drawnAmpHours(i));
                first = i + 1;
            } else if (log.seconds().get(i) - log.seconds().get(first) >= REST_SECONDS - 1)
                rest = Optional.of(new Rest(first, i));
        }
        return rest;
    }

    private boolean isAtRest(int moment) {
        return Math.abs(log.amps().get(moment)) <= REST_SHARE * mostAmps;
    }
}
