package pentacell.core.match;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.Discharged;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;

/// What a match means in use: a discharge of the pack from full at a rate that says something of
/// most uses, half of its capacity an hour.
public final class MatchOutlook {
    /// Share of the capacity an hour.
    private static final double RATE_AN_HOUR = 0.5;

    private static final double STEP_SECONDS = 5;

    private MatchOutlook() {}

    /// What a match means in use.
    ///
    /// @param ampHours what the pack gives, in Ah
    /// @param wattHours in Wh
    /// @param worstShareAtStart current of the hardest-worked cell ÷ the mean of its group, at
    ///   first
    /// @param worstShare the same at any moment
    /// @param heatWattHours lost inside the cells, in Wh
    public record InUse(
            double ampHours,
            double wattHours,
            double worstShareAtStart,
            double worstShare,
            double heatWattHours) {}

    /// What the discharge of a matched pack comes to; empty when the resistance of one of its cells
    /// is not known.
    public static Optional<InUse> inUse(MatchResult result, List<Candidate> candidates) {
        return of(result, candidates)
                .map(each ->
                        new InUse(
                                each.ampHours(),
                                each.wattHours(),
                                each.worstShareAtStart(),
                                each.worstShare(),
                                each.heatWattHours()));
    }

    /// The discharge of a matched pack; empty when the resistance of one of its cells is not known.
    public static Optional<Discharged> of(MatchResult result, List<Candidate> candidates) {
        Map<CellId, Candidate> byId = new HashMap<>();
        candidates.forEach(each -> byId.put(each.id(), each));
        List<List<CircuitCell>> groups = new ArrayList<>();
        double ampHours = 0;
        Chemistry chemistry = Chemistry.NMC;
        for (List<CellId> ids : result.groups()) {
            List<CircuitCell> group = new ArrayList<>();
            for (CellId id : ids) {
                Candidate cell = byId.get(id);
                if (cell == null || cell.milliohms().isEmpty()) return Optional.empty();
                chemistry = cell.chemistry().orElse(chemistry);
                group.addAll(
                        new CircuitCell(
                                        cell.milliampHours() / 1000,
                                        cell.milliohms().getAsDouble() / 1000)
                                .cans(cell.count()));
                ampHours += cell.milliampHours() / 1000;
            }
            groups.add(group);
        }
        Load load = new Load.Amps(RATE_AN_HOUR * ampHours / groups.size());
        return Optional.of(
                PackSimulation.discharge(
                        groups,
                        RestCurve.of(chemistry).curve(),
                        load,
                        chemistry.endVolts(),
                        STEP_SECONDS,
                        (seconds, volts, amps, groupVolts) -> {}));
    }
}
