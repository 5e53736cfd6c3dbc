package pentacell.field.truth;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;
import pentacell.field.FieldLog;
import pentacell.field.FieldPack;
import pentacell.field.FieldPack.Family;
import pentacell.field.FieldPack.Logger;
import pentacell.field.FieldPack.Use;

/// What is drawn and what is charged, in logs whose convention is not told.
public final class SignTruth {
    private static final double DAYS = 2.9;

    /// Error of the charge drawn that is let pass, as a part; without any sign some moments of a
    /// small current stay open.
    private static final double SIGNED_PART = 0.01;

    private static final double UNSIGNED_PART = 0.05;

    private SignTruth() {}

    /// How a current is written.
    public enum Convention {
        DRAWN_POSITIVE(1),
        DRAWN_NEGATIVE(-1),
        WITHOUT_SIGN(0);

        private final int sign;

        Convention(int sign) {
            this.sign = sign;
        }
    }

    /// Judges one log.
    public static TruthOutcome of(
            Family family, Use use, double seconds, Convention convention, long seed, int number) {
        Random random =
                Drawn.of(
                        seed,
                        family.ordinal(),
                        use.ordinal(),
                        Math.round(seconds),
                        convention.ordinal(),
                        number);
        FieldPack pack = new FieldPack(family, 4, 5, 0.02, random);
        FieldLog log = pack.log(use, DAYS, new Logger(seconds, 0.005, 0.002, convention.sign, 0));
        GroupLog read = Logs.pack(log);
        double known = drawn(read.seconds(), Logs.column(log.flowed()));
        double told = drawn(read.seconds(), read.amps());
        double part = convention == Convention.WITHOUT_SIGN ? UNSIGNED_PART : SIGNED_PART;
        // a log that shows no discharge says nothing of one
        boolean isRight = known == 0 || Math.abs(told - known) <= part * known;
        return new TruthOutcome(
                Logs.kind(family, convention),
                isRight,
                isRight ? List.of() : List.of("%.2f of %.2f Ah".formatted(told, known)),
                known == 0 ? OptionalDouble.empty() : OptionalDouble.of(told / known - 1),
                "%s every %.0f s, number %d".formatted(Logs.words(use), seconds, number));
    }

    /// What was drawn in all, without what was charged, in Ah.
    private static double drawn(Column seconds, Column amps) {
        double drawn = 0;
        for (int i = 1; i < amps.size(); i++)
            drawn += (seconds.get(i) - seconds.get(i - 1)) / 3600 * Math.max(0, amps.get(i));
        return drawn;
    }

    static List<TruthOutcome> all(long seed, int packs) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (Convention convention : Convention.values())
                for (Use use : Use.values())
                    for (double seconds : new double[] {10, 60, 300, 900})
                        for (int number = 0; number < packs; number++)
                            outcomes.add(of(family, use, seconds, convention, seed, number));
        return outcomes;
    }
}
