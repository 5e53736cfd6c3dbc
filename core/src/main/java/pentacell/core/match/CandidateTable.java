package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.cell.CellId;
import pentacell.core.pack.MatchRules;

/// The usable cells of one match on primitive arrays, ordered strongest first (then by id, so that
/// order never depends on the input's). A unit is one of them and counts as many cans.
///
/// Capacities are whole *ticks*, the finest step in which they are given: so a bound in ticks holds
/// for the capacities themselves. Cells are numbers from 0.
final class CandidateTable {
    static final int FREE = -1;

    /// Share of a can of a unit is given in this.
    private static final int FINEST = 1000;

    private final List<Candidate> cells;
    private final MatchRules rules;
    private final int[] groupSizes;
    private final int ticksPerMilliampHour;
    private final int[] ticks;
    private final int[] count;
    private final double[] milliohms;
    private final int[] model;
    private final int[] donor;
    private final int[] lockedTo;
    private final int models;
    private final int donors;
    private final double maxIrSpread;
    private final int maxModels;
    private final boolean everyResistance;
    private final boolean hasUnits;
    private final int cans;

    CandidateTable(List<Candidate> usable, MatchRules rules, Map<CellId, Integer> locks) {
        List<Candidate> ordered = new ArrayList<>(usable);
        ordered.sort(Reach.STRONGEST_FIRST);
        cells = List.copyOf(ordered);
        this.rules = rules;
        groupSizes = rules.groupSizes().stream().mapToInt(Integer::intValue).toArray();
        ticksPerMilliampHour = resolution(cells);
        int n = cells.size();
        ticks = new int[n];
        count = new int[n];
        milliohms = new double[n];
        model = new int[n];
        donor = new int[n];
        lockedTo = new int[n];
        Map<String, Integer> modelNumbers = new HashMap<>();
        Map<String, Integer> donorNumbers = new HashMap<>();
        for (int i = 0; i < n; i++) {
            Candidate cell = cells.get(i);
            ticks[i] = (int) Math.round(cell.milliampHours() * ticksPerMilliampHour);
            count[i] = cell.count();
            milliohms[i] = cell.milliohmsPerCan().orElse(Double.NaN);
            model[i] = modelNumbers.computeIfAbsent(cell.model(), name -> modelNumbers.size());
            donor[i] = donorNumbers.computeIfAbsent(cell.donor(), name -> donorNumbers.size());
            lockedTo[i] = locks.getOrDefault(cell.id(), FREE);
        }
        everyResistance = Arrays.stream(milliohms).noneMatch(Double::isNaN);
        hasUnits = Arrays.stream(count).anyMatch(each -> each > 1);
        cans = Arrays.stream(count).sum();
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

    /// The same lot with every unit in single cans, whose capacities are rounded up; without locks.
    CandidateTable takenApart() {
        List<Candidate> cans = new ArrayList<>();
        for (Candidate cell : cells)
            for (int can = 0; can < cell.count(); can++)
                cans.add(
                        new Candidate(
                                new CellId(cell.id() + "." + can),
                                Math.ceil(FINEST * cell.milliampHoursPerCan() - 1e-6) / FINEST,
                                cell.milliohmsPerCan(),
                                cell.model(),
                                cell.donor(),
                                cell.chemistry(),
                                cell.format(),
                                cell.ratedMilliampHours(),
                                cell.location(),
                                cell.isRescued(),
                                1));
        return new CandidateTable(cans, rules, Map.of());
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

    /// Cans in it.
    int count(int cell) {
        return count[cell];
    }

    /// Whether any has more than one can.
    boolean hasUnits() {
        return hasUnits;
    }

    /// Cans in all.
    int cans() {
        return cans;
    }

    /// Resistance of each of its cans.
    double milliohms(int cell) {
        return milliohms[cell];
    }

    /// Conductance of the whole, in 1/mΩ.
    double conductance(int cell) {
        return count[cell] / milliohms[cell];
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
