package pentacell.workshop.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import pentacell.core.build.facts.Spot;
import pentacell.core.pack.Pack;
import pentacell.core.prove.GroupFan;
import pentacell.core.prove.HeatLook;
import pentacell.core.prove.LoadTest.Cause;
import pentacell.core.prove.PackVerdict;
import pentacell.core.prove.ProveCheck;
import pentacell.core.prove.ProvedPack;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.Shortfall;
import pentacell.core.prove.WorkshopRatio;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// The pack of the long night, whose hidden truth is known: one cell of group 5 holds half of what
/// it did when it was measured, and one clip is bad.
final class DemoProveTest {
    private final WorkshopState state = TarnHollow.state(TarnHollow.journal());
    private final JudgedStock judged = JudgedStock.of(state);
    private final ProvedPack pack =
            ProvedPack.of(state, judged, TarnHollow.LONG_NIGHT).orElseThrow();

    @Test
    void theWeakGroupIsFoundAndItsWorth() {
        Tested last = pack.lastWhole().orElseThrow();
        assertEquals(4, last.test().endedByGroup());
        assertEquals(
                List.of(4),
                IntStream.range(0, 7)
                        .filter(g -> last.test().groups().get(g).cause() != Cause.OK)
                        .boxed()
                        .toList());
        Shortfall shortfall = last.shortfall().orElseThrow();
        assertEquals(0.5, shortfall.cells().orElseThrow(), 0.15, "half a cell");
        double expected = last.fan().expectedAmpHours().orElseThrow();
        assertEquals(expected, shortfall.ampHoursAfter(), 0.01 * expected, "mended, as expected");
        assertTrue(last.againstExpected().orElseThrow() < 0.97);
        // before the weak group parts from the others, the band holds what was measured
        for (int i = 0; i < last.fan().ampHours().size() / 4; i++) {
            double given = last.fan().ampHours().get(i);
            GroupFan.Band band =
                    last.fan().expected().stream()
                            .filter(each -> each.ampHours() >= given)
                            .findFirst()
                            .orElseThrow();
            for (List<Double> group : last.fan().volts())
                assertEquals(band.highestVolts(), group.get(i), 0.03);
        }
    }

    @Test
    void theNextTestEndsWhereTheOneBeforeDid() {
        ProvedPack untested = ProvedPack.of(state, judged, TarnHollow.DOME).orElseThrow();

        assertEquals(pack.lastWhole().orElseThrow().endVolts(), pack.usualEndVolts());
        assertEquals(untested.built().chemistry().endVolts(), untested.usualEndVolts());
        assertTrue(pack.usualEndVolts() > untested.usualEndVolts());
        Tested begun = pack.tests().get(0);
        Pack matched = pack.built().pack();
        assertEquals(
                begun.endVolts(),
                ProvedPack.endVolts(state, matched, begun.name()),
                "one that goes on");
        assertEquals(pack.usualEndVolts(), ProvedPack.endVolts(state, matched, "not begun yet"));
        assertEquals(
                untested.built().chemistry().endVolts(),
                ProvedPack.endVolts(state, untested.built().pack(), "the first"));
    }

    @Test
    void theBadClipIsTheOnlyOddPlace() {
        List<HeatLook.Warm> odd = pack.warm().stream().filter(HeatLook.Warm::isOdd).toList();
        assertEquals(1, odd.size());
        assertEquals(new Spot(4, 2), odd.get(0).spot());
        assertEquals(2, odd.get(0).group());
        assertTrue(odd.get(0).watts() > 0);
        assertTrue(pack.bars().stream().noneMatch(bar -> bar.isOdd()));
    }

    private static List<Class<?>> kinds(List<ProveCheck> checks) {
        return checks.stream().<Class<?>>map(ProveCheck::getClass).toList();
    }

    @Test
    void theVerdictNamesWhatStandsInTheWay() {
        PackVerdict verdict = PackVerdict.of(pack);
        assertEquals(PackVerdict.Level.NOT_YET, verdict.level());
        assertEquals(List.of(ProveCheck.Heat.class), kinds(verdict.reasons()));
        assertTrue(kinds(verdict.checks()).contains(ProveCheck.WeakestGroup.class));
        ProvedPack dome = ProvedPack.of(state, judged, TarnHollow.DOME).orElseThrow();
        assertEquals(
                List.of(new ProveCheck.Untested(ProveCheck.Missing.NO_TEST)),
                PackVerdict.of(dome).reasons());
        WorkshopRatio ratio = WorkshopRatio.of(state, judged).orElseThrow();
        assertEquals(1, ratio.packs().size());
        assertEquals(0.95, ratio.mean(), 0.02);
        assertTrue(ratio.deviation().isEmpty());
    }

    @Test
    void theWorkshopMayExpectWhatItsOtherPacksGave() {
        WorkshopRatio ratio =
                new WorkshopRatio(
                        List.of(
                                new WorkshopRatio.Each("A", 0.94),
                                new WorkshopRatio.Each("B", 0.96),
                                new WorkshopRatio.Each(TarnHollow.LONG_NIGHT, 0.5)),
                        0.8,
                        OptionalDouble.empty());
        WorkshopRatio others = ratio.without(TarnHollow.LONG_NIGHT).orElseThrow();
        assertEquals(0.95, others.mean(), 1e-12);
        assertEquals(Math.sqrt(2) / 100, others.deviation().orElseThrow(), 1e-12);
        assertTrue(others.without("A").orElseThrow().without("B").isEmpty());
        ProvedPack corrected =
                ProvedPack.of(
                                state,
                                judged,
                                TarnHollow.LONG_NIGHT,
                                OptionalDouble.of(others.mean()))
                        .orElseThrow();
        double plain = pack.lastWhole().orElseThrow().againstExpected().orElseThrow();
        assertEquals(
                plain / 0.95,
                corrected.lastWhole().orElseThrow().againstExpected().orElseThrow(),
                1e-12);
    }
}
