package pentacell.core.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.build.TapFault.Kind;
import pentacell.core.cell.Chemistry;

/// Balance leads, right and wrong.
final class TapCheckTest {
    private static List<OptionalDouble> read(String text) {
        List<OptionalDouble> readings = new ArrayList<>();
        for (String each : text.split(" "))
            readings.add(
                    each.equals("-")
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(Double.parseDouble(each)));
        return readings;
    }

    private static String said(TapVerdict verdict) {
        StringBuilder said = new StringBuilder();
        for (TapFault fault : verdict.faults())
            said.append(fault.kind().code())
                    .append(fault.leads())
                    .append(fault.groups())
                    .append(' ');
        return said.toString().strip();
    }

    @ParameterizedTest(name = "{0}: {1}")
    @DisplayName("7S at 4.17 V reads 4.17, 8.34, … 29.19 (common practice), and what goes wrong")
    @CsvSource({
        "0 4.17 8.34 12.51 16.68 20.85 25.02 29.19, ''",
        "0 4.17 12.51 8.34 16.68 20.85 25.02 29.19, 'swapped[2, 3][]'",
        "0 25.02 8.34 12.51 16.68 20.85 4.17 29.19, 'swapped[1, 6][]'",
        "8.34 4.17 0 12.51 16.68 20.85 25.02 29.19, 'swapped[0, 2][]'",
        "0 4.17 8.34 8.34 16.68 20.85 25.02 29.19, 'wrong-tap[3][]'",
        "0 4.17 8.34 12.51 16.68 20.85 25.02 25.02, 'wrong-tap[7][]'",
        "0 4.17 8.34 0 16.68 20.85 25.02 29.19, 'open[3][]'",
        "0 4.17 8.34 - 16.68 20.85 25.02 29.19, 'open[3][]'",
        "0 4.17 8.34 12.51 16.68 20.85 25.02 0.003, 'open[7][]'",
        "4.17 8.34 12.51 16.68 20.85 25.02 29.19 0, 'shifted[0, 1, 2, 3, 4, 5, 6][]'",
        "- 0 4.17 8.34 12.51 16.68 20.85 25.02, 'shifted[1, 2, 3, 4, 5, 6, 7][]'",
        "29.19 25.02 20.85 16.68 12.51 8.34 4.17 0, 'reversed[0, 1, 2, 3, 4, 5, 6, 7][]'",
        "0 4.17 8.34 14.6 16.68 20.85 25.02 29.19, 'unreadable[3][]'",
        "0 4.17 8.34 12.31 16.48 20.65 24.82 28.99, 'group-odd[][3]'",
        "0 -4.17 -8.34 -12.51 -16.68 -20.85 -25.02 -29.19, 'unreadable[0, 1, 2, 3, 4, 5, 6, 7][]'",
        "0 0 0 0 0 0 0 0, 'open[1, 2, 3, 4, 5, 6, 7][]'"
    })
    void sevenGroups(String readings, String said) {
        TapVerdict verdict = TapCheck.of(read(readings), Chemistry.NMC);
        assertEquals(said, said(verdict));
        assertEquals(said.isEmpty() || said.startsWith("group-odd"), verdict.isSafeToPlugIn());
    }

    @Test
    void whatLeadsShouldReadAddsUp() {
        assertEquals(
                List.of(0.0, 4.0, 8.1, 12.0),
                TapCheck.expected(List.of(4.0, 4.1, 3.9)).stream()
                        .map(each -> Math.round(each * 1000) / 1000.0)
                        .toList());
        assertThrows(IllegalArgumentException.class, () -> TapCheck.of(read("4.1"), Chemistry.NMC));
    }

    /// Groups of a pack as they are before a board: nearly even, anywhere between empty and full.
    private static double[] joints(Random random, Chemistry chemistry, int series) {
        double level =
                chemistry == Chemistry.NMC
                        ? 3.3 + 0.85 * random.nextDouble()
                        : 3.1 + 0.4 * random.nextDouble();
        double[] joints = new double[series + 1];
        for (int group = 1; group <= series; group++)
            joints[group] = joints[group - 1] + level + 0.02 * (random.nextDouble() - 0.5);
        return joints;
    }

    private static List<OptionalDouble> meter(Random random, double[] joints, List<Integer> on) {
        List<OptionalDouble> readings = new ArrayList<>();
        for (int joint : on)
            readings.add(
                    OptionalDouble.of(
                            joints[joint] * (1 + 2e-4 * random.nextGaussian())
                                    + 0.003 * random.nextGaussian()));
        return readings;
    }

