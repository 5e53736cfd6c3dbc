package pentacell.core.match;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.pack.MatchRules;

/// Groups filled one after another with the cells as they come, in the order of their ids. What is
/// locked is in its group first.
final class AsTheyCome {
    private AsTheyCome() {}

    static MatchOutcome deal(
            List<Candidate> candidates, MatchRules rules, Map<CellId, Integer> locks) {
        Eligible.EitherWay eligible = Eligible.of(candidates, rules, locks);
        if (eligible.obstacle().isPresent()) return eligible.obstacle().get();
        List<Candidate> coming = new ArrayList<>(eligible.cells());
        coming.sort(Comparator.comparing(Candidate::id));
        List<List<Candidate>> groups = new ArrayList<>();
        int[] room = rules.groupSizes().stream().mapToInt(Integer::intValue).toArray();
        for (int group = 0; group < rules.series(); group++) groups.add(new ArrayList<>());
        List<Candidate> left = new ArrayList<>();
        for (Candidate cell : coming)
            Optional.ofNullable(locks.get(cell.id()))
                    .ifPresent(group -> {
                        groups.get(group).add(cell);
                        room[group] -= cell.count();
                    });
        for (Candidate cell : coming) {
            if (locks.containsKey(cell.id())) continue;
            int group = 0;
            while (group < room.length && room[group] < cell.count()) group++;
            if (group == room.length) left.add(cell);
            else {
                groups.get(group).add(cell);
                room[group] -= cell.count();
            }
        }
        for (int group = 0; group < room.length; group++)
            if (room[group] > 0) return new Infeasible(new MatchObstacle.RoomLeft(group));
        return broken(groups, rules).orElseGet(() -> matched(groups, left, rules, candidates));
    }

    /// The limit that the groups break, with the figure they would keep.
    private static Optional<MatchOutcome> broken(List<List<Candidate>> groups, MatchRules rules) {
        double spread = MatchFigures.of(groups).worstIrSpreadMilliohms().orElse(0);
        double limit = rules.maxIrSpreadMilliohms().orElse(Double.POSITIVE_INFINITY);
        if (spread > limit + 1e-9)
            return Optional.of(new Infeasible(new MatchObstacle.IrSpreadAsTheyCome(spread)));
        int models =
                groups.stream()
                        .mapToInt(group ->
                                (int) group.stream().map(Candidate::model).distinct().count())
                        .max()
                        .orElse(0);
        return models > rules.maxModels().orElse(Integer.MAX_VALUE)
                ? Optional.of(new Infeasible(new MatchObstacle.ModelsAsTheyCome(models)))
                : Optional.empty();
    }

    private static MatchOutcome matched(
            List<List<Candidate>> groups,
            List<Candidate> left,
            MatchRules rules,
            List<Candidate> candidates) {
        CandidateTable lot =
                new CandidateTable(
                        Eligible.of(candidates, rules, Map.of()).cells(), rules, Map.of());
        return new Matched(
                new MatchResult(
                        rules,
                        groups.stream()
                                .map(group -> group.stream().map(Candidate::id).toList())
                                .toList(),
                        left.stream().sorted(Reach.STRONGEST_FIRST).map(Candidate::id).toList(),
                        MatchFigures.of(groups),
                        CapacityBounds.of(lot).inMilliampHours(lot.ticksPerMilliampHour()),
                        "as they come",
                        MatchResult.Ending.SEARCHED,
                        List.of()));
    }
}
