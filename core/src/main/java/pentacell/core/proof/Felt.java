package pentacell.core.proof;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.assembly.Spot;
import pentacell.core.state.InOrder;

/// What a hand, a camera or a meter found along a loaded pack.
///
/// @param warm what places read last, in °C
/// @param ambient around it
/// @param bars what bars dropped last, by joint
public record Felt(
        Map<Spot, Double> warm, Optional<Ambient> ambient, SortedMap<Integer, BarReading> bars) {
    /// Nothing yet.
    public static final Felt NOTHING = new Felt(Map.of(), Optional.empty(), new TreeMap<>());

    public Felt {
        warm = InOrder.of(warm);
        bars = Collections.unmodifiableSortedMap(new TreeMap<>(bars));
    }

    Felt with(Spot spot, double celsius) {
        Map<Spot, Double> after = new LinkedHashMap<>(warm);
        after.put(spot, celsius);
        return new Felt(after, ambient, bars);
    }

    Felt with(Ambient other) {
        return new Felt(warm, Optional.of(other), bars);
    }

    Felt with(int joint, BarReading reading) {
        SortedMap<Integer, BarReading> after = new TreeMap<>(bars);
        after.put(joint, reading);
        return new Felt(warm, ambient, after);
    }
}
