package pentacell.field.truth;

import static pentacell.field.truth.Drawn.between;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import pentacell.core.prove.LoadTest;
import pentacell.core.prove.ProveLoad;
import pentacell.field.FieldPack;
import pentacell.field.FieldPack.Family;
import pentacell.field.FieldPack.Fault;
import pentacell.field.FieldPack.Logger;
import pentacell.field.PackLoad;

/// What a load test of a whole pack says: its resistance, and why a group falls short.
public final class LoadTestTruth {
    private static final int SERIES = 10;

    private LoadTestTruth() {}

    /// Why a group falls short.
    public enum Hidden {
        SOUND,
        /// 20 to 40 % of its cells are off.
        LOW_CAPACITY,
        /// It began with 10 to 20 % less charge.
        STARTED_LOW,
        /// Two to three times the resistance.
        HIGH_RESISTANCE
    }

    /// The error of the resistance of one sound pack, as a part.
    ///
    /// @param hasFast whether its cells have a part that follows a step within 30 s
    public static TruthOutcome resistance(
            Family family, PackLoad load, double seconds, boolean hasFast, long seed, int number) {
        Random random =
                Drawn.of(
                        seed,
                        family.ordinal(),
                        load.ordinal(),
                        Math.round(10 * seconds),
                        hasFast ? 1 : 0,
                        number);
        FieldPack pack = new FieldPack(family, SERIES, 4, 0.03, random);
        if (!hasFast) pack.withoutFast();
        double end = Logs.endVolts(family);
        Logger logger = new Logger(seconds, 0, 0.001, Drawn.sign(random), 0);
        LoadTest test =
                ProveLoad.judge(
                        Logs.pack(pack.log(load.of(pack, end, random), logger)),
                        end,
                        Logs.chemistry(family));
        double truth = 0;
        for (int g = 0; g < SERIES; g++) truth += 1000 * pack.ohms(g);
        double told = test.packMilliohms().orElse(Double.NaN);
        return new TruthOutcome(
                "%s, resistance from %s every %s s%s"
                        .formatted(
                                Logs.name(family),
                                Logs.words(load),
                                seconds < 1 ? "0.2" : "%.0f".formatted(seconds),
                                hasFast ? "" : ", no fast part"),
                told > 0,
                List.of(),
                told > 0 ? OptionalDouble.of(told / truth - 1) : OptionalDouble.empty(),
                "number " + number);
    }

    /// Why the groups of one pack fall short, and what is missing in the one that does.
    public static TruthOutcome cause(
            Family family, Hidden hidden, double seconds, long seed, int number) {
        Random random =
                Drawn.of(seed, 7, family.ordinal(), hidden.ordinal(), Math.round(seconds), number);
        int parallel = 5 + random.nextInt(12);
        FieldPack pack = new FieldPack(family, SERIES, parallel, between(random, 0, 0.02), random);
        int bad = random.nextInt(SERIES);
        switch (hidden) {
            case SOUND -> {}
            case LOW_CAPACITY ->
                    pack.with(
                            Fault.CELLS_OFF,
                            bad,
                            Math.rint(parallel * between(random, 0.2, 0.4)) / parallel);
            case STARTED_LOW -> pack.with(Fault.AHEAD, bad, -between(random, 0.1, 0.2));
            case HIGH_RESISTANCE -> pack.with(Fault.RESISTANCE, bad, between(random, 1, 2));
        }
        double end = Logs.endVolts(family);
        Logger logger = new Logger(seconds, 0.001, 0.001, Drawn.sign(random), 0);
        LoadTest test =
                ProveLoad.judge(
                        Logs.pack(pack.log(PackLoad.STEADY.of(pack, end, random), logger)),
                        end,
                        Logs.chemistry(family));
        boolean isRight = false;
        List<String> wrong = new ArrayList<>();
        for (int g = 0; g < SERIES; g++) {
            LoadTest.Group told = test.groups().get(g);
            boolean isEither = told.orStartedLow() && hidden == Hidden.STARTED_LOW;
            if (told.cause() == cause(g == bad ? hidden : Hidden.SOUND) || isEither && g == bad)
                isRight |= g == bad;
            else if (told.cause() != LoadTest.Cause.OK && !(g != bad && isShort(pack, g)))
                wrong.add(Logs.words(told.cause()) + (g == bad ? "" : " of another group"));
        }
        return new TruthOutcome(
                Logs.kind(family, hidden),
                isRight,
                wrong,
                OptionalDouble.empty(),
                "every %.0f s, number %d".formatted(seconds, number));
    }

    /// Whether a group holds so much less than the others that it may be told.
    private static boolean isShort(FieldPack pack, int group) {
        double[] all = new double[SERIES];
        for (int g = 0; g < SERIES; g++) all[g] = pack.ampHours(g);
        Arrays.sort(all);
        return pack.ampHours(group) < 0.98 * all[SERIES / 2];
    }

    private static LoadTest.Cause cause(Hidden hidden) {
        return switch (hidden) {
            case SOUND -> LoadTest.Cause.OK;
            case LOW_CAPACITY -> LoadTest.Cause.LOW_CAPACITY;
            case STARTED_LOW -> LoadTest.Cause.STARTED_LOW;
            case HIGH_RESISTANCE -> LoadTest.Cause.HIGH_RESISTANCE;
        };
    }

    static List<TruthOutcome> all(long seed, int packs) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values()) {
            for (Hidden hidden : Hidden.values())
                for (double seconds : new double[] {1, 10, 30})
                    for (int number = 0; number < packs; number++)
                        outcomes.add(cause(family, hidden, seconds, seed, number));
            for (PackLoad load : new PackLoad[] {PackLoad.PULSES, PackLoad.RIDE})
                for (double seconds : new double[] {0.2, 1, 10, 30})
                    for (boolean hasFast : new boolean[] {true, false})
                        for (int number = 0; number < packs; number++)
                            outcomes.add(resistance(family, load, seconds, hasFast, seed, number));
        }
        return outcomes;
    }
}
