package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.cell.CellId;
import pentacell.core.pack.MatchRules;

/// The usable cells of one match on primitive arrays, ordered strongest first (then by id, so that
/// order never depends on the input's).
///
/// Capacities are whole *ticks*, the finest step in which they are given: so a bound in ticks holds
/// for the capacities themselves. Cells are numbers from 0.
final class CandidateTable {
    static final int FREE = -1;

    private final List<Candidate> cells;
    private final int[] groupSizes;
    private final int ticksPerMilliampHour;
    private final int[] ticks;
    private final double[] milliohms;
    private final int[] model;
    private final int[] donor;
    private final int[] lockedTo;
    private final int models;
    private final int donors;
    private final double maxIrSpread;
    private final int maxModels;
    private final boolean everyResistance;

    CandidateTable(List<Candidate> usable, MatchRules rules, Map<CellId, Integer> locks) {
        List<Candidate> ordered = new ArrayList<>(usable);
        ordered.sort(Reach.STRONGEST_FIRST);
        cells = List.copyOf(ordered);
        groupSizes = rules.groupSizes().stream().mapToInt(Integer::intValue).toArray();
        ticksPerMilliampHour = resolution(cells);
        int n = cells.size();
        ticks = new int[n];
        milliohms = new double[n];
        model = new int[n];
        donor = new int[n];
        lockedTo = new int[n];
        Map<String, Integer> modelNumbers = new HashMap<>();
        Map<String, Integer> donorNumbers = new HashMap<>();
        for (int i = 0; i < n; i++) {
            Candidate cell = cells.get(i);
            ticks[i] = (int) Math.round(cell.milliampHours() * ticksPerMilliampHour);
            milliohms[i] = cell.milliohms().orElse(Double.NaN);
            model[i] = modelNumbers.computeIfAbsent(cell.model(), name -> modelNumbers.size());
            donor[i] = donorNumbers.computeIfAbsent(cell.donor(), name -> donorNumbers.size());
            lockedTo[i] = locks.getOrDefault(cell.id(), FREE);
        }
        everyResistance = Arrays.stream(milliohms).noneMatch(Double::isNaN);
        models = modelNumbers.size();
        donors = donorNumbers.size();
        maxIrSpread = rules.maxIrSpreadMilliohms().orElse(Double.POSITIVE_INFINITY);
        maxModels = rules.maxModels().orElse(Integer.MAX_VALUE);
    }

    /// The coarsest of 1, 0.1, 0.01 and 0.001 mAh in which every capacity is whole; the last when
    /// none is.
    private static int resolution(List<Candidate> cells) {
        for (int perMilliampHour : new int[] {1, 10, 100})
            if (cells.stream()
                    .allMatch(cell ->
                            Math.abs(
                                            cell.milliampHours() * perMilliampHour
                                                    - Math.rint(
                                                            cell.milliampHours() * perMilliampHour))
                                    < 1e-6)) return perMilliampHour;
        return 1000;
    }

    int size() {
        return ticks.length;
    }

    int cellsNeeded() {
        return Arrays.stream(groupSizes).sum();
    }

    int groups() {
        return groupSizes.length;
    }

    /// Shared, not to be written to.
    int[] groupSizes() {
        return groupSizes;
    }

    int ticksPerMilliampHour() {
        return ticksPerMilliampHour;
    }

    int ticks(int cell) {
        return ticks[cell];
    }

    double milliohms(int cell) {
        return milliohms[cell];
    }

    int model(int cell) {
        return model[cell];
    }

    int donor(int cell) {
        return donor[cell];
    }

    int models() {
        return models;
    }

    int donors() {
        return donors;
    }

    int lockedTo(int cell) {
        return lockedTo[cell];
    }

    boolean isLocked(int cell) {
        return lockedTo[cell] != FREE;
    }

    boolean hasLocks() {
        return Arrays.stream(lockedTo).anyMatch(group -> group != FREE);
    }

    double maxIrSpread() {
        return maxIrSpread;
    }

    boolean limitsIrSpread() {
        return maxIrSpread < Double.POSITIVE_INFINITY;
    }

    int maxModels() {
        return maxModels;
    }

    boolean limitsModels() {
        return maxModels < models;
    }

    boolean hasEveryResistance() {
        return everyResistance;
    }

    Candidate candidate(int cell) {
        return cells.get(cell);
    }

    /// Standard deviation of the capacities in ticks, at least 1.
    double sigmaTicks() {
        double mean = Arrays.stream(ticks).average().orElse(0);
        double variance =
                Arrays.stream(ticks).mapToDouble(c -> (c - mean) * (c - mean)).average().orElse(0);
        return Math.max(1, Math.sqrt(variance));
    }
}
