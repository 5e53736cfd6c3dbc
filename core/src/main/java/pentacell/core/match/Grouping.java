package pentacell.core.match;

import java.util.Arrays;

/// Cells dealt into groups and a shelf, on arrays; changed only by moves that keep the number of
/// cans in each group.
///
/// Invariants: `members[groupOf[c]][slotOf[c]] == c` for every cell; group number [#shelf] is the
/// shelf; `sum[g]` is the sum of ticks in g; when the lot limits the IR spread, `low ≤ secondLow`
/// and `high ≥ secondHigh` are the extremes of each group; when it limits models,
/// `modelCount[g][m]` counts them. A swap is *allowed* when it moves no locked cell and does not
/// raise what breaks the limits: a grouping that keeps the limits keeps them for ever.
final class Grouping {
    final CandidateTable lot;
    final int shelf;
    final int[] groupOf;
    final long[] sum;
    private final int[] slotOf;
    private final int[][] members;
    private final double[] low;
    private final double[] secondLow;
    private final double[] high;
    private final double[] secondHigh;
    private final int[][] modelCount;
    private final int[] distinctModels;

    Grouping(CandidateTable lot, int[] groupOf) {
        this.lot = lot;
        this.shelf = lot.groups();
        this.groupOf = groupOf.clone();
        int groups = lot.groups();
        sum = new long[groups + 1];
        slotOf = new int[lot.size()];
        members = new int[groups + 1][];
        low = new double[groups + 1];
        secondLow = new double[groups + 1];
        high = new double[groups + 1];
        secondHigh = new double[groups + 1];
        modelCount = new int[groups + 1][lot.limitsModels() ? lot.models() : 0];
        distinctModels = new int[groups + 1];
        int[] count = new int[groups + 1];
        for (int group : this.groupOf) count[group]++;
        for (int group = 0; group <= groups; group++) members[group] = new int[count[group]];
        Arrays.fill(count, 0);
        for (int cell = 0; cell < lot.size(); cell++) {
            int group = this.groupOf[cell];
            slotOf[cell] = count[group];
            members[group][count[group]++] = cell;
            sum[group] += lot.ticks(cell);
            countModel(group, cell, 1);
        }
        for (int group = 0; group < groups; group++) findExtremes(group);
    }

    Grouping copy() {
        return new Grouping(lot, groupOf);
    }

    /// The cells of a group; shared, not to be written to.
    int[] members(int group) {
        return members[group];
    }

    long smallest() {
        long least = Long.MAX_VALUE;
        for (int group = 0; group < shelf; group++) least = Math.min(least, sum[group]);
        return least;
    }

    long largest() {
        long greatest = Long.MIN_VALUE;
        for (int group = 0; group < shelf; group++) greatest = Math.max(greatest, sum[group]);
        return greatest;
    }

    /// How far the limits are broken: mΩ over the IR spread plus models over the cap; 0 when all
    /// are kept.
    double violation() {
        double violation = 0;
        for (int group = 0; group < shelf; group++) violation += violation(group);
        return violation;
    }

    private double violation(int group) {
        return group == shelf
                ? 0
                : overSpread(low[group], high[group]) + overModels(distinctModels[group]);
    }

    /// Whether two cells of different groups may change places without breaking a limit or making a
    /// broken one worse.
    boolean maySwap(int x, int y) {
        return areOfAKind(x, y) && mayTake(groupOf[x], x, y) && mayTake(groupOf[y], y, x);
    }

    /// Whether neither is locked and both are as many cans.
    boolean areOfAKind(int x, int y) {
        return !lot.isLocked(x) && !lot.isLocked(y) && lot.count(x) == lot.count(y);
    }

    private boolean mayTake(int group, int leaves, int comes) {
        if (group == shelf) return true;
        if (lot.limitsIrSpread()
                && overSpreadAfter(group, leaves, comes) > overSpread(low[group], high[group]))
            return false;
        return !lot.limitsModels()
                || overModels(modelsAfter(group, leaves, comes))
                        <= overModels(distinctModels[group]);
    }

