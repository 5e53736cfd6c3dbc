package pentacell.core.measure;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import org.hipparchus.stat.descriptive.rank.Median;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.CapacityMeasured;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellFact.ResistanceRead;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.CellRecord.Fate;
import pentacell.core.cell.CellRecord.LifeLineEntry;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact;
import pentacell.core.cell.TestConditions;
import pentacell.core.state.WorkshopState;

/// How far each bay reads off, found by running the same reference cell through all of them, and
/// how well a reading repeats.
///
/// The middle of the bays counts as right: without a standard nobody knows which of them is. Bays
/// are compared by the raw capacities of a reference cell, never by corrected ones, and only by
/// those measured at the same rate to the same end.
public final class InstrumentFigures {
    /// Repeatability taken until the workshop has repeats of its own, as a share (common practice).
    public static final double USUAL_REPEATABILITY = 0.01;

    /// So many bays make a comparison.
    private static final int LEAST_BAYS = 2;

    private final Map<String, BayFigures> bays;
    private final double repeatability;
    private final int repeats;

    private InstrumentFigures(Map<String, BayFigures> bays, double repeatability, int repeats) {
        this.bays = Collections.unmodifiableMap(bays);
        this.repeatability = repeatability;
        this.repeats = repeats;
    }

    /// What is known of a bay.
    ///
    /// @param gain a capacity read in it, times this, is right
    /// @param contactMilliohms a direct current resistance read in it, less this, is right
    /// @param runs how many runs of reference cells it rests on
    public record BayFigures(double gain, double contactMilliohms, int runs) {
        /// A bay no reference cell was run in.
        public static final BayFigures UNKNOWN = new BayFigures(1, 0, 0);
    }

    /// The figures of a workshop.
    public static InstrumentFigures of(WorkshopState state) {
        Map<String, List<Double>> gains = new TreeMap<>();
        Map<String, List<Double>> offsets = new TreeMap<>();
        List<double[]> repeats = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values()) {
            List<Alike> capacities = new ArrayList<>();
            Map<String, List<Double>> resistances = new LinkedHashMap<>();
            gather(cell, capacities, resistances);
            for (Alike alike : capacities)
                for (List<Double> same : alike.byBay().values())
                    if (same.size() > 1)
                        repeats.add(same.stream().mapToDouble(Double::doubleValue).toArray());
            if (!isReference(cell)) continue;
            for (Alike alike : capacities)
                compare(alike.byBay(), gains, (middle, value) -> middle / value);
            compare(resistances, offsets, (middle, value) -> value - middle);
        }
        Map<String, BayFigures> bays = new TreeMap<>();
        gains.forEach((bay, values) ->
                bays.put(
                        bay,
                        new BayFigures(
                                mean(values),
                                mean(offsets.getOrDefault(bay, List.of(0.0))),
                                values.size())));
        return new InstrumentFigures(bays, repeatability(repeats), count(repeats));
    }

    /// Whether a cell is used to compare the bays.
    public static boolean isReference(CellRecord cell) {
        return cell.lifeLine().stream()
                .filter(entry -> entry.fate() == Fate.STANDING)
                .map(LifeLineEntry::fact)
                .filter(RunFact.ReferenceChosen.class::isInstance)
                .map(RunFact.ReferenceChosen.class::cast)
                .reduce((before, after) -> after)
                .filter(chosen -> chosen.reference() == RunFact.Reference.YES)
                .isPresent();
    }

    private static void gather(
            CellRecord cell, List<Alike> capacities, Map<String, List<Double>> resistances) {
        for (LifeLineEntry entry : cell.lifeLine()) {
            if (entry.fate() != Fate.STANDING) continue;
            CellFact fact = entry.fact();
            if (fact instanceof CapacityMeasured measured)
                measured.conditions()
                        .bay()
                        .ifPresent(bay ->
                                add(
                                        Alike.of(measured.conditions(), capacities).byBay(),
                                        bay,
                                        measured.milliampHours()));
            if (fact instanceof ResistanceRead read && read.method() == ResistanceMethod.DC)
                read.bay().ifPresent(bay -> add(resistances, bay, read.milliohms()));
        }
    }

    /// Capacities of one cell that were measured alike: at another rate or to another end the same
    /// cell gives another figure.
    ///
    /// @param conditions those of the first
    private record Alike(TestConditions conditions, Map<String, List<Double>> byBay) {
        private static final double SAME_AMPS_SHARE = 0.1;
        private static final double SAME_VOLTS = 0.05;

        static Alike of(TestConditions conditions, List<Alike> all) {
            for (Alike each : all)
                if (isSame(
                                each.conditions.dischargeAmps(),
                                conditions.dischargeAmps(),
                                SAME_AMPS_SHARE * conditions.dischargeAmps().orElse(0))
                        && isSame(each.conditions.endVolts(), conditions.endVolts(), SAME_VOLTS))
                    return each;
            Alike other = new Alike(conditions, new LinkedHashMap<>());
            all.add(other);
            return other;
        }

        private static boolean isSame(OptionalDouble one, OptionalDouble other, double room) {
            if (one.isEmpty() || other.isEmpty()) return one.isEmpty() && other.isEmpty();
            return Math.abs(one.getAsDouble() - other.getAsDouble()) <= room;
        }
    }

    private static void add(Map<String, List<Double>> values, String bay, double value) {
        values.computeIfAbsent(bay, name -> new ArrayList<>()).add(value);
    }

    private interface Comparison {
        double of(double middle, double value);
    }

    /// Compares the bays one reference cell ran in, by the mean of its runs in each.
    private static void compare(
            Map<String, List<Double>> values,
            Map<String, List<Double>> into,
            Comparison comparison) {
        if (values.size() < LEAST_BAYS) return;
        double middle =
                new Median()
                        .evaluate(
                                values.values().stream()
                                        .mapToDouble(InstrumentFigures::mean)
                                        .toArray());
        values.forEach((bay, runs) -> add(into, bay, comparison.of(middle, mean(runs))));
    }

    private static double mean(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    /// Pooled relative standard deviation of capacities of the same cell in the same bay.
    private static double repeatability(List<double[]> repeats) {
        double squares = 0;
        int degrees = 0;
        for (double[] same : repeats) {
            double mean = sum(same, value -> value) / same.length;
            squares += sum(same, value -> Math.pow(value / mean - 1, 2));
            degrees += same.length - 1;
        }
        return degrees < 3 ? USUAL_REPEATABILITY : Math.sqrt(squares / degrees);
    }

    private static double sum(double[] values, ToDoubleFunction<Double> term) {
        double sum = 0;
        for (double value : values) sum += term.applyAsDouble(value);
        return sum;
    }

    private static int count(List<double[]> repeats) {
        return repeats.stream().mapToInt(same -> same.length).sum();
    }

    /// What is known of a bay.
    public BayFigures of(String bay) {
        return bays.getOrDefault(bay, BayFigures.UNKNOWN);
    }

    /// The bays reference cells were run in, by name.
    public Map<String, BayFigures> bays() {
        return bays;
    }

    /// How well a capacity repeats, as a share: one standard deviation. The matcher's noise floor.
    public double repeatability() {
        return repeatability;
    }

    /// How many repeated readings it rests on; 0 when the usual figure is taken.
    public int repeats() {
        return repeats;
    }

    /// The reference cells of a workshop.
    public static List<CellId> references(WorkshopState state) {
        return Cells.of(state).all().values().stream()
                .filter(InstrumentFigures::isReference)
                .map(CellRecord::id)
                .toList();
    }
}
