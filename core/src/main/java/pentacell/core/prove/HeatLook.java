package pentacell.core.prove;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.PackCurrents;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.facts.CansByPlace;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;
import pentacell.core.prove.facts.LoadReadings;
import pentacell.core.unit.Middle;

/// Which places of a loaded pack are warmer than their heat explains.
///
/// A can makes I²·R, and half of what the strips at its ends make is laid on it. What the usual
/// place is over its surroundings per watt is the measure; a place that is further over than its
/// own watts explain is odd. A simple model: what neighbours pass on to each other is left out.
public final class HeatLook {
    /// So much over what is expected is odd, in K (common practice: 3 to 5 K over its neighbours).
    public static final double ODD_KELVIN = 3;

    private HeatLook() {}

    /// A place that was read.
    ///
    /// @param cell that stands there
    /// @param group from 0
    /// @param watts in it
    /// @param expectedCelsius by its watts and the usual place
    public record Warm(
            Spot spot,
            CellId cell,
            int group,
            double watts,
            double celsius,
            double expectedCelsius) {
        /// How much it is over, in K.
        public double overKelvin() {
            return celsius - expectedCelsius;
        }

        /// Whether it is warmer than its heat explains.
        public boolean isOdd() {
            return overKelvin() > ODD_KELVIN;
        }
    }

    /// Judges the places that were read and where a can stands, the oddest first.
    public static List<Warm> of(
            PackToBuild built, JudgedLayout arrangement, LoadReadings underLoad) {
        Map<Spot, Double> watts = watts(built, arrangement);
        CansByPlace placed = arrangement.layout().cansByPlace();
        List<Map.Entry<Spot, Double>> read =
                underLoad.warm().entrySet().stream()
                        .filter(each -> placed.at(each.getKey()).isPresent())
                        .toList();
        if (read.isEmpty()) return List.of();
        double middle = Middle.of(read.stream().mapToDouble(Map.Entry::getValue).toArray());
        OptionalDouble perWatt = perWatt(read, watts, underLoad);
        List<Warm> places = new ArrayList<>();
        for (Map.Entry<Spot, Double> each : read) {
            CansByPlace.PlacedCan can = placed.at(each.getKey()).orElseThrow();
            double own = watts.getOrDefault(each.getKey(), 0.0);
            places.add(
                    new Warm(
                            each.getKey(),
                            built.cansOf(can.group()).get(can.can()),
                            can.group(),
                            own,
                            each.getValue(),
                            perWatt.isPresent()
                                    ? underLoad.ambient().orElseThrow().celsius()
                                            + perWatt.getAsDouble() * own
                                    : middle));
        }
        places.sort(Comparator.comparingDouble((Warm warm) -> -warm.overKelvin()));
        return List.copyOf(places);
    }

    /// What the usual place is over its surroundings for each watt, in K; empty when these were not
    /// read, or nothing flows.
    private static OptionalDouble perWatt(
            List<Map.Entry<Spot, Double>> read, Map<Spot, Double> watts, LoadReadings underLoad) {
        if (underLoad.ambient().isEmpty()) return OptionalDouble.empty();
        double ambient = underLoad.ambient().get().celsius();
        double[] each =
                read.stream()
                        .filter(place -> watts.getOrDefault(place.getKey(), 0.0) > 0)
                        .mapToDouble(place ->
                                (place.getValue() - ambient)
                                        / watts.getOrDefault(place.getKey(), 1.0))
                        .toArray();
        return each.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(Middle.of(each));
    }

    private static Map<Spot, Double> watts(PackToBuild built, JudgedLayout arrangement) {
        Map<Spot, Double> watts = new HashMap<>();
        if (arrangement.currents().isEmpty()) return watts;
        PackCurrents currents = arrangement.currents().get();
        for (int group = 0; group < currents.cans().size(); group++)
            for (int can = 0; can < currents.cans().get(group).size(); can++) {
                PackCurrents.Can each = currents.cans().get(group).get(can);
                double ohms = built.electric().sources().get(group).get(can).ohms();
                watts.merge(each.spot(), each.amps() * each.amps() * ohms, Double::sum);
            }
        for (PackCurrents.Flowing each : currents.links()) {
            watts.merge(each.link().from(), each.watts() / 2, Double::sum);
            watts.merge(each.link().to(), each.watts() / 2, Double::sum);
        }
        return watts;
    }
}
