package pentacell.core.match;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/// What the smallest of some groups can come to whose windows are given, while cells may be shared
/// out in fractions; and the prices that say which group takes which cell.
///
/// A linear programme: T as large as possible, each group gets P cells out of its window, and their
/// capacities come to T. By its dual a group g pays w·c + a for a cell of capacity c, each cell
/// goes to the group that pays most, if any pays, and
///
/// T = min over w ≥ 0 of mean 1, and a, of (Σ cells max(0, max g of w·c + a) − P Σ a) ÷ groups.
///
/// So that Newton's method finds the prices in a few steps, max is ε log Σ exp(· ÷ ε) and − μ log w
/// keeps w over 0 (Boyd & Vandenberghe, *Convex optimization*, from memory). With that T comes out
/// a little too high, for all windows alike.
final class WindowPrices {
    /// Of the lot's standard deviation, for groups of so many cells: small groups need sharp
    /// prices.
    private static final double SMOOTHING = 0.053;

    private static final int FULL_SMOOTHING_SIZE = 120;

    /// Prices from nothing are found from smooth to sharp.
    private static final double[] SHARPENING = {25, 6, 2.5, 1};

    private static final int MOST_STEPS = 40;
    private static final int MOST_HALVINGS = 25;
    private static final double SUFFICIENT = 1e-4;

    /// Newton's method ends when a step promises less than this part of ε a group.
    private static final double DONE = 0.006;

    private static final double NEARLY = 20;

    private static final double LEAST_WEIGHT = 1e-7;

    private final WindowedRow row;
    private final int[] begins;
    private final double[] weights;
    private final double[] flat;
    private final double smooth;
    private double value;
    private long work;

    /// What the groups that hold a place pay for it, smoothed; worked out when it is asked for.
    private double[] paid = {};

    private WindowPrices(
            WindowedRow row, int[] begins, double[] weights, double[] flat, double smooth) {
        this.row = row;
        this.begins = begins;
        this.weights = weights;
        this.flat = flat;
        this.smooth = smooth;
    }

    /// The prices for windows.
    ///
    /// @param begins their first places, rising
    /// @return empty when they cannot be found: the windows hold too few cells
    static Optional<WindowPrices> of(WindowedRow row, int[] begins) {
        double sharp =
                SMOOTHING
                        * row.sigma
                        * Math.min(row.size, FULL_SMOOTHING_SIZE)
                        / FULL_SMOOTHING_SIZE;
        double[] weights = new double[row.groups];
        Arrays.fill(weights, 1);
        WindowPrices prices = new WindowPrices(row, begins, weights, new double[row.groups], sharp);
        for (double times : SHARPENING) {
            WindowPrices next =
                    new WindowPrices(row, begins, prices.weights, prices.flat, times * sharp);
            next.work = prices.work;
            if (!next.solve(Double.NEGATIVE_INFINITY)) return Optional.empty();
            prices = next;
        }
        return Optional.of(prices);
    }

    /// The prices for the same windows, twice as sharp.
    Moved sharpened() {
        WindowPrices next =
                new WindowPrices(row, begins, weights.clone(), flat.clone(), smooth / 2);
        boolean isFound = next.solve(Double.NEGATIVE_INFINITY);
        return new Moved(isFound ? Optional.of(next) : Optional.empty(), next.work);
    }

    /// The prices with windows elsewhere.
    ///
    /// @param places where each begins, in any order
    /// @param least when it comes to less than this the search for prices is given up
    Moved moved(int[] places, double least) {
        int[] order =
                IntStream.range(0, places.length)
                        .boxed()
                        .sorted(Comparator.comparingInt(window -> places[window]))
                        .mapToInt(Integer::intValue)
                        .toArray();
        WindowPrices next =
                new WindowPrices(
                        row,
                        IntStream.of(order).map(window -> places[window]).toArray(),
                        IntStream.of(order).mapToDouble(window -> weights[window]).toArray(),
                        IntStream.of(order).mapToDouble(window -> flat[window]).toArray(),
                        smooth);
        boolean isReached = next.solve(least) && next.value >= least;
        return new Moved(isReached ? Optional.of(next) : Optional.empty(), next.work);
    }

    /// @param prices empty when they come to too little
    /// @param work payments that were looked at
    record Moved(Optional<WindowPrices> prices, long work) {}

