package pentacell.core.prove;

import java.util.List;
import java.util.OptionalDouble;
import java.util.SortedMap;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;

/// What the end of a charge without balancing says: how far groups stand apart, and what a balancer
/// must take from the high ones.
///
/// @param spreadVolts highest less lowest group, in V
/// @param highest group, from 0
/// @param lowest group, from 0
/// @param toTake charge to be taken from each group that was read, in Ah, in their order
/// @param balancingHours until the board's balancer has done that, when its current is known
public record PackChargeEnd(
        double spreadVolts,
        int highest,
        int lowest,
        List<Taken> toTake,
        OptionalDouble balancingHours) {
    /// Good after a charge, in V (common practice: 10 to 20 mV).
    public static final double GOOD_VOLTS = 0.02;

    /// Beyond this groups are balanced before use, in V (common practice).
    public static final double MOST_VOLTS = 0.05;

    public PackChargeEnd {
        toTake = List.copyOf(toTake);
    }

    /// What a group is over the lowest.
    ///
    /// @param group from 0
    public record Taken(int group, double volts, double ampHours) {}

    /// Judges readings of two groups or more.
    ///
    /// @param full what groups read, by group from 0, in V
    /// @param ampHours capacity of a group, in Ah
    /// @param balanceMilliamps of the board
    /// @throws IllegalArgumentException when fewer than two were read
    public static PackChargeEnd of(
            SortedMap<Integer, Double> full,
            double ampHours,
            Chemistry chemistry,
            OptionalDouble balanceMilliamps) {
        if (full.size() < 2) throw new IllegalArgumentException("two groups or more are compared");
        RestCurve curve = RestCurve.of(chemistry);
        int lowest = full.firstKey();
        int highest = full.firstKey();
        for (int group : full.keySet()) {
            if (at(full, group) < at(full, lowest)) lowest = group;
            if (at(full, group) > at(full, highest)) highest = group;
        }
        double least = share(curve, at(full, lowest));
        List<Taken> taken =
                full.entrySet().stream()
                        .map(each ->
                                new Taken(
                                        each.getKey(),
                                        each.getValue(),
                                        ampHours * (share(curve, each.getValue()) - least)))
                        .toList();
        double most = taken.stream().mapToDouble(Taken::ampHours).max().orElse(0);
        return new PackChargeEnd(
                at(full, highest) - at(full, lowest),
                highest,
                lowest,
                taken,
                balanceMilliamps.isPresent() && balanceMilliamps.getAsDouble() > 0
                        ? OptionalDouble.of(1000 * most / balanceMilliamps.getAsDouble())
                        : OptionalDouble.empty());
    }

    /// Over the end of the curve it goes on as steeply as it ended.
    private static double share(RestCurve curve, double volts) {
        double top = curve.volts(1);
        if (volts <= top) return curve.share(volts);
        double slope = (top - curve.volts(0.95)) / 0.05;
        return 1 + (volts - top) / slope;
    }

    private static double at(SortedMap<Integer, Double> full, int group) {
        Double volts = full.get(group);
        return volts == null ? Double.NaN : volts;
    }
}