    @RepeatedTest(300)
    @DisplayName("hidden mistakes of every kind in packs of 2 to 20 groups are found")
    void hiddenMistakesAreFound(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Chemistry chemistry = random.nextBoolean() ? Chemistry.NMC : Chemistry.LFP;
        int series = 3 + random.nextInt(18);
        double[] joints = joints(random, chemistry, series);
        List<Integer> on = new ArrayList<>();
        for (int lead = 0; lead <= series; lead++) on.add(lead);
        int one = random.nextInt(series + 1);
        int other = (one + 1 + random.nextInt(series)) % (series + 1);
        Kind hidden = List.of(Kind.values()).get(random.nextInt(Kind.values().length));
        switch (hidden) {
            case SWAPPED -> Collections.swap(on, one, other);
            case WRONG_TAP -> {
                // a lead on the pack's negative is one that reads nothing
                one = Math.max(1, one);
                other = other == 0 || other == one ? one % series + 1 : other;
                on.set(one, other);
            }
            case REVERSED -> Collections.reverse(on);
            case SHIFTED -> {
                on.removeFirst();
                on.add(0);
            }
            default -> {}
        }
        List<OptionalDouble> readings = meter(random, joints, on);
        if (hidden == Kind.OPEN) {
            one = Math.max(1, one);
            readings.set(
                    one,
                    random.nextBoolean()
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(0.02 * random.nextDouble()));
        }
        if (hidden == Kind.UNREADABLE) {
            one = Math.max(1, one);
            readings.set(one, OptionalDouble.of(joints[one] - 0.5 * joints[1]));
        }
        if (hidden == Kind.GROUP_ODD) {
            one = Math.max(1, one);
            double off = (random.nextBoolean() ? 1 : -1) * (0.12 + 0.5 * random.nextDouble());
            double own = joints[one] - joints[one - 1];
            // away from the limits, which are another fault
            boolean isAway =
                    own + off > chemistry.endVolts() + 0.1
                            && own + off < chemistry.chargeLimitVolts() - 0.1;
            raise(readings, one, isAway ? off : -Math.abs(off));
        }
        if (hidden == Kind.GROUP_LIMITS) {
            one = 1 + random.nextInt(series - 1);
            double own = joints[one] - joints[one - 1];
            double low = chemistry.endVolts() - 0.1 - 0.8 * random.nextDouble();
            double high = chemistry.chargeLimitVolts() + 0.1 + 0.2 * random.nextDouble();
            raise(readings, one, (random.nextBoolean() ? low : high) - own);
        }
        TapVerdict verdict = TapCheck.of(readings, chemistry);
        assertEquals(1, verdict.faults().size(), () -> hidden + ": " + verdict);
        TapFault fault = verdict.faults().get(0);
        assertEquals(hidden, fault.kind(), () -> readings + ": " + verdict);
        switch (hidden) {
            case SWAPPED ->
                    assertEquals(
                            List.of(Math.min(one, other), Math.max(one, other)), fault.leads());
            case WRONG_TAP, OPEN, UNREADABLE -> assertEquals(List.of(one), fault.leads());
            case GROUP_ODD, GROUP_LIMITS -> assertEquals(List.of(one), fault.groups());
            case REVERSED, SHIFTED -> assertTrue(fault.leads().size() >= series);
        }
    }

    /// Raises the voltage of a group, and so every lead above it.
    private static void raise(List<OptionalDouble> readings, int group, double volts) {
        for (int lead = group; lead < readings.size(); lead++)
            readings.set(lead, OptionalDouble.of(readings.get(lead).orElseThrow() + volts));
    }

