package pentacell.core.match;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.Ageing;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.Discharged;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;
import pentacell.core.circuit.VoltageCurve;

/// What a match means in use: a discharge of the pack from full at a rate that says something of
/// most uses, half of its capacity an hour.
public final class MatchOutlook {
    /// Share of the capacity an hour.
    private static final double RATE_AN_HOUR = 0.5;

    private static final double STEP_SECONDS = 5;
    private static final double AGEING_STEP_SECONDS = 60;
    private static final int[] LATER_CYCLES = {100, 500};

    private MatchOutlook() {}

    /// What a match means in use.
    ///
    /// @param ampHours what the pack gives, in Ah
    /// @param wattHours in Wh
    /// @param worstShareAtStart current of the hardest-worked cell ÷ the mean of its group, at
    ///   first
    /// @param worstShare the same at any moment
    /// @param heatWattHours lost inside the cells, in Wh
    /// @param hottestCellWatts mean heat of the cell that ran hottest, in W
    /// @param later what is to be expected later, by the model of [Ageing]
    public record InUse(
            double ampHours,
            double wattHours,
            double worstShareAtStart,
            double worstShare,
            double heatWattHours,
            double hottestCellWatts,
            List<Later> later) {
        public InUse {
            later = List.copyOf(later);
        }
    }

    /// What a pack comes to after some cycles.
    ///
    /// @param ampHours it then gives, in Ah
    /// @param spreadMilliampHours largest minus smallest group then, in mAh
    public record Later(int cycles, double ampHours, double spreadMilliampHours) {}

    /// What a matched pack comes to in use; empty when the resistance of one of its cells is not
    /// known.
    public static Optional<InUse> inUse(List<List<CellId>> groups, List<Candidate> candidates) {
        return circuit(groups, candidates).map(MatchOutlook::inUse);
    }

    private static InUse inUse(Circuit circuit) {
        Discharged now = circuit.discharge();
        List<Later> later = new ArrayList<>();
        List<List<CircuitCell>> cells = circuit.groups();
        int done = 0;
        for (int cycles : LATER_CYCLES) {
            Ageing.Aged aged =
                    Ageing.after(
                            cycles - done,
                            cells,
                            circuit.curve(),
                            circuit.load(),
                            circuit.chemistry().endVolts(),
                            AGEING_STEP_SECONDS);
            cells = aged.groups();
            done = cycles;
            later.add(new Later(cycles, aged.usable().ampHours(), 1000 * aged.spreadAmpHours()));
        }
        return new InUse(
                now.ampHours(),
                now.wattHours(),
                now.worstShareAtStart(),
                now.worstShare(),
                now.heatWattHours(),
                now.hottestCellWatts(),
                later);
    }

    /// The discharge of a matched pack; empty when the resistance of one of its cells is not known.
    public static Optional<Discharged> of(MatchResult result, List<Candidate> candidates) {
        return circuit(result.groups(), candidates).map(Circuit::discharge);
    }

    private record Circuit(List<List<CircuitCell>> groups, Chemistry chemistry, Load load) {
        VoltageCurve curve() {
            return RestCurve.of(chemistry).curve();
        }

        Discharged discharge() {
            return PackSimulation.discharge(
                    groups,
                    curve(),
                    load,
                    chemistry.endVolts(),
                    STEP_SECONDS,
                    (seconds, volts, amps, groupVolts) -> {});
        }
    }

    private static Optional<Circuit> circuit(
            List<List<CellId>> matched, List<Candidate> candidates) {
        Map<CellId, Candidate> byId = new HashMap<>();
        candidates.forEach(each -> byId.put(each.id(), each));
        List<List<CircuitCell>> groups = new ArrayList<>();
        double ampHours = 0;
        Chemistry chemistry = Chemistry.NMC;
        for (List<CellId> ids : matched) {
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
        return Optional.of(
                new Circuit(
                        groups, chemistry, new Load.Amps(RATE_AN_HOUR * ampHours / groups.size())));
    }
}
