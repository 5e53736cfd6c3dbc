package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.CellId;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchOutcome.Limit;
import pentacell.core.pack.MatchPolicy;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.MatchSchool;
import pentacell.core.pack.Selection;

/// Schools of matching, a capacity wanted, spares for repair, and going on from what is there.
@DisplayName("schools, what is held back, and going on from a match")
@Tag("exhaustive")
final class SchoolsTest {
    private static final SearchEffort EFFORT = new SearchEffort(2, 1);

    private static MatchRules rules(int series, int parallel) {
        return MatchRules.of(series, parallel, Selection.STRONGEST)
                .with(each -> each.repeatabilityShare(0));
    }

    private static MatchRules school(MatchRules rules, MatchSchool school, double figure) {
        return rules.with(change -> change.policy(new MatchPolicy(school, figure)));
    }

    private static MatchResult match(List<Candidate> lot, MatchRules rules) {
        return Lots.matched(Matcher.match(lot, rules, EFFORT));
    }

    private static Infeasible fails(List<Candidate> lot, MatchRules rules) {
        return assertInstanceOf(Infeasible.class, Matcher.match(lot, rules, EFFORT));
    }

    private static List<Candidate> members(List<Candidate> lot, MatchResult result) {
        Set<CellId> ids = new HashSet<>();
        result.groups().forEach(ids::addAll);
        return lot.stream().filter(cell -> ids.contains(cell.id())).toList();
    }