    @ParameterizedTest(name = "{0} {1}: {2}")
    @DisplayName("right leads are not enough: every group within its limits, lead 0 within 0.05 V")
    @CsvSource({
        "NMC, 0 3.7 4.3 8.0 11.7 15.4, 'group-limits[][2]'",
        "NMC, 0 3.7 8.5 12.2 15.9 19.6, 'group-limits[][2]'",
        "NMC, 0 4.42 8.84 13.26, 'group-limits[][1] group-limits[][2] group-limits[][3]'",
        "NMC, 0 1.3 2.6 3.9, 'group-limits[][1] group-limits[][2] group-limits[][3]'",
        "NMC, 0 0.6 1.2 1.8, 'group-limits[][1] group-limits[][2] group-limits[][3]'",
        "NMC, 0 4.9 9.8 14.7, 'group-limits[][1] group-limits[][2] group-limits[][3]'",
        "LFP, 0 3.88 7.76 11.64, 'group-limits[][1] group-limits[][2] group-limits[][3]'",
        "LFP, 0 3.3 5.2 8.5, 'group-limits[][2]'",
        "NMC, 0 2.8 5.6 8.4 10.4, 'group-limits[][4]'",
        "NMC, 0.2 3.7 7.4 11.1, 'open[0][]'",
        "NMC, 0.45 3.7 7.4 11.1, 'open[0][]'",
        "NMC, -0.06 3.7 7.4 11.1, 'open[0][]'",
        "NMC, 0.3 3.7 7.4 12.0, 'open[0][] group-limits[][3]'",
        "NMC, 0.05 3.7 7.4 11.1, ''",
        "NMC, 0 4.2 8.4 12.6, ''",
        "NMC, 0 4.3, 'group-limits[][1]'",
        "NMC, 0 2.4, 'group-limits[][1]'",
        "NMC, 0 2.5, ''",
        "LFP, 0 3.65, ''",
        "LFP, 0 2.0, ''"
    })
    void safeIsMoreThanRightLeads(Chemistry chemistry, String readings, String said) {
        TapVerdict verdict = TapCheck.of(read(readings), chemistry);
        assertEquals(said, said(verdict), verdict + "");
        assertEquals(said.isEmpty(), verdict.isSafeToPlugIn());
    }

    @RepeatedTest(400)
    @DisplayName("whatever is read: safe only if every group and lead 0 is within its limits")
    void safeIsNeverSaidOfAnythingBeyondItsLimits(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Chemistry chemistry = random.nextBoolean() ? Chemistry.NMC : Chemistry.LFP;
        int series = 1 + random.nextInt(16);
        double level = 0.3 + 4.7 * random.nextDouble();
        double spread = random.nextInt(3) * random.nextDouble();
        List<OptionalDouble> readings = new ArrayList<>();
        readings.add(OptionalDouble.of(random.nextInt(2) * random.nextDouble()));
        double sum = 0;
        boolean isWithin = readings.get(0).orElseThrow() <= 0.05;
        for (int group = 1; group <= series; group++) {
            double volts = level + spread * (random.nextDouble() - 0.5);
            // 0.02 V is more than readings are believed to be off by
            isWithin &=
                    volts >= chemistry.endVolts() - 0.02
                            && volts <= chemistry.chargeLimitVolts() + 0.02;
            sum += volts;
            readings.add(OptionalDouble.of(sum));
        }
        TapVerdict verdict = TapCheck.of(readings, chemistry);
        if (!isWithin) assertFalse(verdict.isSafeToPlugIn(), readings + ": " + verdict);
        if (verdict.faults().isEmpty()) assertTrue(verdict.isSafeToPlugIn());
        for (TapFault fault : verdict.faults())
            for (int group : fault.groups()) {
                double below = group == 1 ? 0 : readings.get(group - 1).orElseThrow();
                double volts = readings.get(group).orElseThrow() - below;
                boolean isBeyond = volts < 2 || volts > chemistry.chargeLimitVolts() + 0.05;
                if (isBeyond) assertEquals(Kind.GROUP_LIMITS, fault.kind(), verdict + "");
            }
    }

    @RepeatedTest(100)
    void aRightPlugIsNeverAccused(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Chemistry chemistry = random.nextBoolean() ? Chemistry.NMC : Chemistry.LFP;
        int series = 1 + random.nextInt(24);
        List<Integer> on = new ArrayList<>();
        for (int lead = 0; lead <= series; lead++) on.add(lead);
        TapVerdict verdict =
                TapCheck.of(meter(random, joints(random, chemistry, series), on), chemistry);
        assertEquals(List.of(), verdict.faults());
    }

    @Test
    void twoMistakesAreBothSaid() {
        TapVerdict verdict =
                TapCheck.of(read("0 8.2 4.1 12.3 16.4 0.01 24.6 28.7 32.8"), Chemistry.NMC);
        assertEquals("swapped[1, 2][] open[5][]", said(verdict));
        assertFalse(verdict.isSafeToPlugIn());
    }
}