    /// What a swap adds to [#violation()]; negative when it mends something.
    double violationChange(int x, int y) {
        return violationChange(groupOf[x], x, y) + violationChange(groupOf[y], y, x);
    }

    private double violationChange(int group, int leaves, int comes) {
        if (group == shelf) return 0;
        double change = 0;
        if (lot.limitsIrSpread())
            change += overSpreadAfter(group, leaves, comes) - overSpread(low[group], high[group]);
        if (lot.limitsModels())
            change +=
                    overModels(modelsAfter(group, leaves, comes))
                            - overModels(distinctModels[group]);
        return change;
    }

    private double overSpreadAfter(int group, int leaves, int comes) {
        double gone = lot.milliohms(leaves);
        double come = lot.milliohms(comes);
        double newLow = Math.min(come, gone == low[group] ? secondLow[group] : low[group]);
        double newHigh = Math.max(come, gone == high[group] ? secondHigh[group] : high[group]);
        return overSpread(newLow, newHigh);
    }

    private double overSpread(double lowest, double highest) {
        // a hair of tolerance, so that a limit of 5 admits 48.3 − 43.3
        return lot.limitsIrSpread() ? Math.max(0, highest - lowest - lot.maxIrSpread() - 1e-9) : 0;
    }

    private int modelsAfter(int group, int leaves, int comes) {
        int[] count = modelCount[group];
        int gone = lot.model(leaves);
        int come = lot.model(comes);
        if (gone == come) return distinctModels[group];
        return distinctModels[group] - (count[gone] == 1 ? 1 : 0) + (count[come] == 0 ? 1 : 0);
    }

    private int overModels(int distinct) {
        return Math.max(0, distinct - lot.maxModels());
    }

    /// Lets two cells of different groups change places.
    void swap(int x, int y) {
        int a = groupOf[x];
        int b = groupOf[y];
        int slotOfX = slotOf[x];
        int slotOfY = slotOf[y];
        members[a][slotOfX] = y;
        members[b][slotOfY] = x;
        groupOf[x] = b;
        groupOf[y] = a;
        slotOf[x] = slotOfY;
        slotOf[y] = slotOfX;
        long difference = (long) lot.ticks(y) - lot.ticks(x);
        sum[a] += difference;
        sum[b] -= difference;
        if (lot.limitsModels()) {
            countModel(a, x, -1);
            countModel(a, y, 1);
            countModel(b, y, -1);
            countModel(b, x, 1);
        }
        if (a != shelf) changeExtremes(a, x, y);
        if (b != shelf) changeExtremes(b, y, x);
    }

    private void countModel(int group, int cell, int change) {
        if (!lot.limitsModels()) return;
        int model = lot.model(cell);
        int before = modelCount[group][model];
        modelCount[group][model] = before + change;
        if (before == 0) distinctModels[group]++;
        else if (before + change == 0) distinctModels[group]--;
    }

    /// Sees to the extremes of a group that one cell has left for another: mostly the one was none
    /// of them, and the other is only held against them.
    private void changeExtremes(int group, int gone, int come) {
        if (!lot.limitsIrSpread()) return;
        double left = lot.milliohms(gone);
        if (left <= secondLow[group] || left >= secondHigh[group]) {
            findExtremes(group);
            return;
        }
        double r = lot.milliohms(come);
        if (r < low[group]) {
            secondLow[group] = low[group];
            low[group] = r;
        } else if (r < secondLow[group]) secondLow[group] = r;
        if (r > high[group]) {
            secondHigh[group] = high[group];
            high[group] = r;
        } else if (r > secondHigh[group]) secondHigh[group] = r;
    }

    /// Lets three cells of three groups change places in a ring: the second goes where the first
    /// was, the third where the second was, the first where the third was.
    void rotate(int x, int y, int z) {
        swap(x, y);
        swap(x, z);
    }

