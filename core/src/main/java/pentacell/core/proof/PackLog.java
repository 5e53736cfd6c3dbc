package pentacell.core.proof;

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
}
