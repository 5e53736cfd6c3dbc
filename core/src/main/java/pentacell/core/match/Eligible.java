package pentacell.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// Which candidates the rules admit, and when they are too few, which limit stands in the way and
/// what would do.
final class Eligible {
    private final MatchRules rules;
    private final List<Candidate> ofOneKind;

    private Eligible(List<Candidate> candidates, MatchRules rules) {
        this.rules = rules;
        Optional<Chemistry> chemistry = rules.chemistry().or(() -> mostCommon(candidates));
        // a cell of unknown chemistry goes with the others only when none of them is known
        List<Candidate> alike =
                candidates.stream().filter(cell -> cell.chemistry().equals(chemistry)).toList();
        // one holder takes one size
        Optional<CellFormat> size =
                rules.format().or(() -> Candidate.formats(alike).stream().findFirst());
        ofOneKind = alike.stream().filter(cell -> cell.mayBeOf(size)).toList();
    }

    /// The admitted cells, or what stands in the way.
    static EitherWay of(List<Candidate> candidates, MatchRules rules, Map<CellId, Integer> locks) {
        Eligible eligible = new Eligible(candidates, rules);
        List<Candidate> admitted =
                eligible.ofOneKind.stream()
                        .filter(cell -> !(rules.barsRescued() && cell.isRescued()))
                        .filter(eligible::irAdmits)
                        .filter(cell -> eligible.sohAdmits(cell, rules.minSohShare()))
                        .toList();
        Optional<Infeasible> obstacle =
                eligible.lockObstacle(admitted, locks).or(() -> eligible.countObstacle(admitted));
        return new EitherWay(admitted, obstacle);
    }

    /// @param cells admitted cells
    /// @param obstacle why no match can be made of them, if so
    record EitherWay(List<Candidate> cells, Optional<Infeasible> obstacle) {}

    private static Optional<Chemistry> mostCommon(List<Candidate> candidates) {
        Map<Chemistry, Long> counts =
                candidates.stream()
                        .flatMap(cell -> cell.chemistry().stream())
                        .collect(
                                Collectors.groupingBy(
                                        known -> known,
                                        () -> new EnumMap<>(Chemistry.class),
                                        Collectors.counting()));
        long most = counts.values().stream().mapToLong(Long::longValue).max().orElse(0);
        return counts.keySet().stream()
                .filter(known -> counts.getOrDefault(known, 0L) == most)
                .findFirst();
    }

    private boolean irAdmits(Candidate cell) {
        if (cell.milliohmsPerCan().isEmpty())
            return rules.maxMilliohms().isEmpty() && rules.maxIrSpreadMilliohms().isEmpty();
        return cell.milliohmsPerCan().getAsDouble()
                <= rules.maxMilliohms().orElse(Double.POSITIVE_INFINITY);
    }

    private boolean sohAdmits(Candidate cell, double share) {
        return share == 0 || cell.soh().orElse(Double.NEGATIVE_INFINITY) >= share;
    }

    private Optional<Infeasible> lockObstacle(
            List<Candidate> admitted, Map<CellId, Integer> locks) {
        Map<CellId, Integer> known = new HashMap<>();
        admitted.forEach(cell -> known.put(cell.id(), cell.count()));
        Map<Integer, Integer> perGroup = new HashMap<>();
        for (Map.Entry<CellId, Integer> lock : locks.entrySet()) {
            int group = lock.getValue();
            if (!known.containsKey(lock.getKey()))
                return no(new MatchObstacle.LockedCellUnusable(lock.getKey(), group));
            if (group < 0 || group >= rules.series())
                return no(new MatchObstacle.LockedBeyondPack(lock.getKey(), group, rules.series()));
            if (perGroup.merge(group, known.getOrDefault(lock.getKey(), 0), Integer::sum)
                    > rules.groupSizes().get(group))
                return no(new MatchObstacle.TooManyLocked(group, rules.groupSizes().get(group)));
        }
        return Optional.empty();
    }

    private static Optional<Infeasible> no(MatchObstacle why) {
        return Optional.of(new Infeasible(why));
    }

    private Optional<Infeasible> countObstacle(List<Candidate> admitted) {
        int needed = rules.cellsNeeded();
        int usable = Candidate.cans(admitted);
        if (usable > needed && rules.selection() == Selection.ALL)
            return no(new MatchObstacle.CellsLeft(rules, usable, parallelThatWorks(usable, true)));
        if (usable >= needed) return Optional.empty();
        return sohObstacle()
                .or(this::irObstacle)
                .or(() ->
                        no(
                                new MatchObstacle.TooFewCells(
                                        rules, usable, parallelThatWorks(usable, false))));
    }

    private Optional<Infeasible> sohObstacle() {
        if (rules.minSohShare() == 0) return Optional.empty();
        OptionalDouble nearest =
                nth(
                        this::irAdmits,
                        Comparator.comparingDouble((Candidate cell) -> -cell.soh().orElse(-1)),
                        cell -> cell.soh());
        if (nearest.isEmpty()) return Optional.empty();
        // rounded down, so that the value named does admit the cell it is taken from
        double percent = Math.floor(1000 * nearest.getAsDouble()) / 10;
        return no(new MatchObstacle.StateOfHealth(rules, percent));
    }

    private Optional<Infeasible> irObstacle() {
        if (rules.maxMilliohms().isEmpty()) return Optional.empty();
        OptionalDouble nearest =
                nth(
                        cell ->
                                cell.milliohms().isPresent()
                                        && sohAdmits(cell, rules.minSohShare()),
                        Comparator.comparingDouble(cell -> cell.milliohmsPerCan().orElseThrow()),
                        Candidate::milliohmsPerCan);
        if (nearest.isEmpty()) return Optional.empty();
        double milliohms = Math.ceil(10 * nearest.getAsDouble()) / 10;
        return no(new MatchObstacle.CellIr(rules, milliohms));
    }

    /// The figure of the last cell needed, when cells that pass a test are put in order.
    private OptionalDouble nth(
            Predicate<Candidate> test,
            Comparator<Candidate> order,
            java.util.function.Function<Candidate, OptionalDouble> figure) {
        List<Candidate> passing = new ArrayList<>(ofOneKind.stream().filter(test).toList());
        passing.sort(order);
        int cans = 0;
        for (Candidate cell : passing) {
            cans += cell.count();
            if (cans >= rules.cellsNeeded()) return figure.apply(cell);
        }
        return OptionalDouble.empty();
    }

    private OptionalInt parallelThatWorks(int usable, boolean exactly) {
        int[] sizes = rules.groupSizes().stream().mapToInt(Integer::intValue).distinct().toArray();
        int parallel = usable / rules.series();
        boolean works =
                sizes.length == 1 && parallel > 0 && (!exactly || usable % rules.series() == 0);
        return works && !Arrays.equals(sizes, new int[] {parallel})
                ? OptionalInt.of(parallel)
                : OptionalInt.empty();
    }
}
