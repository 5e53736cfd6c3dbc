package pentacell.core.build;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;

/// The number of a joint on a face, in the middle of the links that make it.
///
/// @param name its number along the string; the signs of the pack's ends at both of them
/// @param alongMillimetres from the middle of the first can, along the rows
/// @param acrossMillimetres from the middle of the first can, across the rows
public record JointMark(String name, double alongMillimetres, double acrossMillimetres) {

    /// Those of a face, along the string; none before conductors are laid.
    public static List<JointMark> of(JudgedLayout arrangement, Face face) {
        TreeMap<Integer, List<Spot>> ends = new TreeMap<>();
        arrangement
                .currents()
                .ifPresent(currents ->
                        currents.links().stream()
                                .map(PackCurrents.Flowing::link)
                                .filter(link -> link.face() == face)
                                .filter(link ->
                                        link.kind() == Link.Kind.SERIES
                                                || link.kind() == Link.Kind.LEAD)
                                .forEach(link -> {
                                    List<Spot> spots =
                                            ends.computeIfAbsent(
                                                    link.joint(), joint -> new ArrayList<>());
                                    spots.add(link.from());
                                    spots.add(link.to());
                                }));
        Layout layout = arrangement.layout();
        Grid grid = layout.grid();
        return ends.entrySet().stream()
                .map(entry ->
                        new JointMark(
                                name(entry.getKey(), layout.places().size()),
                                mean(entry.getValue(), grid::alongMillimetres),
                                mean(entry.getValue(), grid::acrossMillimetres)))
                .toList();
    }

    private static String name(int joint, int groups) {
        if (joint == 0) return "−";
        return joint == groups ? "+" : String.valueOf(joint);
    }

    private static double mean(List<Spot> spots, ToDoubleFunction<Spot> of) {
        return spots.stream().mapToDouble(of).average().orElseThrow();
    }
}
