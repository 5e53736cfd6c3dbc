package pentacell.benchmarks;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.match.Candidate;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// A lot and a pack wanted of it.
///
/// @param kind how the lot's capacities and resistances are distributed
/// @param cells the lot
/// @param rules the pack and its limits
record MatchCase(Kind kind, List<Candidate> cells, MatchRules rules) {
    private static final double NONE = Double.POSITIVE_INFINITY;

    /// How the capacities and resistances of a lot are distributed.
    enum Kind {
        NORMAL("normal, IR not tied to wear"),
        TIED("normal, IR tied to wear (0.5)"),
        CLOSELY_TIED("normal, IR closely tied (0.9)"),
        TWO_HUMPED("two humps"),
        HEAVY_TAILED("heavy tails"),
        GIANTS("a few giants"),
        ALL_EQUAL("all equal");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        private double tie() {
            return switch (this) {
                case TIED -> 0.5;
                case CLOSELY_TIED -> 0.9;
                default -> 0;
            };
        }

        private double capacity(double wear, SplittableRandom random) {
            return switch (this) {
                case NORMAL, TIED, CLOSELY_TIED -> 2100 + 150 * wear;
                case TWO_HUMPED -> (random.nextBoolean() ? 2350 : 1800) + 60 * wear;
                case HEAVY_TAILED -> 2100 + 60 * wear / Math.sqrt(random.nextDouble(0.02, 1));
                case GIANTS -> random.nextInt(20) == 0 ? 3300 + 50 * wear : 2000 + 80 * wear;
                case ALL_EQUAL -> 2000;
            };
        }

        List<Candidate> lot(int cells, long seed) {
            SplittableRandom random = new SplittableRandom(seed);
            List<Candidate> lot = new ArrayList<>();
            for (int i = 0; i < cells; i++) {
                double wear = random.nextGaussian();
                double apart = random.nextGaussian();
                double ir = 55 - 8 * (tie() * wear + Math.sqrt(1 - tie() * tie()) * apart);
                lot.add(
                        new Candidate(
                                new CellId("C" + (i + 1)),
                                Math.rint(Math.clamp(capacity(wear, random), 800, 5000)),
                                OptionalDouble.of(Math.rint(10 * Math.max(20, ir)) / 10),
                                "M" + random.nextInt(3),
                                "D" + random.nextInt(9),
                                Optional.of(Chemistry.NMC),
                                Optional.empty(),
                                OptionalDouble.of(2200),
                                "",
                                false,
                                1));
            }
            return lot;
        }
    }

    /// The lots of the comparison, from 6 to 6,600 cells.
    static List<MatchCase> all() {
        List<MatchCase> cases = new ArrayList<>();
        cases.add(of(Kind.NORMAL, 6, NONE, equal(2, 3)));
        cases.add(of(Kind.NORMAL, 14, 5, equal(3, 4)));
        for (Kind kind : Kind.values()) {
            cases.add(of(kind, 44, NONE, equal(10, 4)));
            cases.add(of(kind, 60, 5, equal(7, 6)));
        }
        for (double limit : new double[] {3, 8, 12})
            cases.add(of(Kind.TIED, 60, limit, equal(7, 6)));
        cases.add(of(Kind.CLOSELY_TIED, 60, 5, equal(4, 12)));
        cases.add(of(Kind.NORMAL, 60, NONE, List.of(9, 9, 8, 8, 7, 7)));
        cases.add(of(Kind.TIED, 60, 8, List.of(9, 9, 8, 8, 7, 7)));
        cases.add(of(Kind.NORMAL, 100, NONE, equal(7, 10)));
        cases.add(of(Kind.TIED, 100, 5, equal(7, 10)));
        cases.add(of(Kind.CLOSELY_TIED, 100, 3, equal(10, 8)));
        cases.add(of(Kind.TIED, 120, 4, equal(13, 8)));
        cases.add(of(Kind.CLOSELY_TIED, 120, 8, equal(13, 8)));
        for (double limit : new double[] {NONE, 3, 5})
            cases.add(of(Kind.TIED, 330, limit, equal(14, 20)));
        cases.add(of(Kind.CLOSELY_TIED, 330, 5, equal(14, 20)));
        cases.add(of(Kind.TWO_HUMPED, 330, 5, equal(14, 20)));
        cases.add(of(Kind.NORMAL, 2800, NONE, equal(14, 193)));
        for (double limit : new double[] {3, 5, 8}) {
            cases.add(of(Kind.TIED, 2800, limit, equal(14, 120)));
            cases.add(of(Kind.CLOSELY_TIED, 2800, limit, equal(14, 120)));
        }
        cases.add(of(Kind.NORMAL, 6600, NONE, equal(80, 80)));
        cases.add(of(Kind.TIED, 6600, 8, equal(80, 60)));
        return cases;
    }

    private static List<Integer> equal(int series, int parallel) {
        return Collections.nCopies(series, parallel);
    }

    private static MatchCase of(Kind kind, int cells, double limit, List<Integer> sizes) {
        OptionalDouble spread = limit < NONE ? OptionalDouble.of(limit) : OptionalDouble.empty();
        MatchRules rules =
                MatchRules.of(sizes, Selection.STRONGEST)
                        .with(change -> change.maxIrSpreadMilliohms(spread).repeatabilityShare(0));
        return new MatchCase(kind, kind.lot(cells, 1000L * kind.ordinal() + cells), rules);
    }

    long[] milliampHours() {
        return cells.stream().mapToLong(cell -> Math.round(cell.milliampHours())).toArray();
    }

    long[] tenthsOfMilliohms() {
        return cells.stream()
                .mapToLong(cell -> Math.round(10 * cell.milliohms().orElseThrow()))
                .toArray();
    }

    /// The smallest group of a grouping, or −1 when it breaks the limit.
    ///
    /// @param groupOf the group of each cell, or −1 for none
    long usable(int[] groupOf) {
        long[] sum = new long[rules.series()];
        long[] low = new long[rules.series()];
        long[] high = new long[rules.series()];
        Arrays.fill(low, Long.MAX_VALUE);
        long[] milliampHours = milliampHours();
        long[] tenths = tenthsOfMilliohms();
        for (int cell = 0; cell < groupOf.length; cell++) {
            int group = groupOf[cell];
            if (group < 0) continue;
            sum[group] += milliampHours[cell];
            low[group] = Math.min(low[group], tenths[cell]);
            high[group] = Math.max(high[group], tenths[cell]);
        }
        double limit = 10 * rules.maxIrSpreadMilliohms().orElse(NONE);
        boolean keeps =
                IntStream.range(0, sum.length)
                        .allMatch(g -> (double) (high[g] - low[g]) <= limit + 1e-6);
        return keeps ? Arrays.stream(sum).min().orElseThrow() : -1;
    }

    String name() {
        return rules.arrangement() + " of " + cells.size() + ", " + kind.words;
    }

    String limit() {
        return rules.maxIrSpreadMilliohms().isPresent()
                ? "%.0f mΩ".formatted(rules.maxIrSpreadMilliohms().getAsDouble())
                : "none";
    }
}
