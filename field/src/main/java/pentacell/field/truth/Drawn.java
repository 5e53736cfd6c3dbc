package pentacell.field.truth;

import java.util.Random;

/// Seeds of single packs, drawn from the seed of a run and what the pack is.
final class Drawn {
    private Drawn() {}

    /// The same numbers for the same seed and parts, in every run of the program.
    static Random of(long seed, long... parts) {
        long mixed = seed;
        for (long part : parts) mixed = mixed * 0x5851F42D4C957F2DL + part + 1;
        return new Random(mixed);
    }

    /// A number between two others.
    static double between(Random random, double from, double to) {
        return from + (to - from) * random.nextDouble();
    }

    static int sign(Random random) {
        return random.nextBoolean() ? 1 : -1;
    }
}
