package pentacell.core.prove.facts;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/// Readings of a whole pack over time, as they are kept.
///
/// @param seconds strictly rising, in s
/// @param amps drawn positive, charged negative, in A
/// @param volts of each group in series order, in V
/// @param celsius of each probe of its board, in °C; empty where no temperature was read
public record PackLog(
        List<Double> seconds,
        List<Double> amps,
        List<List<Double>> volts,
        Optional<List<List<Double>>> celsius) {
    public PackLog {
        seconds = List.copyOf(seconds);
        amps = List.copyOf(amps);
        volts = volts.stream().map(List::copyOf).toList();
        if (volts.isEmpty()) throw new IllegalArgumentException("a pack has a group");
        celsius =
                celsius.filter(probes -> !probes.isEmpty())
                        .map(probes -> probes.stream().map(List::copyOf).toList());
        List<List<Double>> all = new ArrayList<>(volts);
        all.addAll(celsius.orElse(List.of()));
        for (List<Double> each : all)
            if (each.size() != seconds.size() || amps.size() != seconds.size())
                throw new IllegalArgumentException("every reading has its time");
        for (int i = 1; i < seconds.size(); i++)
            if (!(seconds.get(i) > seconds.get(i - 1)))
                throw new IllegalArgumentException("time goes on from reading to reading");
    }

    /// A log without temperatures.
    public PackLog(List<Double> seconds, List<Double> amps, List<List<Double>> volts) {
        this(seconds, amps, volts, Optional.empty());
    }

    /// One without readings.
    ///
    /// @param series groups of the pack
    static PackLog of(int series) {
        return new PackLog(List.of(), List.of(), Collections.nCopies(series, List.of()));
    }

    /// The temperatures of each probe, in °C; none where none was read.
    public List<List<Double>> probes() {
        return celsius.orElse(List.of());
    }

    /// The readings before a second.
    PackLog until(double second) {
        int end = 0;
        while (end < seconds.size() && seconds.get(end) < second) end++;
        int count = end;
        return new PackLog(
                seconds.subList(0, end),
                amps.subList(0, end),
                volts.stream().map(each -> each.subList(0, count)).toList(),
                celsius.map(
                        probes -> probes.stream().map(each -> each.subList(0, count)).toList()));
    }

    /// With the readings of another behind its own; those that are not later are left out.
    /// Temperatures stay only where both have the same probes.
    PackLog plus(PackLog more) {
        double last =
                seconds.isEmpty() ? Double.NEGATIVE_INFINITY : seconds.get(seconds.size() - 1);
        int begin = 0;
        while (begin < more.seconds.size() && !(more.seconds.get(begin) > last)) begin++;
        boolean isSameProbes = probes().size() == more.probes().size();
        return new PackLog(
                joined(seconds, more.seconds, begin),
                joined(amps, more.amps, begin),
                allJoined(volts, more.volts, begin),
                isSameProbes
                        ? Optional.of(allJoined(probes(), more.probes(), begin))
                        : Optional.empty());
    }

    private static List<List<Double>> allJoined(
            List<List<Double>> one, List<List<Double>> more, int from) {
        List<List<Double>> both = new ArrayList<>();
        for (int i = 0; i < one.size(); i++) both.add(joined(one.get(i), more.get(i), from));
        return both;
    }

    private static List<Double> joined(List<Double> one, List<Double> more, int from) {
        List<Double> both = new ArrayList<>(one);
        both.addAll(more.subList(from, more.size()));
        return both;
    }
}
