package pentacell.core.field;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.TestReporter;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.field.FieldPack.Family;
import pentacell.core.field.FieldPack.Fault;
import pentacell.core.field.FieldPack.Logger;
import pentacell.core.field.FieldPack.Use;
import pentacell.core.prove.GroupLog;
import pentacell.core.service.Finding;
import pentacell.core.service.Watch;
import pentacell.core.use.Trouble;

/// What is said of the histories of packs in the field: of sound ones, and of those with a fault.
@Tag("exhaustive")
final class ServiceTruthTest {
    /// How a pack is used, and how often it is read.
    private record Kind(Use use, double seconds) {
        static final List<Kind> ALL =
                List.of(
                        new Kind(Use.SOLAR, 600),
                        new Kind(Use.SUPPLY, 900),
                        new Kind(Use.STORAGE, 900),
                        new Kind(Use.RIDE, 10),
                        new Kind(Use.RIDE, 60),
                        new Kind(Use.RIDE, 240),
                        new Kind(Use.RIDE_WITH_REGENERATION, 60),
                        new Kind(Use.TOOL, 60),
                        new Kind(Use.HEATER, 300));

        /// The same in every run of the program.
        long seed() {
            return 1000L * use.ordinal() + Math.round(seconds);
        }

        /// Whether it is kept full: with LFP, such a history tells nothing of charges.
        boolean isFloating() {
            return use == Use.SUPPLY || use == Use.STORAGE;
        }

        /// Whether it uses so little that LFP stays on its flat run.
        boolean isShallow() {
            return isFloating() || use == Use.TOOL || use == Use.HEATER;
        }
    }

    @ParameterizedTest(name = "{0} {1}: accused in {2} of {3} packs at most, found in {4}")
    @DisplayName("sound packs are not accused, and faults are found, whatever the use and sampling")
    @CsvSource({
        // family, what it has, accused at most, found at least, of the kinds that can show it
        "NMC, HEALTHY, 1, 0",
        "NMC, BALANCED, 1, 0",
        "NMC, AHEAD, 1, 0",
        "NMC, CELLS_OFF, 2, 9",
        "NMC, MANY_OFF, 1, 9",
        "NMC, SELF_DISCHARGE, 2, 8",
        "NMC, RESISTANCE, 2, 7",
        "NMC, MISREAD, 2, 7",
        "LFP, HEALTHY, 1, 0",
        "LFP, BALANCED, 1, 0",
        "LFP, AHEAD, 1, 0",
        "LFP, CELLS_OFF, 2, 4",
        "LFP, MANY_OFF, 2, 4",
        "LFP, SELF_DISCHARGE, 1, 6",
        "LFP, RESISTANCE, 2, 5"
    })
    void whatIsSaidOfAPack(
            Family family,
            String hidden,
            int accusedAtMost,
            int foundAtLeast,
            TestReporter report) {
        int found = 0;
        List<String> accused = new ArrayList<>();
        for (Kind kind : Kind.ALL) {
            if (family == Family.LFP && !shows(hidden, kind)) continue;
            Random random = new Random(31L * kind.seed() + hidden.hashCode());
            int series = 6 + random.nextInt(6);
            int parallel = kind.use().compareTo(Use.STORAGE) <= 0 ? 16 : 6;
            int bad = random.nextInt(series);
            Watch watch = Watch.of(history(family, kind, hidden, series, parallel, bad), parallel);
            boolean isFound = false;
            TreeMap<String, Integer> others = new TreeMap<>();
            for (Finding each : watch.findings()) {
                if (isSound(hidden) || each.group() != bad)
                    others.merge(each.cause().name(), 1, Integer::sum);
                else if (each.cause() == cause(hidden)) isFound = true;
            }
            if (isFound) found++;
            if (!others.isEmpty()) accused.add(kind + " " + others);
        }
        String said = "%s %s: found in %d, accused %s".formatted(family, hidden, found, accused);
        report.publishEntry("service", said);
        assertTrue(accused.size() <= accusedAtMost, said);
        assertTrue(found >= foundAtLeast, said);
    }

    @ParameterizedTest(name = "{0}")
    @EnumSource(Family.class)
    @DisplayName("groups that feed a tap are named together, once")
    void aTapIsToldOnce(Family family) {
        Random random = new Random(8);
        FieldPack pack = new FieldPack(family, 10, 12, 0.02, random);
        for (int group : new int[] {0, 1, 2})
            pack.with(Fault.SELF_DISCHARGE, group, pack.ampHours() * 0.006 / 24);
        Watch watch = Watch.of(pack.log(Use.SOLAR, 28, new Logger(600, 0.001, 0.001, 1, 0)), 12);
        assertEquals(1, watch.findings().size(), watch::toString);
        Finding tap = watch.findings().get(0);
        assertEquals(Trouble.UNEVEN_LOAD, tap.cause());
        assertEquals(0, tap.group());
        assertEquals(3, tap.figures().getOrDefault("throughGroup", 0.0));
    }

    private static boolean isSound(String hidden) {
        return List.of("HEALTHY", "BALANCED", "AHEAD").contains(hidden);
    }

    private static boolean shows(String hidden, Kind kind) {
        return switch (hidden) {
            case "CELLS_OFF", "MANY_OFF" -> !kind.isShallow();
            default -> !kind.isFloating();
        };
    }

    private static Trouble cause(String hidden) {
        return switch (hidden) {
            case "SELF_DISCHARGE" -> Trouble.SELF_DISCHARGE;
            case "RESISTANCE" -> Trouble.RESISTANCE;
            case "MISREAD" -> Trouble.MISREAD;
            default -> Trouble.CELLS_OFF;
        };
    }

    private static GroupLog history(
            Family family, Kind kind, String hidden, int series, int parallel, int bad) {
        Random random = new Random(77L * kind.seed() + hidden.hashCode() + family.ordinal());
        FieldPack pack = new FieldPack(family, series, parallel, 0.03, random);
        switch (hidden) {
            case "AHEAD" -> pack.with(Fault.AHEAD, bad, 0.02);
            case "BALANCED" -> pack.balancedBy(0.08);
            case "CELLS_OFF" ->
                    pack.with(Fault.CELLS_OFF, bad, Math.ceil(0.15 * parallel) / parallel);
            case "MANY_OFF" -> pack.with(Fault.CELLS_OFF, bad, 0.5);
            case "SELF_DISCHARGE" ->
                    pack.with(Fault.SELF_DISCHARGE, bad, pack.ampHours() * 0.005 / 24);
            case "RESISTANCE" -> pack.with(Fault.RESISTANCE, bad, 1.5);
            case "MISREAD" -> pack.with(Fault.MISREAD, bad, 0.03);
            default -> {}
        }
        return pack.log(
                kind.use(),
                28,
                new Logger(kind.seconds(), 0.002, 0.001, random.nextBoolean() ? 1 : -1, 1));
    }
}