    /// Whether [#rotate] breaks no limit and makes no broken one worse.
    boolean mayRotate(int x, int y, int z) {
        return areOfAKind(x, y)
                && areOfAKind(y, z)
                && mayTake(groupOf[x], x, y)
                && mayTake(groupOf[y], y, z)
                && mayTake(groupOf[z], z, x);
    }

    /// Whether some cells of a group may change places with some of another that are as many cans.
    boolean mayExchange(int[] some, int[] others) {
        return areAsManyCans(some, others) && exchangeChange(some, others) <= 0;
    }

    private boolean areAsManyCans(int[] some, int[] others) {
        return Arrays.stream(some).map(lot::count).sum()
                == Arrays.stream(others).map(lot::count).sum();
    }

    /// What an exchange adds to [#violation()]; infinite when it cannot be made at all.
    double exchangeChange(int[] some, int[] others) {
        int a = groupOf[some[0]];
        int b = groupOf[others[0]];
        boolean isLocked =
                Arrays.stream(some).anyMatch(lot::isLocked)
                        || Arrays.stream(others).anyMatch(lot::isLocked);
        if (isLocked || a == b) return Double.POSITIVE_INFINITY;
        double ofA = violationAfter(a, some, others) - violation(a);
        double ofB = violationAfter(b, others, some) - violation(b);
        return ofA + ofB;
    }

    /// Lets some cells of a group change places with some of another.
    void exchange(int[] some, int[] others) {
        int a = groupOf[some[0]];
        int b = groupOf[others[0]];
        members[a] = without(a, some, others);
        members[b] = without(b, others, some);
        for (int group : new int[] {a, b}) {
            sum[group] = 0;
            Arrays.fill(modelCount[group], 0);
            distinctModels[group] = 0;
            for (int slot = 0; slot < members[group].length; slot++) {
                int cell = members[group][slot];
                groupOf[cell] = group;
                slotOf[cell] = slot;
                sum[group] += lot.ticks(cell);
                countModel(group, cell, 1);
            }
            if (group != shelf) findExtremes(group);
        }
    }

    private int[] without(int group, int[] leaving, int[] coming) {
        int[] left =
                Arrays.stream(members[group])
                        .filter(cell -> Arrays.stream(leaving).noneMatch(each -> each == cell))
                        .toArray();
        int[] all = Arrays.copyOf(left, left.length + coming.length);
        System.arraycopy(coming, 0, all, left.length, coming.length);
        return all;
    }

    private double violationAfter(int group, int[] leaving, int[] coming) {
        if (group == shelf || !lot.limitsIrSpread() && !lot.limitsModels()) return 0;
        double least = Double.POSITIVE_INFINITY;
        double greatest = Double.NEGATIVE_INFINITY;
        boolean[] seen = new boolean[lot.models()];
        int distinct = 0;
        for (int cell : without(group, leaving, coming)) {
            least = Math.min(least, lot.milliohms(cell));
            greatest = Math.max(greatest, lot.milliohms(cell));
            if (!seen[lot.model(cell)]) distinct++;
            seen[lot.model(cell)] = true;
        }
        return overSpread(least, greatest) + (lot.limitsModels() ? overModels(distinct) : 0);
    }

    private void findExtremes(int group) {
        if (!lot.limitsIrSpread()) return;
        double least = Double.POSITIVE_INFINITY;
        double nextLeast = Double.POSITIVE_INFINITY;
        double greatest = Double.NEGATIVE_INFINITY;
        double nextGreatest = Double.NEGATIVE_INFINITY;
        for (int cell : members[group]) {
            double r = lot.milliohms(cell);
            if (r < least) {
                nextLeast = least;
                least = r;
            } else if (r < nextLeast) nextLeast = r;
            if (r > greatest) {
                nextGreatest = greatest;
                greatest = r;
            } else if (r > nextGreatest) nextGreatest = r;
        }
        low[group] = least;
        secondLow[group] = nextLeast;
        high[group] = greatest;
        secondHigh[group] = nextGreatest;
    }
}
