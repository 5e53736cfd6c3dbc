package pentacell.core.match;

import java.util.Arrays;
import java.util.Optional;

/// Makes whole groups of prices: each cell goes where most is paid for it; then groups of too many
/// pass cells on to those of too few, by the chains that give up least.
final class WindowDeal {
    private final WindowedRow row;
    private final WindowPrices prices;

    /// The group at each place; the last is the shelf, which pays nothing and takes all.
    private final int[] groupAt;

    private final int shelf;
    private final int[] room;

    private WindowDeal(WindowedRow row, WindowPrices prices) {
        this.row = row;
        this.prices = prices;
        shelf = row.groups;
        groupAt = new int[row.length()];
        room = new int[row.groups];
        Arrays.fill(room, row.size);
    }

    /// A grouping by prices; empty when the groups cannot be filled.
    static Optional<Grouping> of(WindowedRow row, WindowPrices prices) {
        return new WindowDeal(row, prices).deal();
    }

    private Optional<Grouping> deal() {
        for (int place = 0; place < groupAt.length; place++) {
            groupAt[place] = highestPaying(place);
            if (groupAt[place] < shelf) room[groupAt[place]]--;
        }
        for (int group = 0; group < shelf; group++)
            while (room[group] != 0)
                if (row.stop.getAsBoolean() || !pass(group)) return Optional.empty();
        int[] groupOf = new int[row.length()];
        for (int place = 0; place < groupAt.length; place++)
            groupOf[row.cells[place]] = groupAt[place];
        return Optional.of(new Grouping(row.lot, groupOf));
    }

    private boolean holds(int group, int place) {
        int begin = prices.begin(group);
        return begin <= place && place < row.ends[begin];
    }

    private int highestPaying(int place) {
        int best = shelf;
        double most = 0;
        for (int group = 0; group < shelf; group++)
            if (holds(group, place) && prices.pays(group, place) > most) {
                most = prices.pays(group, place);
                best = group;
            }
        return best;
    }

    /// Passes one cell along the chain that gives up least: from a group of too many to the shelf
    /// or a group of too few, or to one of too few.
    private boolean pass(int group) {
        boolean isOver = room[group] < 0;
        int nodes = shelf + 1;
        int[][] cheapest = new int[nodes][nodes];
        double[][] costs = costs(cheapest);
        double[] cost = new double[nodes];
        int[] before = new int[nodes];
        Arrays.fill(cost, Double.POSITIVE_INFINITY);
        for (int g = 0; g < nodes; g++)
            if (isOver ? g == group : g == shelf || room[g] < 0) cost[g] = 0;
        Arrays.fill(before, -1);
        for (int round = 0; round < nodes; round++)
            for (int g = 0; g < nodes; g++)
                for (int h = 0; h < nodes; h++)
                    if (cost[g] + costs[g][h] < cost[h] - 1e-9 && !isOnWay(before, g, h)) {
                        cost[h] = cost[g] + costs[g][h];
                        before[h] = g;
                    }
        int to = isOver ? nearestWithRoom(cost) : group;
        if (cost[to] == Double.POSITIVE_INFINITY || before[to] < 0) return false;
        if (to < shelf) room[to]--;
        int at = to;
        for (; before[at] >= 0; at = before[at]) groupAt[cheapest[before[at]][at]] = at;
        if (at < shelf) room[at]++;
        return true;
    }

    private int nearestWithRoom(double[] cost) {
        int nearest = shelf;
        for (int g = 0; g < shelf; g++) if (room[g] > 0 && cost[g] < cost[nearest]) nearest = g;
        return nearest;
    }

    private static boolean isOnWay(int[] before, int from, int node) {
        for (int g = from; g >= 0; g = before[g]) if (g == node) return true;
        return false;
    }

    /// What is given up when a cell goes from one group to another, with the cell of which it is
    /// least.
    private double[][] costs(int[][] cheapest) {
        double[][] costs = new double[shelf + 1][shelf + 1];
        for (double[] line : costs) Arrays.fill(line, Double.POSITIVE_INFINITY);
        for (int place = 0; place < groupAt.length; place++) {
            int from = groupAt[place];
            double paid = from == shelf ? 0 : prices.pays(from, place);
            for (int to = 0; to <= shelf; to++) {
                if (to == from || to < shelf && !holds(to, place)) continue;
                double less = paid - (to == shelf ? 0 : prices.pays(to, place));
                if (less < costs[from][to]) {
                    costs[from][to] = less;
                    cheapest[from][to] = place;
                }
            }
        }
        return costs;
    }
}
