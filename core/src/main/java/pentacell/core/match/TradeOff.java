package pentacell.core.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.pack.MatchRules;

/// The trade between capacity and resistance: how the best match answers to the limit on IR spread
/// inside a group.
public final class TradeOff {
    private TradeOff() {}

    /// One point of the curve.
    ///
    /// @param limitMilliohms the limit on IR spread inside a group, in mΩ
    /// @param result the best match found under it
    public record Point(double limitMilliohms, MatchResult result) {}

    /// What a curve comes to.
    ///
    /// @param narrow the tightest limit that costs no more than [#LITTLE_SHARE] of the capacity
    /// @param tightest the tightest that works at all
    /// @param free where the limit no longer binds
    public record Bend(Point narrow, Point tightest, Point free) {
        /// What a point costs against no limit, as a share of the capacity.
        public double lossShare(Point point) {
            return 1 - usable(point) / usable(free);
        }
    }

    /// A loss of capacity that hardly matters (common practice: the repeatability of a charger).
    public static final double LITTLE_SHARE = 0.01;

    /// Where a curve bends; empty when it has fewer than two points.
    ///
    /// @param curve tightest first
    public static Optional<Bend> bend(List<Point> curve) {
        if (curve.size() < 2) return Optional.empty();
        Point free = curve.get(curve.size() - 1);
        Point narrow =
                curve.stream()
                        .filter(point -> usable(point) >= (1 - LITTLE_SHARE) * usable(free))
                        .findFirst()
                        .orElse(free);
        return Optional.of(new Bend(narrow, curve.get(0), free));
    }

    private static double usable(Point point) {
        return point.result().figures().usableMilliampHours();
    }

    /// Told of every point as it is found.
    public interface Listener {
        /// A point was found.
        void found(Point point);
    }

    /// The curve from the tightest limit that works to the one that no longer binds, tightest
    /// first.
    ///
    /// A match under a tight limit keeps every wider one too, so each point is at least as good as
    /// the one before it.
    ///
    /// @param points number of points, at least 2
    /// @param watch may stop between points; what was found so far is returned
    /// @return the points; empty when an IR is missing or the rules cannot be kept at all
    public static List<Point> curve(
            List<Candidate> candidates,
            MatchRules rules,
            Map<CellId, Integer> locks,
            int points,
            SearchEffort effort,
            SearchWatch watch,
            Listener listener) {
        OptionalDouble tightest = PlainMatch.leastIrSpread(candidates, rules, locks, effort.seed());
        MatchRules unlimited = rules.withMaxIrSpread(OptionalDouble.empty());
        if (tightest.isEmpty()
                || !(Matcher.match(candidates, unlimited, locks, effort, watch)
                        instanceof Matched free)) return List.of();
        double widest =
                Math.max(
                        tightest.getAsDouble(),
                        free.result().figures().worstIrSpreadMilliohms().orElse(0));
        List<Point> curve = new ArrayList<>();
        Optional<MatchResult> best = Optional.empty();
        for (int i = 0; i < points && !watch.stop(); i++) {
            // closer together at the tight end, where the curve bends
            double share = (double) i / (points - 1);
            double limit =
                    upToHundredth(
                            tightest.getAsDouble()
                                    + (widest - tightest.getAsDouble()) * share * share);
            MatchRules limited = rules.withMaxIrSpread(OptionalDouble.of(limit));
            MatchOutcome outcome =
                    i == points - 1
                            ? free
                            : Matcher.match(candidates, limited, locks, effort, watch);
            if (!(outcome instanceof Matched matched)) continue;
            MatchResult found = matched.result();
            if (best.isEmpty() || isBetter(found, best.get())) best = Optional.of(found);
            Point point = new Point(limit, best.get());
            curve.add(point);
            listener.found(point);
        }
        return List.copyOf(curve);
    }

    private static boolean isBetter(MatchResult found, MatchResult than) {
        double gain = found.figures().usableMilliampHours() - than.figures().usableMilliampHours();
        double tighter =
                than.figures().spreadMilliampHours() - found.figures().spreadMilliampHours();
        return switch (found.rules().selection()) {
            case STRONGEST -> gain > 0 || gain == 0 && tighter > 0;
            case ALL, TIGHTEST -> tighter > 0 || tighter == 0 && gain > 0;
        };
    }

    static double upToHundredth(double milliohms) {
        return Math.ceil(milliohms * 100 - 1e-6) / 100;
    }
}
