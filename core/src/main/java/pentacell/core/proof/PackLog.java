package pentacell.core.proof;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/// Readings of a whole pack over time, as they are kept.
///
/// @param seconds strictly rising, in s
/// @param amps drawn positive, charged negative, in A
/// @param volts of each group in series order, in V
public record PackLog(List<Double> seconds, List<Double> amps, List<List<Double>> volts) {
    public PackLog {
        seconds = List.copyOf(seconds);
        amps = List.copyOf(amps);
        volts = volts.stream().map(List::copyOf).toList();
        if (volts.isEmpty()) throw new IllegalArgumentException("a pack has a group");
        for (List<Double> each : volts)
            if (each.size() != seconds.size() || amps.size() != seconds.size())
                throw new IllegalArgumentException("every reading has its time");
        for (int i = 1; i < seconds.size(); i++)
            if (!(seconds.get(i) > seconds.get(i - 1)))
                throw new IllegalArgumentException("time goes on from reading to reading");
    }

    /// One without readings.
    ///
    /// @param series groups of the pack
    static PackLog of(int series) {
        return new PackLog(List.of(), List.of(), Collections.nCopies(series, List.of()));
    }

    /// The readings before a second.
    PackLog until(double second) {
        int end = 0;
        while (end < seconds.size() && seconds.get(end) < second) end++;
        int count = end;
        return new PackLog(
                seconds.subList(0, end),
                amps.subList(0, end),
                volts.stream().map(each -> each.subList(0, count)).toList());
    }

    /// With the readings of another behind its own; those that are not later are left out.
    PackLog plus(PackLog more) {
        double last =
                seconds.isEmpty() ? Double.NEGATIVE_INFINITY : seconds.get(seconds.size() - 1);
        int begin = 0;
        while (begin < more.seconds.size() && !(more.seconds.get(begin) > last)) begin++;
        List<List<Double>> both = new ArrayList<>();
        for (int g = 0; g < volts.size(); g++)
            both.add(joined(volts.get(g), more.volts.get(g), begin));
        return new PackLog(
                joined(seconds, more.seconds, begin), joined(amps, more.amps, begin), both);
    }

    private static List<Double> joined(List<Double> one, List<Double> more, int from) {
        List<Double> both = new ArrayList<>(one);
        both.addAll(more.subList(from, more.size()));
        return both;
    }
}
