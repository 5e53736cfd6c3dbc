package pentacell.desktop.plan;

import java.util.List;
import pentacell.core.plan.Checked;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;

/// Checks in words.
final class CheckWords {
    private CheckWords() {}

    static String mark(Checked.Verdict verdict) {
        return switch (verdict) {
            case FINE -> "✓";
            case ADVICE -> "→";
            case CAUTION -> "▲";
            case STOP -> "■";
        };
    }

    /// The room that is left, such as `+12 %`; empty where there is no measure of it.
    static String room(Checked checked) {
        if (checked.margin().isEmpty()) return "";
        double percent = 100 * checked.margin().getAsDouble();
        return (percent > 0 ? "+" : "") + Quantity.PERCENT.text(percent, 0);
    }

    /// What it says, as a sentence.
    static String sentence(Checked checked) {
        return Sentence.whole(checked.sentence());
    }

    /// Limit and figure side by side.
    static String figures(Checked checked) {
        if (checked.figure().isEmpty()) return "";
        return checked.limit().isEmpty()
                ? checked.figure()
                : "%s; limit %s".formatted(checked.figure(), checked.limit());
    }

    /// How many checks are broken, and which is the tightest of the others.
    static String summary(String arrangement, List<Checked> tightestFirst) {
        long stops = count(tightestFirst, Checked.Verdict.STOP);
        long cautions = count(tightestFirst, Checked.Verdict.CAUTION);
        if (stops > 0)
            return "%s must not be built like this: %s."
                    .formatted(
                            arrangement, Count.of(stops, "check is broken", "checks are broken"));
        if (cautions > 0)
            return "%s works, but %s attention."
                    .formatted(
                            arrangement,
                            cautions == 1 ? "one thing needs" : cautions + " things need");
        return tightestFirst.stream()
                .filter(each -> each.margin().isPresent())
                .findFirst()
                .map(tightest ->
                        "%s passes every check; the tightest is “%s” with %s to spare."
                                .formatted(
                                        arrangement,
                                        tightest.check().words(),
                                        Quantity.PERCENT.text(
                                                100 * tightest.margin().getAsDouble(), 0)))
                .orElse(arrangement + " passes every check.");
    }

    private static long count(List<Checked> checks, Checked.Verdict verdict) {
        return checks.stream().filter(each -> each.verdict() == verdict).count();
    }
}
