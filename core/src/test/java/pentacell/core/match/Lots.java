package pentacell.core.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// Lots for tests.
final class Lots {
    private Lots() {}

    /// Cells of the given capacities, without any other reading.
    static List<Candidate> ofCapacities(int... milliampHours) {
        return ofCapacities(IntStream.of(milliampHours).asDoubleStream().toArray());
    }

    static List<Candidate> ofCapacities(double... milliampHours) {
        return IntStream.range(0, milliampHours.length)
                .mapToObj(i ->
                        cell("C" + (i + 1), milliampHours[i], OptionalDouble.empty(), "M", "D"))
                .toList();
    }

    /// Worn cells: capacity about 2100 mAh ± 180, IR falling with capacity and scattered, a few
    /// models and donors.
    static List<Candidate> worn(int count, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Candidate> cells = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double wear = random.nextGaussian();
            double capacity = Math.clamp(Math.round(2100 + 180 * wear), 1200, 2600);
            double milliohms =
                    Math.round(10 * Math.max(25, 55 - 5 * wear + 8 * random.nextGaussian())) / 10.0;
            cells.add(
                    cell(
                            "W" + (i + 1),
                            capacity,
                            OptionalDouble.of(milliohms),
                            "M" + random.nextInt(3),
                            "D" + random.nextInt(9)));
        }
        return cells;
    }

    /// A lot for equal groups, the strongest wanted, under a limit on IR inside them.
    static CandidateTable table(List<Candidate> cells, int series, int parallel, double limit) {
        return new CandidateTable(
                cells,
                MatchRules.of(series, parallel, Selection.STRONGEST)
                        .withMaxIrSpread(OptionalDouble.of(limit)),
                Map.of());
    }

    /// The same cell with a size.
    static Candidate sized(Candidate cell, Optional<CellFormat> size) {
        return new Candidate(
                cell.id(),
                cell.milliampHours(),
                cell.milliohms(),
                cell.model(),
                cell.donor(),
                cell.chemistry(),
                size,
                cell.ratedMilliampHours(),
                cell.location(),
                cell.isRescued(),
                cell.count());
    }

    static Candidate cell(
            String id, double milliampHours, OptionalDouble milliohms, String model, String donor) {
        return new Candidate(
                new CellId(id),
                milliampHours,
                milliohms,
                model,
                donor,
                Optional.of(Chemistry.NMC),
                Optional.empty(),
                OptionalDouble.of(2200),
                "",
                false,
                1);
    }

    static MatchResult matched(MatchOutcome outcome) {
        return switch (outcome) {
            case MatchOutcome.Matched matched -> matched.result();
            case MatchOutcome.Infeasible infeasible ->
                    throw new AssertionError(MatchWords.sentence(infeasible.why()));
        };
    }
}
