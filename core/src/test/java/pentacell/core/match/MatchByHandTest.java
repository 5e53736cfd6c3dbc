package pentacell.core.match;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.match.TradeOff.Bend;
import pentacell.core.match.TradeOff.Point;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;

/// What a hand deals, and where a trade-off bends.
@Tag("exhaustive")
final class MatchByHandTest {

    /// Bins of 100 mAh: 2250 and 2210 lie in one bin and are taken by id; then 2190, 2150, 2100 in
    /// the next. One into each group in turn (common practice).
    @Test
    void binsAreWalkedFromTheHighest() {
        List<Candidate> lot = Lots.ofCapacities(2100, 2210, 2150, 2250, 2190, 1700);
        MatchFigures dealt =
                MatchByHand.figures(lot, MatchRules.of(2, 2, Selection.STRONGEST)).orElseThrow();
        // C2 and C4 of the first bin, C1 and C3 of the second
        assertEquals(2210 + 2100, dealt.groups().get(0).milliampHours());
        assertEquals(2250 + 2150, dealt.groups().get(1).milliampHours());
        assertEquals(4310, dealt.usableMilliampHours());
    }

    @Test
    void unequalGroupsAreFilledAsTheyHaveRoom() {
        List<Candidate> lot = Lots.ofCapacities(2400, 2300, 2200, 2100, 2000);
        MatchFigures dealt =
                MatchByHand.figures(lot, MatcherTest.exact(List.of(1, 3, 1), Selection.STRONGEST))
                        .orElseThrow();
        assertEquals(
                List.of(2400.0, 2300.0 + 2100 + 2000, 2200.0),
                dealt.groups().stream().map(MatchFigures.GroupFigures::milliampHours).toList());
    }

    @Test
    void tooFewCellsAreNotDealt() {
        assertTrue(
                MatchByHand.figures(
                                Lots.ofCapacities(2000, 2100),
                                MatchRules.of(3, 1, Selection.STRONGEST))
                        .isEmpty());
    }

    /// No hand beats the match that knows no more limits than the hand does.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void aMatchIsNeverWorse(long seed) {
        List<Candidate> lot = Lots.worn(60, seed);
        MatchRules rules =
                MatchRules.of(7, 8, Selection.STRONGEST).with(each -> each.repeatabilityShare(0));
        double match =
                Lots.matched(Matcher.match(lot, rules, new SearchEffort(2, 1)))
                        .figures()
                        .usableMilliampHours();
        double hand = MatchByHand.figures(lot, rules).orElseThrow().usableMilliampHours();
        assertTrue(match > hand, match + " against " + hand + ", seed " + seed);
    }

    /// The tightest limit that costs at most a hundredth, held against the curve itself.
    @Test
    void theBendIsTheTightestLimitThatCostsLittle() {
        List<Candidate> lot = Lots.worn(60, 3);
        List<Point> curve =
                TradeOff.curve(
                        lot,
                        MatchRules.of(7, 7, Selection.STRONGEST)
                                .with(each -> each.repeatabilityShare(0)),
                        Map.of(),
                        6,
                        new SearchEffort(2, 1),
                        SearchWatch.NOBODY,
                        point -> {});
        Bend bend = TradeOff.bend(curve).orElseThrow();
        assertEquals(curve.get(0), bend.tightest());
        assertEquals(curve.get(curve.size() - 1), bend.free());
        assertEquals(0, bend.lossShare(bend.free()));
        List<Point> tighter = new ArrayList<>();
        for (Point point : curve) {
            if (point.equals(bend.narrow())) break;
            tighter.add(point);
        }
        assertTrue(bend.lossShare(bend.narrow()) <= TradeOff.LITTLE_SHARE);
        assertTrue(
                tighter.stream().allMatch(point -> bend.lossShare(point) > TradeOff.LITTLE_SHARE));
        assertTrue(TradeOff.bend(curve.subList(0, 1)).isEmpty());
    }
}
