package pentacell.core.build;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.Charged;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.PackCharge;
import pentacell.core.circuit.RestCurve;

/// How long it takes to bring all groups to the same state.
public final class BalancePlan {
    /// Cells are not worked longer than this, in h: some months.
    private static final double MOST_HOURS = 3000;

    private static final int STEPS = 4000;

    private BalancePlan() {}

    /// A group that is to be balanced.
    ///
    /// @param ampHours above 0
    /// @param volts at rest, in V
    /// @param ohms above 0
    public record Group(double ampHours, double volts, double ohms) {}

    /// How long all groups side by side take at the charge limit until the current has fallen, in
    /// h; empty when that is never, or takes longer than 3000 h.
    ///
    /// @param amps of the supply, above 0
    /// @param endAmps where it ends, above 0
    public static OptionalDouble topHours(
            List<Group> groups, Chemistry chemistry, double amps, double endAmps) {
        RestCurve curve = RestCurve.of(chemistry);
        double ampHours = groups.stream().mapToDouble(Group::ampHours).sum();
        double conductance = groups.stream().mapToDouble(each -> 1 / each.ohms()).sum();
        double share =
                groups.stream()
                                .mapToDouble(each -> each.ampHours() * curve.share(each.volts()))
                                .sum()
                        / ampHours;
        double about = Math.max(0.02, 1.5 * ampHours * (1 - share) / amps);
        Charged charged =
                PackCharge.charge(
                        List.of(List.of(new CircuitCell(ampHours, 1 / conductance))),
                        curve.curve(),
                        List.of(share),
                        new PackCharge.Charger(
                                amps, chemistry.chargeLimitVolts(), endAmps, MOST_HOURS),
                        PackCharge.Board.NONE,
                        Math.max(1, 3600 * about / STEPS));
        return charged.endedBy() == Charged.EndedBy.TAPER
                ? OptionalDouble.of(charged.seconds() / 3600)
                : OptionalDouble.empty();
    }

    /// How long all groups side by side take until they rest empty, in h.
    ///
    /// @param amps of the load, above 0
    public static double bottomHours(List<Group> groups, Chemistry chemistry, double amps) {
        RestCurve curve = RestCurve.of(chemistry);
        double end = curve.share(chemistry.restingEmptyVolts());
        double left =
                groups.stream()
                        .mapToDouble(each ->
                                each.ampHours() * Math.max(0, curve.share(each.volts()) - end))
                        .sum();
        return left / amps;
    }

    /// How long the board's balancer takes to bring every group down to the emptiest, in h: it
    /// works on all at once, so the fullest decides.
    ///
    /// @param milliamps of the balancer, above 0
    public static double boardHours(List<Group> groups, Chemistry chemistry, double milliamps) {
        RestCurve curve = RestCurve.of(chemistry);
        // what each lacks to full is what counts: a balancer works at the top
        double[] missing =
                groups.stream()
                        .mapToDouble(each -> each.ampHours() * (1 - curve.share(each.volts())))
                        .toArray();
        double most = Arrays.stream(missing).max().orElse(0);
        double least = Arrays.stream(missing).min().orElse(0);
        return 1000 * (most - least) / milliamps;
    }
}
