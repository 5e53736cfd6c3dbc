package pentacell.core.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.build.JoinCheck.Level;
import pentacell.core.build.JoinCheck.Part;
import pentacell.core.build.JoinCheck.Verdict;
import pentacell.core.build.facts.Balancing;
import pentacell.core.build.facts.GroupReading;
import pentacell.core.build.facts.Joining;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.plan.facts.Wiring;

/// What flows when cells are joined, how long balancing takes, and the steps of the work.
final class JoiningTest {
    private static final RestCurve CURVE = RestCurve.of(Chemistry.NMC);

    private static Part part(int number, double volts, double ampHours, double ohms) {
        return new Part(new CellId("C-" + number), volts, ampHours, ohms, 1);
    }

    @ParameterizedTest
    @CsvSource({
        "3.700, 3.718, GOOD, true, true",
        "3.70, 3.72, GOOD, true, true",
        "3.70, 3.75, MAY, true, true",
        "3.70, 3.76, FUSED_ONLY, false, true",
        "3.70, 3.85, FUSED_ONLY, false, true",
        "3.70, 3.90, FIRST_EVEN, false, false"
    })
    @DisplayName("within 0.02 V good, 0.05 V may, 0.15 V with fuses (common practice)")
    void differencesAreJudged(
            double low, double high, Level level, boolean bare, boolean withFuses) {
        Verdict verdict =
                JoinCheck.of(List.of(part(1, low, 2, 0.05), part(2, high, 2, 0.05)), Chemistry.NMC);
        assertEquals(level, verdict.level());
        assertEquals(bare, verdict.mayJoin(false));
        assertEquals(withFuses, verdict.mayJoin(true));
        // ΔV ÷ (R1 + R2) (Ohm, by hand)
        assertEquals((high - low) / 0.1, verdict.mostAmps(), 1e-9);
        assertEquals((high - low) / 0.1 > 2 + 1e-6, verdict.tooMuch().isPresent(), "2 Ah take 2 A");
    }

