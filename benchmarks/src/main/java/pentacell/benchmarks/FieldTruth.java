package pentacell.benchmarks;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import pentacell.field.truth.Judgement;

/// How often the judgements find what is hidden in made-up packs, with other packs every day.
///
/// Arguments: packs of each kind (4), the seed (today's date as a number), then part of the name of
/// a judgement.
public final class FieldTruth {
    private FieldTruth() {}

    /// Prints a table for each judgement.
    public static void main(String[] arguments) {
        PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
        int packs = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 4;
        long seed =
                arguments.length > 1
                        ? Long.parseLong(arguments[1])
                        : LocalDate.now(ZoneId.systemDefault()).toEpochDay();
        String only = arguments.length > 2 ? arguments[2] : "";
        out.printf("Seed %d, %d packs of each kind%n", seed, packs);
        for (Judgement judgement : Judgement.values()) {
            if (!judgement.name().contains(only)) continue;
            out.printf("%n## %s%n%n", judgement.title());
            out.print(judgement.table(seed, packs).markdown());
        }
    }
}
