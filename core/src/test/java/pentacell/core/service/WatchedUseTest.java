package pentacell.core.service;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.TestReporter;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.core.service.UsedPack.Truth;
import pentacell.core.service.UsedPack.Use;
import pentacell.core.service.facts.Trouble;

/// Packs used a little and a lot, for days and for most of a year, read often and seldom, exactly
/// and in steps of 10 mV, along three curves.
@Tag("exhaustive")
final class WatchedUseTest {
    /// A curve that runs straight leaves an offset and a balance hardly apart.
    private static final List<DoubleUnaryOperator> CURVES =
            List.of(
                    RestCurve.of(Chemistry.NMC)::volts,
                    RestCurve.of(Chemistry.LFP)::volts,
                    share -> 3.3 + 0.8 * share);

    private static final int PARALLEL = 20;

    /// A history of every kind.
    private record Kind(int curve, double depth, Use use) {
        static List<Kind> all() {
            List<Kind> all = new ArrayList<>();
            for (int curve = 0; curve < CURVES.size(); curve++)
                for (double depth : List.of(0.02, 0.3, 0.6, 0.95))
                    for (int days : List.of(3, 10, 250))
                        for (double noise : List.of(0.0, 0.003))
                            for (double rounded : List.of(0.0, 0.01)) {
                                double amps = depth * UsedPack.AMP_HOURS / 7;
                                Use use =
                                        new Use(
                                                days,
                                                depth > 0.9 ? 0.97 : 0.6 + depth / 2,
                                                amps,
                                                amps,
                                                days > 100 ? 3600 : 600,
                                                noise,
                                                rounded,
                                                0);
                                all.add(new Kind(curve, depth, use));
                            }
            return all;
        }
    }

    @ParameterizedTest(name = "{0}")
    @DisplayName("hidden causes in 144 kinds of use: group 1 has it, no other group is accused")
    @CsvSource({
        // kind, found at least, of those that can show it at all
        "HEALTHY, 0.98",
        "CELLS_OFF, 0.95",
        "SELF_DISCHARGE, 0.9",
        "RESISTANCE, 0.9",
        "MISREAD, 0.85"
    })
    void whatIsSaidHolds(String hidden, double least, TestReporter reporter) {
        int right = 0;
        int showing = 0;
        int accused = 0;
        int mistaken = 0;
        List<Kind> all = Kind.all();
        for (Kind kind : all) {
            Random random = new Random(Objects.hash(hidden, kind.curve(), kind.use()));
            List<Truth> groups = UsedPack.sound(random, 7);
            if (!hidden.equals("HEALTHY")) groups.set(0, Truth.of(Trouble.valueOf(hidden)));
            Watch watch =
                    Watch.of(
                            UsedPack.history(groups, CURVES.get(kind.curve()), kind.use(), random),
                            PARALLEL);
            // where the slope hardly changes, an offset and a charge that is ahead look alike
            boolean isEither =
                    hidden.equals("MISREAD")
                            && watch.outOfBalance().stream()
                                    .anyMatch(each -> each.group() == 0 && each.orMisread());
            boolean isRight = UsedPack.isSaid(watch, 0, hidden) || isEither;
            if (shows(hidden, kind)) {
                showing++;
                if (isRight) right++;
            }
            if (UsedPack.surest(watch, 0).isPresent() && !isRight) mistaken++;
            if (UsedPack.accusations(watch, 0) > 0) accused++;
        }
        String said =
                "%s: right in %d of %d where it shows, of %d kinds another cause said in %d, another group accused in %d"
                        .formatted(hidden, right, showing, all.size(), mistaken, accused);
        reporter.publishEntry("kinds of use", said);
        assertTrue(right >= least * showing, said);
        assertTrue(mistaken <= 0.025 * all.size(), said);
        assertTrue(accused <= 0.015 * all.size(), said);
    }

    /// Whether it moves the voltage by clearly more than noise and rounding: on the flat run of LFP
    /// and in little use there is nothing to see.
    private static boolean shows(String hidden, Kind kind) {
        boolean isFlat = kind.curve() == 1;
        double depth = kind.depth();
        return switch (hidden) {
            case "CELLS_OFF" -> isFlat ? depth > 0.9 : depth >= 0.3;
            case "SELF_DISCHARGE" -> kind.use().days() > 5 && (isFlat ? depth > 0.9 : depth >= 0.3);
            case "RESISTANCE" -> depth >= 0.3;
            default -> true;
        };
    }
}