    /// What the smallest group can come to, in ticks.
    double value() {
        return value;
    }

    /// Payments that were looked at to find them from nothing.
    long work() {
        return work;
    }

    int begin(int window) {
        return begins[window];
    }

    /// Where the windows begin, rising; a copy.
    int[] begins() {
        return begins.clone();
    }

    /// How sharp the prices are, in ticks.
    double smooth() {
        return smooth;
    }

    /// What a group pays for the cell at a place of its window, in ticks.
    double pays(int window, int place) {
        return weights[window] * row.over[place] + flat[window];
    }

    /// No less than what the groups come to when a window begins elsewhere: with the prices of now.
    double atMostWith(int window, int begin) {
        if (paid.length == 0) paid = paid();
        int from = begins[window];
        int end = row.ends[from];
        int newEnd = row.ends[begin];
        double change = 0;
        for (int i = begin; i < Math.min(from, newEnd); i++) change += gain(window, i);
        for (int i = Math.max(end, begin); i < newEnd; i++) change += gain(window, i);
        for (int i = from; i < Math.min(begin, end); i++) change -= loss(window, i);
        for (int i = Math.max(newEnd, from); i < end; i++) change -= loss(window, i);
        return value + change / row.groups;
    }

    private double gain(int window, int place) {
        return smooth * Math.log1p(Math.exp((pays(window, place) - paid[place]) / smooth));
    }

    private double loss(int window, int place) {
        double others = 1 - Math.exp((pays(window, place) - paid[place]) / smooth);
        return -smooth * Math.log(Math.max(1e-12, others));
    }

    private double[] paid() {
        double[] all = new double[row.length()];
        double[] pays = new double[row.groups];
        int first = 0;
        int next = 0;
        for (int i = 0; i < all.length; i++) {
            while (first < begins.length && row.ends[begins[first]] <= i) first++;
            while (next < begins.length && begins[next] <= i) next++;
            double most = 0;
            for (int g = first; g < next; g++) {
                pays[g] = pays(g, i);
                most = Math.max(most, pays[g]);
            }
            double sum = PriceSlope.part(-most, smooth);
            for (int g = first; g < next; g++) sum += PriceSlope.part(pays[g] - most, smooth);
            all[i] = most + smooth * Math.log(sum);
        }
        return all;
    }

    /// Newton's method from the prices as they are.
    ///
    /// @return false when it was given up
    private boolean solve(double least) {
        PriceSlope slope = new PriceSlope(row, begins, smooth);
        boolean isFound = isSolved(slope, least);
        work += slope.looks();
        return isFound;
    }

    private boolean isSolved(PriceSlope slope, double least) {
        double total = slope.at(weights, flat);
        double done = DONE * smooth * row.groups;
        for (int step = 0; step < MOST_STEPS; step++) {
            Optional<double[]> way = slope.newton();
            if (way.isEmpty() || row.stop.getAsBoolean()) return false;
            double promised = -slope.along(way.get());
            value = total / row.groups + row.mean * row.size;
            if (value < least) return false;
            if (promised < done) return true;
            OptionalDouble lower = lowered(slope, way.get(), total, promised);
            // when none is, numbers of this length tell no more
            if (lower.isEmpty()) return promised < NEARLY * done;
            total = lower.getAsDouble();
        }
        return false;
    }

    /// Goes along a step as far as it comes to less, halving it until it does.
    private OptionalDouble lowered(PriceSlope slope, double[] way, double total, double promised) {
        int groups = row.groups;
        double[] newWeights = new double[groups];
        double[] newFlat = new double[groups];
        double part = 1;
        for (int halving = 0; halving < MOST_HALVINGS; halving++, part /= 2) {
            boolean isInside = true;
            for (int g = 0; g < groups; g++) {
                newFlat[g] = flat[g] + part * way[g];
                newWeights[g] = weights[g] + part * way[groups + g];
                isInside &= newWeights[g] > LEAST_WEIGHT;
            }
            if (!isInside) continue;
            double newTotal = slope.at(newWeights, newFlat);
            if (newTotal > total - SUFFICIENT * part * promised) continue;
            System.arraycopy(newWeights, 0, weights, 0, groups);
            System.arraycopy(newFlat, 0, flat, 0, groups);
            return OptionalDouble.of(newTotal);
        }
        return OptionalDouble.empty();
    }
}
