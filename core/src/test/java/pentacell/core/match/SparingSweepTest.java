package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// First groupings under a limit on IR that spare the strong cells.
final class SparingSweepTest {

    /// Cells whose resistance rises with wear, more or less.
    private static CandidateTable lot(int cells, int series, int parallel, double limit, int seed) {
        Random random = new Random(seed);
        List<Candidate> lot = new ArrayList<>();
        for (int i = 0; i < cells; i++) {
            double wear = random.nextGaussian();
            double milliohms = Math.rint(10 * (60 + 4 * wear + 4 * random.nextGaussian())) / 10;
            lot.add(
                    Lots.cell(
                            "C" + i,
                            Math.rint(2000 - 120 * wear),
                            OptionalDouble.of(milliohms),
                            "M",
                            "D"));
        }
        return new CandidateTable(
                lot,
                MatchRules.of(series, parallel, Selection.STRONGEST)
                        .withMaxIrSpread(OptionalDouble.of(limit)),
                Map.of());
    }

    @ParameterizedTest(name = "{1}S{2}P of {0} within {3} mΩ")
    @CsvSource({"60, 7, 6, 5", "60, 4, 12, 8", "120, 13, 8, 4", "330, 14, 20, 3"})
    void comesNearTheBoundWithinTheLimit(int cells, int series, int parallel, double limit) {
        for (int seed = 1; seed <= 4; seed++) {
            CandidateTable lot = lot(cells, series, parallel, limit, seed);
            long bound = CapacityBounds.of(lot).usable();
            Grouping found =
                    new Grouping(lot, SparingSweep.of(lot, bound, () -> false).orElseThrow());
            assertEquals(0, found.violation());
            for (int group = 0; group < series; group++)
                assertEquals(parallel, found.members(group).length);
            double share = (double) found.smallest() / bound;
            assertTrue(share <= 1 && share > 0.97, "seed " + seed + ": " + share);
        }
    }

    @Test
    void whatItDoesNotApplyToIsLeftAlone() {
        CandidateTable unlimited =
                new CandidateTable(
                        Lots.ofCapacities(5, 4, 3, 2),
                        MatchRules.of(2, 2, Selection.STRONGEST),
                        Map.of());
        assertEquals(Optional.empty(), SparingSweep.of(unlimited, 10, () -> false));
    }
}
