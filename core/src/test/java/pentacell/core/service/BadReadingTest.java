package pentacell.core.service;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.TestReporter;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;
import pentacell.core.service.UsedPack.Truth;
import pentacell.core.service.UsedPack.Use;
import pentacell.core.service.facts.Trouble;

/// Boards that send nonsense once in a while: what they say of the pack stands for all that.
@Tag("exhaustive")
final class BadReadingTest {
    private static final int GROUPS = 8;
    private static final int BAD = 5;
    private static final int PACKS = 8;

    @ParameterizedTest(name = "{0}: {1} in {2} lines")
    @DisplayName("what is said of 8 packs each in whose logs some lines are nonsense")
    @CsvSource({
        "HEALTHY, NO_VOLTS, 1",
        "HEALTHY, NO_VOLTS, 12",
        "HEALTHY, MOST_VOLTS, 1",
        "HEALTHY, NO_VOLTS_OF_ONE, 12",
        "HEALTHY, MOST_VOLTS_OF_ONE, 12",
        "HEALTHY, MOST_AMPS, 1",
        "HEALTHY, MOST_AMPS, 12",
        "CELLS_OFF, NO_VOLTS, 1",
        "CELLS_OFF, NO_VOLTS, 12",
        "CELLS_OFF, MOST_VOLTS, 1",
        "CELLS_OFF, NO_VOLTS_OF_ONE, 12",
        "CELLS_OFF, MOST_VOLTS_OF_ONE, 12",
        "CELLS_OFF, MOST_AMPS, 1",
        "CELLS_OFF, MOST_AMPS, 12",
        "SELF_DISCHARGE, NO_VOLTS, 12",
        "SELF_DISCHARGE, MOST_AMPS, 12",
        "SELF_DISCHARGE, NO_VOLTS_OF_ONE, 12",
        "RESISTANCE, NO_VOLTS, 12",
        "RESISTANCE, MOST_AMPS, 12",
        "RESISTANCE, NO_VOLTS_OF_ONE, 12",
        "MISREAD, NO_VOLTS, 12",
        "MISREAD, MOST_AMPS, 12",
        "MISREAD, NO_VOLTS_OF_ONE, 12",
    })
    void nonsenseIsLeftOut(String hidden, Nonsense nonsense, int lines, TestReporter reporter) {
        int right = 0;
        int accused = 0;
        for (int seed = 0; seed < PACKS; seed++) {
            Random random = new Random(91L * hidden.hashCode() + seed);
            List<Truth> groups = UsedPack.sound(random, GROUPS);
            groups.set(
                    BAD,
                    hidden.equals("HEALTHY") ? Truth.SOUND : Truth.of(Trouble.valueOf(hidden)));
            GroupLog log =
                    UsedPack.history(
                            groups, RestCurve.of(Chemistry.NMC)::volts, UsedPack.USE, random);
            for (int i = 0; i < lines; i++)
                log = nonsense.in(log, random.nextInt(log.size()), random.nextInt(GROUPS));
            Watch watch = Watch.of(log.withoutSlips(), 20);
            if (UsedPack.isSaid(watch, BAD, hidden)) right++;
            accused += UsedPack.accusations(watch, BAD);
        }
        String said =
                "%s, %s in %d: right %d of %d, falsely accused %d"
                        .formatted(hidden, nonsense, lines, right, PACKS, accused);
        reporter.publishEntry("nonsense", said);
        assertTrue(right >= PACKS - 1 && accused == 0, said);
    }

    @ParameterizedTest(name = "{0}, {1} A with peaks of {2} A, every {3} s")
    @DisplayName(
            "what only looks odd stays: peaks, steps, weak groups, noise, rounding, leaps of the clock")
    @CsvSource({
        "NMC, 6, 20, 600",
        "NMC, 0.2, 60, 600",
        "LFP, 5, 5, 60",
        "LFP, 1, 90, 3600",
        "NMC, 13, 13, 3600"
    })
    void whatCanBeStays(Chemistry chemistry, double amps, double peakAmps, double stepSeconds) {
        for (int seed = 0; seed < 12; seed++) {
            Random random = new Random(400 + seed);
            List<Truth> groups = UsedPack.sound(random, GROUPS);
            groups.set(BAD, new Truth(0.7, 0.02, UsedPack.OHMS * (1 + seed), 0.02));
            Use use =
                    new Use(
                            10,
                            0.97,
                            amps,
                            peakAmps,
                            stepSeconds,
                            seed % 2 * 0.003,
                            seed % 3 * 0.005,
                            seed % 4);
            GroupLog log = UsedPack.history(groups, RestCurve.of(chemistry)::volts, use, random);
            assertEquals(log.size(), log.withoutSlips().size());
        }
    }

    /// What a board sends where it has read nothing.
    enum Nonsense {
        NO_VOLTS,
        MOST_VOLTS,
        NO_VOLTS_OF_ONE,
        MOST_VOLTS_OF_ONE,
        MOST_AMPS;

        GroupLog in(GroupLog log, int moment, int one) {
            List<Column> volts = new ArrayList<>();
            for (int g = 0; g < log.series(); g++) {
                boolean isMeant =
                        switch (this) {
                            case NO_VOLTS, MOST_VOLTS -> true;
                            case NO_VOLTS_OF_ONE, MOST_VOLTS_OF_ONE -> g == one;
                            case MOST_AMPS -> false;
                        };
                double sent = this == NO_VOLTS || this == NO_VOLTS_OF_ONE ? 0 : 65.535;
                volts.add(isMeant ? with(log.volts().get(g), moment, sent) : log.volts().get(g));
            }
            Column amps = this == MOST_AMPS ? with(log.amps(), moment, 655.35) : log.amps();
            return new GroupLog(log.seconds(), amps, volts);
        }

        private static Column with(Column column, int moment, double sent) {
            return column.map((i, each) -> i == moment ? sent : each);
        }
    }
}
