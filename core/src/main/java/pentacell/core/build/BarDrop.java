package pentacell.core.build;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.build.PackCurrents.Flowing;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;

/// What a meter reads between the two cans of a group that lie farthest apart in voltage on one
/// face: the drop from end to end of its strips.
///
/// @param group from 0
/// @param from the can at the higher voltage
/// @param to the can at the lower voltage
/// @param volts between them, 0 or more
public record BarDrop(int group, Face face, Spot from, Spot to, double volts) {
    /// The joint it belongs to: 0 for the pack's negative, k for the positive of group k.
    public int joint() {
        return Joint.of(group, face);
    }

    /// Of every group on both faces, the largest first.
    public static List<BarDrop> of(Layout layout, PackCurrents currents) {
        List<BarDrop> drops = new ArrayList<>();
        Map<Face, Map<Spot, List<Flowing>>> strips = new EnumMap<>(Face.class);
        for (Face face : Face.values()) strips.put(face, strips(face, currents));
        for (int group = 0; group < layout.places().size(); group++)
            for (Face face : Face.values()) {
                Map<Spot, Double> volts =
                        voltsAt(
                                layout.places().get(group).get(0),
                                strips.getOrDefault(face, Map.of()));
                Comparator<Spot> byVolts =
                        Comparator.comparingDouble((Spot spot) -> volts.getOrDefault(spot, 0.0));
                // equal ones in the order of rows, so that the same pack says the same
                Spot from = volts.keySet().stream().sorted(Spot.BY_ROWS).max(byVolts).orElseThrow();
                Spot to = volts.keySet().stream().sorted(Spot.BY_ROWS).min(byVolts).orElseThrow();
                drops.add(
                        new BarDrop(
                                group,
                                face,
                                from,
                                to,
                                volts.getOrDefault(from, 0.0) - volts.getOrDefault(to, 0.0)));
            }
        drops.sort(Comparator.comparingDouble((BarDrop drop) -> -drop.volts()));
        return List.copyOf(drops);
    }

    /// The strips within groups on a face, by the cans they lie on.
    private static Map<Spot, List<Flowing>> strips(Face face, PackCurrents currents) {
        Map<Spot, List<Flowing>> at = new HashMap<>();
        for (Flowing each : currents.links()) {
            Link link = each.link();
            if (link.face() != face || link.kind() != Link.Kind.PARALLEL) continue;
            at.computeIfAbsent(link.from(), spot -> new ArrayList<>()).add(each);
            at.computeIfAbsent(link.to(), spot -> new ArrayList<>()).add(each);
        }
        return at;
    }

    /// The voltage at the cans of a group against its first, strip by strip.
    private static Map<Spot, Double> voltsAt(Spot first, Map<Spot, List<Flowing>> at) {
        Map<Spot, Double> volts = new HashMap<>();
        volts.put(first, 0.0);
        Deque<Spot> open = new ArrayDeque<>(List.of(first));
        while (!open.isEmpty()) {
            Spot spot = open.pop();
            double here = volts.getOrDefault(spot, 0.0);
            for (Flowing each : at.getOrDefault(spot, List.of())) {
                boolean isFrom = each.link().from().equals(spot);
                Spot other = isFrom ? each.link().to() : each.link().from();
                // a current from its first can to its second drops on the way
                double there = here + (isFrom ? -each.volts() : each.volts());
                if (volts.putIfAbsent(other, there) == null) open.push(other);
            }
        }
        return volts;
    }
}
