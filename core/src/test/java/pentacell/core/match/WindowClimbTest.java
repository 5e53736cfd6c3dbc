package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.match.WindowPrices.Moved;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// Windows on the row of cells, their prices, and groups dealt by them.
@Tag("exhaustive")
final class WindowClimbTest {
    private static WindowPrices sharp(WindowedRow row, int... begins) {
        WindowPrices prices = WindowPrices.of(row, begins).orElseThrow();
        for (int i = 0; i < 8; i++) prices = prices.sharpened().prices().orElseThrow();
        return prices;
    }

    @Test
    @DisplayName("windows that hold all cells share out the strongest evenly")
    void allInEveryWindow() {
        CandidateTable lot = Lots.table(Lots.worn(200, 5), 4, 20, 1000);
        double strongest = IntStream.range(0, 80).mapToDouble(lot::ticks).sum();
        assertEquals(
                strongest / 4, sharp(new WindowedRow(lot, () -> false), 0, 0, 0, 0).value(), 1);
    }

    @Test
    @DisplayName("of windows that share no cell the weakest tells")
    void windowsApart() {
        CandidateTable lot = Lots.table(Lots.worn(400, 6), 3, 20, 1.5);
        WindowedRow row = new WindowedRow(lot, () -> false);
        int[] begins = {60, 0, 0};
        begins[1] = row.ends[begins[0]];
        begins[2] = row.ends[begins[1]];
        double weakest =
                Arrays.stream(begins)
                        .mapToDouble(begin ->
                                Arrays.stream(row.cells, begin, row.ends[begin])
                                        .sorted()
                                        .limit(20)
                                        .mapToDouble(lot::ticks)
                                        .sum())
                        .min()
                        .orElseThrow();
        assertEquals(weakest, sharp(row, begins).value(), 2);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    @DisplayName(
            "prices after a move are those from nothing, and no higher than the old ones let expect")
    void movesComeToWhatTheirWindowsDo(int seed) {
        CandidateTable lot = Lots.table(Lots.worn(500, seed), 6, 30, 5);
        WindowedRow row = new WindowedRow(lot, () -> false);
        Grouping found =
                new Grouping(
                        lot,
                        SparingSweep.of(lot, CapacityBounds.of(lot).usable(), () -> false)
                                .orElseThrow());
        WindowPrices prices = WindowPrices.of(row, row.beginsOf(found)).orElseThrow();
        assertTrue(prices.value() >= found.smallest(), "no grouping beats its own windows");
        Random random = new Random(seed);
        int compared = 0;
        for (int i = 0; i < 60; i++) {
            int window = random.nextInt(6);
            int begin = prices.begin(window) + random.nextInt(81) - 40;
            if (!row.mayBegin(begin)) continue;
            int[] begins = prices.begins();
            begins[window] = begin;
            Moved moved = prices.moved(begins, 0);
            Arrays.sort(begins);
            var anew = WindowPrices.of(row, begins);
            if (moved.prices().isEmpty() || anew.isEmpty()) continue;
            compared++;
            double value = moved.prices().get().value();
            assertEquals(anew.get().value(), value, 0.1 * prices.smooth());
            assertTrue(value <= prices.atMostWith(window, begin) + 0.1 * prices.smooth());
            assertTrue(prices.moved(begins, value + 10).prices().isEmpty(), "given up");
        }
        assertTrue(compared > 20, "compared " + compared);
    }

    @ParameterizedTest(name = "{1}S{2}P of {0} within {3} mΩ")
    @CsvSource({"330, 14, 20, 5", "600, 10, 40, 3", "1200, 8, 100, 6"})
    @DisplayName(
            "what is dealt keeps the limit, fills every group and comes near what was promised")
    void dealtByPrices(int cells, int series, int parallel, double limit) {
        for (int seed = 1; seed <= 3; seed++) {
            CandidateTable lot = Lots.table(Lots.worn(cells, seed), series, parallel, limit);
            long bound = CapacityBounds.of(lot).usable();
            Grouping swept =
                    new Grouping(lot, SparingSweep.of(lot, bound, () -> false).orElseThrow());
            WindowedRow row = new WindowedRow(lot, () -> false);
            WindowPrices prices = sharp(row, row.beginsOf(swept));
            Grouping dealt = WindowDeal.of(row, prices).orElseThrow();
            assertEquals(0, dealt.violation());
            for (int group = 0; group < series; group++)
                assertEquals(parallel, dealt.members(group).length);
            Grouping raised =
                    new WindowClimb(
                                    lot,
                                    new ResistanceRow(lot),
                                    bound,
                                    new SearchEffort(8, seed),
                                    () -> false)
                            .raised(swept, 2);
            assertEquals(0, raised.violation());
            assertTrue(raised.smallest() >= swept.smallest() && raised.smallest() <= bound);
            double promised = Math.min((double) bound, prices.value());
            assertTrue(
                    raised.smallest() > 0.997 * promised,
                    () -> raised.smallest() + " of " + promised);
        }
    }

    @Test
    void stoppedItGivesBackWhatItWasGiven() {
        CandidateTable lot = Lots.table(Lots.worn(600, 9), 10, 40, 3);
        long bound = CapacityBounds.of(lot).usable();
        Grouping swept = new Grouping(lot, SparingSweep.of(lot, bound, () -> false).orElseThrow());
        Grouping raised =
                new WindowClimb(
                                lot,
                                new ResistanceRow(lot),
                                bound,
                                new SearchEffort(8, 1),
                                () -> true)
                        .raised(swept, 2);
        assertArrayEquals(swept.groupOf, raised.groupOf);
    }

    @Test
    void smallGroupsAndManyGroupsAreLeftToOthers() {
        assertTrue(WindowedRow.isFor(Lots.table(Lots.worn(330, 1), 14, 20, 5)));
        assertFalse(WindowedRow.isFor(Lots.table(Lots.worn(60, 1), 7, 6, 5)));
        assertFalse(WindowedRow.isFor(Lots.table(Lots.worn(900, 1), 40, 20, 5)));
    }

    @ParameterizedTest(name = "within {0} mΩ")
    @ValueSource(doubles = {3, 8})
    @DisplayName(
            "14S120P of 2,800 worn cells is within 0.3 % of what is proven, after a second's work")
    void largeLots(double limit) {
        List<Candidate> cells = Lots.worn(2800, 11);
        CandidateTable lot = Lots.table(cells, 14, 120, limit);
        MatchOutcome outcome =
                Matcher.match(
                        cells,
                        MatchRules.of(14, 120, Selection.STRONGEST)
                                .with(change ->
                                        change.maxIrSpreadMilliohms(OptionalDouble.of(limit))
                                                .repeatabilityShare(0)),
                        SearchEffort.forSeconds(1, 1));
        MatchResult result = ((MatchOutcome.Matched) outcome).result();
        double share =
                result.figures().usableMilliampHours()
                        * lot.ticksPerMilliampHour()
                        / CapacityBounds.of(lot).usable();
        assertTrue(share > 0.997 && share <= 1, limit + " mΩ: " + share);
    }
}