    @RepeatedTest(50)
    void whatOneGivesOthersTake(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < random.nextInt(1, 12); i++)
            parts.add(
                    part(
                            i,
                            random.nextDouble(3.2, 4.15),
                            random.nextDouble(1, 3),
                            random.nextDouble(0.02, 0.1)));
        Verdict verdict = JoinCheck.of(parts, Chemistry.NMC);
        double amps = 0;
        double charge = 0;
        for (JoinCheck.Flow flow : verdict.flows()) {
            amps += flow.firstAmps();
            charge += flow.milliampHours();
            double after =
                    CURVE.share(flow.part().volts())
                            - flow.milliampHours() / 1000 / flow.part().ampHours();
            assertEquals(CURVE.share(verdict.settledVolts()), after, 1e-6, "all rest as one");
        }
        assertEquals(0, amps, 1e-9);
        assertEquals(0, charge, 1e-3);
    }

    @Test
    void aFuseBearsTheCurrentOfItsOwnCan() {
        // groups of 10 cans, 33 mV apart over 2 × 5 mΩ: 3.3 A in all, 0.33 A a can
        Verdict groups =
                JoinCheck.of(
                        List.of(
                                new Part(new CellId("G-1"), 3.753, 22, 0.005, 10),
                                new Part(new CellId("G-2"), 3.786, 22, 0.005, 10)),
                        Chemistry.NMC);
        assertEquals(3.3, groups.mostAmps(), 1e-9);
        assertEquals(0.33, groups.mostAmpsOfACan(), 1e-9);
    }

    @ParameterizedTest(name = "{0} at {1} V: never {2}")
    @DisplayName("what is below its end voltage or overcharged is never evened out")
    @CsvSource({
        "NMC, 1.0, true", "NMC, 2.49, true", "NMC, 2.5, false", "NMC, 4.25, false",
        "NMC, 4.26, true", "NMC, 4.4, true", "LFP, 1.99, true", "LFP, 2.0, false",
        "LFP, 3.7, false", "LFP, 3.71, true"
    })
    void somePartsAreNeverJoined(Chemistry chemistry, double volts, boolean never) {
        double others = chemistry.nominalVolts();
        Part odd = part(9, volts, 2, 0.05);
        Verdict verdict =
                JoinCheck.of(
                        List.of(part(1, others, 2, 0.05), part(2, others, 2, 0.05), odd),
                        chemistry);
        assertEquals(never ? List.of(odd) : List.of(), verdict.never());
        assertEquals(never, verdict.level() == Level.NEVER);
        assertEquals(never ? 0 : 1, verdict.bring().size());
        assertFalse(verdict.mayJoin(true));
        // nor when all are as bad
        Verdict all = JoinCheck.of(List.of(odd, part(8, volts, 2, 0.05)), chemistry);
        assertEquals(!never, all.mayJoin(false));
    }

    @Test
    void theOneThatIsOffIsBroughtToTheOthers() {
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < 5; i++) parts.add(part(i, 3.90, 2, 0.05));
        parts.add(part(9, 3.60, 2, 0.05));
        Verdict verdict = JoinCheck.of(parts, Chemistry.NMC);
        assertEquals(1, verdict.bring().size());
        JoinCheck.Bring bring = verdict.bring().get(0);
        assertEquals("C-9", bring.part().id().text());
        assertEquals(3.90, bring.toVolts(), 1e-9);
        double ampHours = 2 * (CURVE.share(3.90) - CURVE.share(3.60));
        assertEquals(1000 * ampHours, bring.milliampHours(), 1e-6);
        assertEquals(ampHours / 0.5, bring.hours(0.5), 1e-9);
    }

    @Test
    @DisplayName("560 Ah at 5 A take days (common practice)")
    void aLargeStoreTakesDays() {
        List<BalancePlan.Group> groups =
                Collections.nCopies(14, new BalancePlan.Group(40, 3.7, 0.002));
        double hours = BalancePlan.topHours(groups, Chemistry.NMC, 5, 1).orElseThrow();
        double left = 560 * (1 - CURVE.share(3.7)) / 5;
        assertTrue(hours > 0.95 * left && hours < 1.2 * left, hours + " h for " + left);
        assertTrue(hours / 24 > 2);
        assertEquals(
                560 * (CURVE.share(3.7) - CURVE.share(Chemistry.NMC.restingEmptyVolts())) / 10,
                BalancePlan.bottomHours(groups, Chemistry.NMC, 10),
                1e-9);
    }

    @Test
    void aBalancerTakesItsTime() {
        List<BalancePlan.Group> groups =
                List.of(
                        new BalancePlan.Group(20, 4.10, 0.005),
                        new BalancePlan.Group(20, 4.05, 0.005));
        double apart = 20 * (CURVE.share(4.10) - CURVE.share(4.05));
        assertEquals(
                apart / 0.06, BalancePlan.boardHours(groups, Chemistry.NMC, 60), 1e-9, "at 60 mA");
        assertEquals(
                0,
                BalancePlan.boardHours(groups.subList(0, 1), Chemistry.NMC, 60),
                1e-9,
                "one alone has nothing to even out");
    }

    @Test
    void onTrialTheOneThatStraysIsNamed() {
        Instant begin = Instant.parse("2026-03-03T10:00:00Z");
        List<GroupReading> readings = new ArrayList<>();
        for (int group = 0; group < 4; group++) {
            readings.add(new GroupReading(begin.minusSeconds(60), group, 3.5));
            readings.add(new GroupReading(begin, group, 3.90));
            readings.add(
                    new GroupReading(begin.plusSeconds(36_000), group, group == 2 ? 3.74 : 3.78));
        }
        List<TrialDrift.Row> rows = TrialDrift.of(readings, 4, begin);
        assertEquals(4, rows.size());
        assertEquals(2, rows.get(0).readings(), "what was read before the trial does not count");
        TrialDrift.Row odd = TrialDrift.oddest(rows).orElseThrow();
        assertEquals(2, odd.group());
        assertEquals(-0.04, odd.againstOthersVolts(), 1e-9);
        assertEquals(10, odd.time().toHours());
        assertTrue(TrialDrift.of(List.of(), 4, begin).isEmpty());
        assertTrue(
                TrialDrift.oddest(TrialDrift.of(readings.subList(0, 2), 4, begin)).isEmpty(),
                "one reading says nothing");
    }

    @Test
    void leadsAreSeenOnTheJointTheyRead() {
        List<Double> expected = TapCheck.expected(List.of(4.17, 4.17, 4.17));
        List<OptionalInt> seats =
                TapCheck.seats(
                        expected,
                        List.of(
                                OptionalDouble.of(0.01),
                                OptionalDouble.of(8.34),
                                OptionalDouble.of(4.17),
                                OptionalDouble.of(10.5)));
        assertEquals(
                List.of(
                        OptionalInt.of(0),
                        OptionalInt.of(2),
                        OptionalInt.of(1),
                        OptionalInt.empty()),
                seats);
        assertEquals(
                List.of(OptionalInt.empty()),
                TapCheck.seats(expected, List.of(OptionalDouble.empty())));
    }

    @ParameterizedTest
    @EnumSource(Joining.class)
    void everyStepComesAfterWhatItNeeds(Joining joining) {
        for (Balancing balancing : Balancing.values())
            for (int series : new int[] {1, 7}) {
                List<BuildStep> steps =
                        BuildSteps.of(
                                new BuildSteps.Work(
                                        series,
                                        10 * series,
                                        joining,
                                        balancing,
                                        Optional.empty(),
                                        WiringParts.of(Wiring.USUAL, 4, 69),
                                        OptionalDouble.of(30),
                                        false,
                                        Optional.empty()));
                Set<String> done = new HashSet<>();
                for (BuildStep step : steps) {
                    assertTrue(done.containsAll(step.needs()), step.code());
                    assertTrue(BuildSteps.openBefore(step, steps, done).isEmpty());
                    assertTrue(done.add(step.code()), "no code twice");
                }
                BuildStep board =
                        steps.stream()
                                .filter(each -> each.code().equals("board"))
                                .findFirst()
                                .orElseThrow();
                assertFalse(BuildSteps.openBefore(board, steps, Set.of("taps-read")).isEmpty());
            }
    }
}