    private static double[] capacities(List<Candidate> cells) {
        return cells.stream().mapToDouble(Candidate::milliampHours).sorted().toArray();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void resistanceFirstIsAsTightAsAnyGroupingCanBe(long seed) {
        List<Candidate> lot = Lots.worn(12, seed);
        MatchFigures figures =
                match(lot, school(rules(3, 3), MatchSchool.RESISTANCE_FIRST, 0)).figures();
        // judge: runs in IR order; every choice of three of them that do not overlap
        double[] r =
                lot.stream().mapToDouble(cell -> cell.milliohms().orElseThrow()).sorted().toArray();
        double best = Double.POSITIVE_INFINITY;
        for (int a = 0; a + 9 <= 12; a++)
            for (int b = a + 3; b + 6 <= 12; b++)
                for (int c = b + 3; c + 3 <= 12; c++)
                    best =
                            Math.min(
                                    best,
                                    Math.max(
                                            r[a + 2] - r[a],
                                            Math.max(r[b + 2] - r[b], r[c + 2] - r[c])));
        assertEquals(best, figures.worstIrSpreadMilliohms().orElseThrow(), 0.011);
    }

    @Test
    void aBinIsTheStrongestRunThatHoldsEnough() {
        List<Candidate> lot =
                Lots.ofCapacities(2600, 2400, 2390, 2350, 2310, 2200, 2190, 2180, 2170);
        MatchResult result = match(lot, school(rules(2, 2), MatchSchool.NARROW_BINS, 100));
        assertEquals(
                List.of(2310.0, 2350.0, 2390.0, 2400.0),
                IntStream.range(0, 4).mapToObj(i -> capacities(members(lot, result))[i]).toList());
    }

    /// Judge: every run of as many cells in order of capacity.
    @RepeatedTest(20)
    void theNearestBinThatWorksIsNamed(RepetitionInfo repetition) {
        List<Candidate> lot = Lots.worn(20, repetition.getCurrentRepetition());
        double[] rising = capacities(lot);
        double narrowest =
                IntStream.rangeClosed(0, 20 - 12)
                        .mapToDouble(i -> rising[i + 11] - rising[i])
                        .min()
                        .orElseThrow();
        Infeasible none = fails(lot, school(rules(3, 4), MatchSchool.NARROW_BINS, 1));
        assertEquals(Limit.SCHOOL, none.limit());
        assertEquals(narrowest, none.nearest().orElseThrow());
        MatchResult works = match(lot, school(rules(3, 4), MatchSchool.NARROW_BINS, narrowest));
        double[] taken = capacities(members(lot, works));
        assertTrue(taken[11] - taken[0] <= narrowest);
    }

    @RepeatedTest(20)
    void aTightPopulationKeepsToItsSigmasAndNamesThoseThatWork(RepetitionInfo repetition) {
        List<Candidate> lot = Lots.worn(30, repetition.getCurrentRepetition());
        double mean = lot.stream().mapToDouble(Candidate::milliampHours).average().orElseThrow();
        double sigma =
                Math.sqrt(
                        lot.stream()
                                .mapToDouble(cell -> Math.pow(cell.milliampHours() - mean, 2))
                                .average()
                                .orElseThrow());
        Infeasible none = fails(lot, school(rules(4, 6), MatchSchool.TIGHT_POPULATION, 0.3));
        double works = none.nearest().orElseThrow();
        MatchResult result = match(lot, school(rules(4, 6), MatchSchool.TIGHT_POPULATION, works));
        for (Candidate cell : members(lot, result))
            assertTrue(Math.abs(cell.milliampHours() - mean) <= works * sigma + 1e-6);
        assertEquals(
                Limit.SCHOOL,
                fails(lot, school(rules(4, 6), MatchSchool.TIGHT_POPULATION, works - 0.02))
                        .limit());
    }

    @Test
    void cellsThatAreAllAlikeAreATightPopulation() {
        assertEquals(
                4000,
                match(
                                Lots.ofCapacities(2000, 2000, 2000, 2000),
                                school(rules(2, 2), MatchSchool.TIGHT_POPULATION, 0.1))
                        .figures()
                        .usableMilliampHours());
    }

    @Test
    void asTheyComeNothingIsSorted() {
        List<Candidate> lot = Lots.ofCapacities(1000, 3000, 2000, 1500, 2500);
        MatchResult result = match(lot, school(rules(2, 2), MatchSchool.AS_THEY_COME, 0));
        assertEquals(
                List.of(
                        List.of(new CellId("C1"), new CellId("C2")),
                        List.of(new CellId("C3"), new CellId("C4"))),
                result.groups());
        assertEquals(3500, result.figures().usableMilliampHours());
        assertEquals(List.of(new CellId("C5")), result.leftOver());
        assertEquals(MatchResult.Ending.SEARCHED, result.ending());
    }

    @Test
    void asTheyComeALimitMayBeBrokenAndIsSaid() {
        List<Candidate> lot = Lots.worn(8, 4);
        Infeasible none =
                fails(
                        lot,
                        school(rules(2, 4), MatchSchool.AS_THEY_COME, 0)
                                .withMaxIrSpread(OptionalDouble.of(0.5)));
        assertEquals(Limit.MAX_IR_SPREAD, none.limit());
        match(
                lot,
                school(rules(2, 4), MatchSchool.AS_THEY_COME, 0).withMaxIrSpread(none.nearest()));
    }

    @ParameterizedTest
    @CsvSource({"EQUAL_SUMS,1", "NARROW_BINS,0.5", "NARROW_BINS,NaN", "TIGHT_POPULATION,7"})
    void aFigureThatTheSchoolHasNotIsRefused(MatchSchool school, double figure) {
        assertThrows(IllegalArgumentException.class, () -> new MatchPolicy(school, figure));
    }

    /// Judge: of the cells weaker than the strongest one taken no match meets what is wanted.
    @RepeatedTest(4)
    void theStrongestThatAreNotNeededAreSaved(RepetitionInfo repetition) {
        List<Candidate> lot = Lots.worn(24, repetition.getCurrentRepetition());
        double most = match(lot, rules(4, 4)).figures().usableMilliampHours();
        double target = Math.floor(0.97 * most);
        MatchRules wanting =
                rules(4, 4).with(change -> change.targetMilliampHours(OptionalDouble.of(target)));
        MatchResult result = match(lot, wanting);
        assertTrue(result.figures().usableMilliampHours() >= target);
        assertTrue(result.bounds().usableMilliampHours() >= most);
        double strongest = capacities(members(lot, result))[15];
        List<Candidate> weaker =
                lot.stream().filter(cell -> cell.milliampHours() < strongest).toList();
        if (weaker.size() < 16) return;
        assertTrue(match(weaker, rules(4, 4)).figures().usableMilliampHours() < target);
    }

    @Test
    void aCapacityThatCannotBeHadIsRefusedWithTheOneThatCan() {
        List<Candidate> lot = Lots.ofCapacities(2000, 2000, 2100, 2100);
        Infeasible none =
                fails(
                        lot,
                        rules(2, 2)
                                .with(change ->
                                        change.targetMilliampHours(OptionalDouble.of(4200))));
        assertEquals(Limit.TARGET, none.limit());
        assertEquals(OptionalDouble.of(4100), none.nearest());
    }

    /// What the pack loses on the mean when every cell of it is replaced in turn.
    private static double lostByAFailure(
            List<Candidate> lot, MatchResult result, List<CellId> spares, MatchRules rules) {
        Map<CellId, Candidate> byId = new HashMap<>();
        lot.forEach(cell -> byId.put(cell.id(), cell));
        List<List<Candidate>> groups =
                result.groups().stream()
                        .map(group -> group.stream().map(id -> byId.get(id)).toList())
                        .toList();
        List<Candidate> shelf = spares.stream().map(id -> byId.get(id)).toList();
        double sum = 0;
        int places = 0;
        for (List<Candidate> group : groups)
            for (Candidate failed : group) {
                sum +=
                        MatchReplacement.best(groups, failed, shelf, rules, 1).stream()
                                .mapToDouble(each -> each.after().usableMilliampHours())
                                .findFirst()
                                .orElse(0);
                places++;
            }
        return result.figures().usableMilliampHours() - sum / places;
    }

    @RepeatedTest(4)
    void sparesServeARepairBetterThanLeftovers(RepetitionInfo repetition) {
        List<Candidate> lot = Lots.worn(40, repetition.getCurrentRepetition());
        MatchRules limited = rules(5, 6).withMaxIrSpread(OptionalDouble.of(12));
        MatchResult plain = match(lot, limited);
        MatchResult kept = match(lot, limited.with(change -> change.spares(4)));
        assertEquals(4, kept.spares().size());
        assertTrue(kept.groups().stream().noneMatch(group -> group.contains(kept.spares().get(0))));
        assertTrue(kept.leftOver().stream().noneMatch(kept.spares()::contains));
        double lost = lostByAFailure(lot, kept, kept.spares(), limited);
        double lostWithLeftovers =
                lostByAFailure(lot, plain, plain.leftOver().subList(0, 4), limited);
        assertTrue(
                lost <= lostWithLeftovers + 1e-6,
                "seed %d: %.1f mAh are lost, with leftovers %.1f"
                        .formatted(repetition.getCurrentRepetition(), lost, lostWithLeftovers));
        assertTrue(kept.figures().usableMilliampHours() <= plain.bounds().usableMilliampHours());
    }

    @Test
    void moreSparesThanThereAreCellsForIsRefused() {
        Infeasible none = fails(Lots.worn(18, 1), rules(4, 4).with(change -> change.spares(3)));
        assertEquals(Limit.SPARES, none.limit());
        assertEquals(OptionalDouble.of(2), none.nearest());
    }

    @RepeatedTest(8)
    void goingOnIsNeverWorse(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<Candidate> lot = Lots.worn(30, repetition.getCurrentRepetition());
        MatchRules limited = rules(5, 5).withMaxIrSpread(OptionalDouble.of(14));
        MatchResult quick = Lots.matched(Matcher.match(lot, limited, new SearchEffort(1, 3)));
        List<Candidate> shuffled = new ArrayList<>(lot);
        java.util.Collections.shuffle(shuffled, random);
        MatchResult on =
                Lots.matched(
                        Matcher.improve(
                                shuffled,
                                limited,
                                Map.of(),
                                quick.groups(),
                                EFFORT,
                                SearchWatch.NOBODY));
        assertTrue(on.figures().usableMilliampHours() >= quick.figures().usableMilliampHours());
    }

    @Test
    void goingOnFromGroupsThatBreakALimitIsAMatchLikeAnyOther() {
        List<Candidate> lot = Lots.worn(20, 2);
        MatchRules any = rules(4, 4);
        MatchResult loose = match(lot, any);
        MatchRules tight = any.withMaxIrSpread(OptionalDouble.of(8));
        MatchResult on =
                Lots.matched(
                        Matcher.improve(
                                lot, tight, Map.of(), loose.groups(), EFFORT, SearchWatch.NOBODY));
        assertTrue(on.figures().worstIrSpreadMilliohms().orElseThrow() <= 8 + 1e-9);
        assertEquals(match(lot, tight).figures(), on.figures());
    }

    @Test
    void weightsSayWhatIsEvenedBelowTheNoise() {
        List<Candidate> lot = Lots.worn(40, 6);
        MatchRules even = MatchRules.of(5, 6, Selection.STRONGEST);
        double byResistance = match(lot, even).figures().resistanceSpreadPercent().orElseThrow();
        MatchFigures byDonor =
                match(
                                lot,
                                even.with(change ->
                                        change.evening(
                                                new pentacell.core.pack.EveningWeights(0, 1, 0))))
                        .figures();
        assertTrue(byResistance < byDonor.resistanceSpreadPercent().orElseThrow());
        assertTrue(
                donors(byDonor) >= donors(match(lot, even).figures()),
                "donors are spread at least as well");
    }

    private static int donors(MatchFigures figures) {
        return figures.groups().stream().mapToInt(MatchFigures.GroupFigures::donors).sum();
    }

    @Test
    void everySchoolGroupsEachCellAtMostOnce() {
        List<Candidate> lot = Lots.worn(60, 9);
        for (MatchSchool each : MatchSchool.values()) {
            MatchRules following =
                    rules(4, 5)
                            .with(change ->
                                    change.policy(
                                            each == MatchSchool.NARROW_BINS
                                                    ? new MatchPolicy(each, 300)
                                                    : MatchPolicy.of(each)));
            MatchResult result = match(lot, following);
            List<CellId> taken = result.groups().stream().flatMap(List::stream).toList();
            assertEquals(20, taken.stream().distinct().count(), each.name());
            assertEquals(20, taken.size(), each.name());
            assertTrue(taken.stream().allMatch(lot.stream().map(Candidate::id).toList()::contains));
            assertTrue(
                    lot.stream()
                            .sorted(Comparator.comparing(Candidate::id))
                            .map(Candidate::id)
                            .toList()
                            .containsAll(result.leftOver()));
        }
    }
}
