package pentacell.core.match;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import pentacell.core.cell.CellId;
import pentacell.core.pack.MatchRules;

/// Cells to hold back for the repair of a pack: those that would do best in the place of whichever
/// cell fails, not those that are left over.
///
/// Each cell of the pack may fail, one as likely as another. What a set of spares is worth is the
/// mean, over all places, of the smallest group after the best of them took the place; one that
/// breaks the limit on IR there is worth nothing. Spares are taken one after another, each the one
/// that adds most (a sum of maxima: this comes within 1 − 1/e of the best set, Nemhauser et al.
/// 1978, from memory); of those that add as much the weakest, so that strong cells are not laid
/// aside.
final class RepairSpares {
    /// Of a large lot no more are looked at: neighbours in the order are alike.
    private static final int MOST_LOOKED_AT = 1_500;

    private final List<Candidate> candidates;
    private final double[][] worth;

    private RepairSpares(List<Candidate> candidates, double[][] worth) {
        this.candidates = candidates;
        this.worth = worth;
    }

    /// @param usable all cells that could be taken, those of the groups as well: another can take
    ///   their place
    /// @param kept cells that stay in the pack
    static List<Candidate> choose(
            MatchResult match,
            List<Candidate> usable,
            MatchRules rules,
            Set<CellId> kept,
            int most) {
        Map<CellId, Candidate> byId = new HashMap<>();
        usable.forEach(cell -> byId.put(cell.id(), cell));
        List<Place> places = new ArrayList<>();
        double usableNow = match.figures().usableMilliampHours();
        for (int g = 0; g < match.groups().size(); g++) {
            List<Candidate> group =
                    match.groups().get(g).stream().map(id -> place(byId, id)).toList();
            double sum = match.figures().groups().get(g).milliampHours();
            for (Candidate cell : group) places.add(Place.of(cell, group, sum - usableNow, rules));
        }
        List<Candidate> looked = lookedAt(usable, kept);
        double[][] worth = new double[looked.size()][places.size()];
        for (int i = 0; i < worth.length; i++)
            for (int place = 0; place < places.size(); place++)
                worth[i][place] = places.get(place).worth(looked.get(i));
        return new RepairSpares(looked, worth).greedily(most);
    }

    private static Candidate place(Map<CellId, Candidate> byId, CellId id) {
        Candidate cell = byId.get(id);
        if (cell == null) throw new IllegalStateException(id + " is matched but not usable");
        return cell;
    }

    private static List<Candidate> lookedAt(List<Candidate> usable, Set<CellId> kept) {
        List<Candidate> free =
                usable.stream()
                        .filter(cell -> !kept.contains(cell.id()))
                        .sorted(Reach.STRONGEST_FIRST.reversed())
                        .toList();
        int step = 1 + (free.size() - 1) / MOST_LOOKED_AT;
        List<Candidate> looked = new ArrayList<>();
        for (int i = 0; i < free.size(); i += step) looked.add(free.get(i));
        return looked;
    }

    private List<Candidate> greedily(int most) {
        List<Candidate> chosen = new ArrayList<>();
        Set<Integer> taken = new HashSet<>();
        double[] had = new double[worth.length == 0 ? 0 : worth[0].length];
        while (chosen.size() < Math.min(most, candidates.size())) {
            int best = -1;
            double gain = -1;
            for (int i = 0; i < worth.length; i++) {
                if (taken.contains(i)) continue;
                double gained = 0;
                for (int place = 0; place < had.length; place++)
                    gained += Math.max(0, worth[i][place] - had[place]);
                // weakest first: only a real gain takes a stronger one
                if (gained > gain + 1e-6) {
                    gain = gained;
                    best = i;
                }
            }
            taken.add(best);
            chosen.add(candidates.get(best));
            for (int place = 0; place < had.length; place++)
                had[place] = Math.max(had[place], worth[best][place]);
        }
        return chosen;
    }

    /// A place whose cell may fail.
    ///
    /// @param cell that sits there
    /// @param room how much less the group may have before it is the smallest, in mAh
    /// @param low lowest IR that keeps the limit there
    /// @param high highest
    private record Place(Candidate cell, double room, double low, double high) {
        static Place of(Candidate cell, List<Candidate> group, double room, MatchRules rules) {
            if (rules.maxIrSpreadMilliohms().isEmpty())
                return new Place(cell, room, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
            double limit = rules.maxIrSpreadMilliohms().getAsDouble() + 1e-9;
            double least = Double.POSITIVE_INFINITY;
            double greatest = Double.NEGATIVE_INFINITY;
            for (Candidate each : group) {
                if (each.equals(cell)) continue;
                double milliohms = each.milliohmsPerCan().orElse(Double.NaN);
                least = Math.min(least, milliohms);
                greatest = Math.max(greatest, milliohms);
            }
            return new Place(cell, room, greatest - limit, least + limit);
        }

        /// From 0 for a cell that cannot be put there to the capacity of the one that failed for
        /// one that makes good for it.
        double worth(Candidate spare) {
            double milliohms = spare.milliohmsPerCan().orElse(low);
            boolean fits = spare.count() == cell.count() && !spare.equals(cell);
            if (!fits || !(milliohms >= low && milliohms <= high)) return 0;
            double lost = Math.max(0, cell.milliampHours() - spare.milliampHours() - room);
            return Math.max(0, cell.milliampHours() - lost);
        }
    }
}
