package pentacell.core.match;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;

/// What the groups of a pack come to.
///
/// @param groups the figures of each group, in series order
/// @param usableMilliampHours capacity of the smallest group, which is that of the pack, in mAh
/// @param spreadMilliampHours largest minus smallest group in mAh
/// @param resistanceSpreadPercent largest minus smallest group resistance in % of their mean; empty
///   when an IR is missing
/// @param worstIrSpreadMilliohms largest highest-minus-lowest IR inside any group in mΩ; empty when
///   no group has two IRs
public record MatchFigures(
        List<GroupFigures> groups,
        double usableMilliampHours,
        double spreadMilliampHours,
        OptionalDouble resistanceSpreadPercent,
        OptionalDouble worstIrSpreadMilliohms) {
    public MatchFigures {
        groups = List.copyOf(groups);
    }

    /// The figures of one group.
    ///
    /// @param milliampHours sum of its capacities in mAh
    /// @param milliohms its cells' resistance in parallel, 1 ÷ Σ(1 ÷ R), in mΩ; empty when an IR is
    ///   missing
    /// @param irSpreadMilliohms highest minus lowest IR of its cans in mΩ; empty when none is known
    /// @param donors number of different donors
    public record GroupFigures(
            double milliampHours,
            OptionalDouble milliohms,
            OptionalDouble irSpreadMilliohms,
            int donors) {}

    /// The figures of some groups.
    ///
    /// @param groups at least one group with at least one cell each
    public static MatchFigures of(List<List<Candidate>> groups) {
        List<GroupFigures> each = new ArrayList<>();
        for (List<Candidate> group : groups) each.add(figures(group));
        double least = each.stream().mapToDouble(GroupFigures::milliampHours).min().orElseThrow();
        double greatest =
                each.stream().mapToDouble(GroupFigures::milliampHours).max().orElseThrow();
        return new MatchFigures(
                each,
                least,
                greatest - least,
                resistanceSpread(each),
                each.stream().flatMapToDouble(group -> group.irSpreadMilliohms().stream()).max());
    }

    /// Spread in percent of the smallest group.
    public double spreadPercent() {
        return 100 * spreadMilliampHours / usableMilliampHours;
    }

    private static GroupFigures figures(List<Candidate> group) {
        double[] milliohms =
                group.stream().flatMapToDouble(cell -> cell.milliohms().stream()).toArray();
        double conductance = DoubleStream.of(milliohms).map(r -> 1 / r).sum();
        boolean complete = milliohms.length == group.size() && conductance > 0;
        double[] ofCans =
                group.stream().flatMapToDouble(cell -> cell.milliohmsPerCan().stream()).toArray();
        OptionalDouble spread =
                ofCans.length == 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(
                                DoubleStream.of(ofCans).max().getAsDouble()
                                        - DoubleStream.of(ofCans).min().getAsDouble());
        return new GroupFigures(
                group.stream().mapToDouble(Candidate::milliampHours).sum(),
                complete ? OptionalDouble.of(1 / conductance) : OptionalDouble.empty(),
                spread,
                (int) group.stream().map(Candidate::donor).distinct().count());
    }

    private static OptionalDouble resistanceSpread(List<GroupFigures> groups) {
        if (groups.stream().anyMatch(group -> group.milliohms().isEmpty()))
            return OptionalDouble.empty();
        var summary =
                groups.stream()
                        .collect(
                                Collectors.summarizingDouble(
                                        group -> group.milliohms().orElseThrow()));
        return OptionalDouble.of(
                100 * (summary.getMax() - summary.getMin()) / summary.getAverage());
    }
}
