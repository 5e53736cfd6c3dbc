package pentacell.core.intake;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Quantity;

/// Finds cells that are perhaps not what their label says: another chemistry by resting voltage,
/// another model by capacity.
public final class LookTwice {
    /// Where an LFP cell rests unless it is nearly empty or just charged, in V (common practice).
    private static final double LFP_RESTS_FROM = 3.18;

    private static final double LFP_RESTS_TO = 3.40;

    /// Cells of one pack of the 4.2 V class rest alike; a cell this far under them is another
    /// group, or another chemistry, in V.
    private static final double APART_VOLTS = 0.20;

    /// Fewer neighbours make no cluster.
    private static final int FEWEST_NEIGHBOURS = 3;

    /// A used cell has this share of its rating, or up to a little over it.
    private static final double LEAST_SHARE = 0.60;

    private LookTwice() {}

    /// A cell to look at again, and why.
    public record Suspicion(CellId cell, Reason reason) {}

    /// All suspicious cells that are still here, in the order they were logged.
    public static List<Suspicion> of(WorkshopState state) {
        Map<String, List<Double>> voltsByDonor = new HashMap<>();
        for (CellRecord cell : Cells.of(state).all().values())
            if (cell.firstVolts().isPresent())
                voltsByDonor
                        .computeIfAbsent(cell.donor().orElse(""), code -> new ArrayList<>())
                        .add(cell.firstVolts().getAsDouble());
        Map<String, double[]> sorted = new HashMap<>();
        voltsByDonor.forEach((code, volts) ->
                sorted.put(
                        code, volts.stream().mapToDouble(Double::doubleValue).sorted().toArray()));
        List<Suspicion> suspicions = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values()) {
            if (cell.handedOver().isPresent()) continue;
            double[] neighbours = sorted.getOrDefault(cell.donor().orElse(""), new double[0]);
            Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
            Optional<Reason> reason = Optional.empty();
            if (cell.firstVolts().isPresent())
                reason = chemistry(cell.firstVolts().getAsDouble(), model, neighbours);
            if (reason.isEmpty() && KnownChemistry.of(cell, state).isEmpty())
                reason = unknown(cell.firstVolts());
            if (reason.isEmpty()) reason = model(cell, model, state);
            reason.ifPresent(found -> suspicions.add(new Suspicion(cell.id(), found)));
        }
        return suspicions;
    }

    /// A cell that may be of either family; over what both may be charged to only its label tells.
    private static Optional<Reason> unknown(OptionalDouble firstVolts) {
        if (!(firstVolts.orElse(Double.NaN) >= 0)) return Optional.empty();
        double volts = firstVolts.getAsDouble();
        String note =
                volts < KnownChemistry.EITHER_CHARGE_VOLTS
                        ? "Rested after that, under %s it is LFP, else of the 4.2 V class."
                                .formatted(
                                        Quantity.VOLTAGE.text(KnownChemistry.TOLD_APART_VOLTS, 2))
                        : "Name its model before it is charged.";
        return Optional.of(
                new Reason(
                        Rule.CHEMISTRY_UNKNOWN, volts, KnownChemistry.EITHER_CHARGE_VOLTS, note));
    }

    /// What is odd about a resting voltage among the others of the same donor.
    ///
    /// @param neighbourVolts first voltages of the others; the cell's own may be among them
    static Optional<Reason> chemistry(
            double volts, Optional<CellModel> model, double[] neighbourVolts) {
        if (model.map(CellModel::chemistry).equals(Optional.of(Chemistry.LFP)))
            // no iron phosphate cell rests there, full or not
            return volts > LFP_RESTS_TO + 0.1 && volts <= Chemistry.NMC.chargeLimitVolts() + 0.05
                    ? Optional.of(
                            new Reason(
                                    Rule.OTHER_CHEMISTRY,
                                    volts,
                                    median(neighbourVolts),
                                    "perhaps a cell of the 4.2 V class, look at label and weight"))
                    : Optional.empty();
        if (volts < LFP_RESTS_FROM || volts > LFP_RESTS_TO) return Optional.empty();
        if (neighbourVolts.length < FEWEST_NEIGHBOURS) return Optional.empty();
        double middle = median(neighbourVolts);
        if (middle - volts < APART_VOLTS) return Optional.empty();
        // readings in between speak for a spread of charge, not for another chemistry
        boolean anyBetween =
                Arrays.stream(neighbourVolts)
                        .anyMatch(other -> other > LFP_RESTS_TO && other < middle - APART_VOLTS);
        return anyBetween
                ? Optional.empty()
                : Optional.of(
                        new Reason(
                                Rule.OTHER_CHEMISTRY,
                                volts,
                                middle,
                                "perhaps a cell of the 3.2 V class, or of a low group; look at label and weight"));
    }

    private static double median(double[] values) {
        if (values.length == 0) return Double.NaN;
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    /// What is odd about a capacity: it does not fit the cell's own model, but another of the same
    /// size and chemistry.
    private static Optional<Reason> model(
            CellRecord cell, Optional<CellModel> model, WorkshopState state) {
        if (model.isEmpty() || cell.milliampHours().isEmpty()) return Optional.empty();
        double measured = cell.milliampHours().getAsDouble();
        double rated = model.get().ratedMinimumMilliampHours();
        double nominal = model.get().ratedNominalMilliampHours();
        if (measured <= nominal * OddValues.OVER_NEW_SHARE) return Optional.empty();
        String fitting =
                Catalogue.of(state).models().values().stream()
                        .filter(other -> other.format().equals(model.get().format()))
                        .filter(other -> other.chemistry() == model.get().chemistry())
                        .map(other -> other.ofCans(cell.count()))
                        .filter(other -> {
                            return measured >= LEAST_SHARE * other.ratedMinimumMilliampHours()
                                    && measured
                                            <= OddValues.OVER_NEW_SHARE
                                                    * other.ratedNominalMilliampHours();
                        })
                        .map(CellModel::name)
                        .findFirst()
                        .map(name -> "fits " + name)
                        .orElse("fits no model of the catalogue");
        return Optional.of(
                new Reason(
                        Rule.OTHER_MODEL,
                        measured,
                        rated,
                        fitting
                                + "; "
                                + Quantity.PERCENT.text(100 * measured / rated)
                                + " of rated"));
    }
}
