package pentacell.core.prove.facts;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.build.facts.Spot;
import pentacell.core.state.InOrder;

/// What was read along a loaded pack: temperatures of places, and drops along bars.
///
/// @param warm what places read last, in °C
/// @param ambient around it
/// @param bars what bars dropped last, by joint
public record LoadReadings(
        Map<Spot, Double> warm, Optional<Ambient> ambient, SortedMap<Integer, BarReading> bars) {
    /// Nothing yet.
    public static final LoadReadings NOTHING =
            new LoadReadings(Map.of(), Optional.empty(), new TreeMap<>());

    public LoadReadings {
        warm = InOrder.of(warm);
        bars = Collections.unmodifiableSortedMap(new TreeMap<>(bars));
    }

    LoadReadings with(Spot spot, double celsius) {
        Map<Spot, Double> after = new LinkedHashMap<>(warm);
        after.put(spot, celsius);
        return new LoadReadings(after, ambient, bars);
    }

    LoadReadings with(Ambient other) {
        return new LoadReadings(warm, Optional.of(other), bars);
    }

    LoadReadings with(int joint, BarReading reading) {
        SortedMap<Integer, BarReading> after = new TreeMap<>(bars);
        after.put(joint, reading);
        return new LoadReadings(warm, ambient, after);
    }
}
