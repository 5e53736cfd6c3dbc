package pentacell.desktop.frame;

import java.util.stream.Collectors;
import pentacell.core.cell.RunFact;
import pentacell.core.judgement.Reason;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// What a test by instrument added to a life line, in words.
public final class RunWords {
    private RunWords() {}

    /// What was odd in a curve: by rule and figures, or as an older file has it.
    public static String sentence(RunFact.CurveOdd odd) {
        return odd.reason().map(Reason::sentence).or(odd::sentence).orElse("");
    }

    /// A fact of a run in words.
    public static String of(RunFact fact) {
        return switch (fact) {
            case RunFact.RunStarted started -> "test in " + started.bay();
            case RunFact.RunEnded ended ->
                    "test "
                            + ended.end().words()
                            + (ended.ending().why().isBlank() ? "" : ": " + ended.ending().why());
            case RunFact.CapacityCorrected corrected ->
                    "%s ± %s at standard conditions (%s)"
                            .formatted(
                                    Quantity.CAPACITY.number(corrected.milliampHours()),
                                    Quantity.CAPACITY.text(corrected.uncertaintyMilliampHours()),
                                    corrected.shares().isEmpty()
                                            ? "as measured"
                                            : corrected.shares().stream()
                                                    .map(RunWords::share)
                                                    .collect(Collectors.joining(", ")));
            case RunFact.HeatSeen heat ->
                    "%s warmer at %s"
                            .formatted(
                                    Quantity.TEMPERATURE_RISE.text(heat.riseKelvin()),
                                    Quantity.CURRENT.text(heat.amps()));
            case RunFact.CurveOdd odd -> sentence(odd);
            case RunFact.HoldBegan hold ->
                    "on the hold shelf for " + Count.of(hold.days(), "day", "days");
            case RunFact.ReferenceChosen chosen ->
                    chosen.reference() == RunFact.Reference.YES
                            ? "reference cell"
                            : "no longer a reference cell";
        };
    }

    private static String share(RunFact.Share share) {
        String sign = share.milliampHours() > 0 ? "+" : "";
        return share.correction().words()
                + " "
                + sign
                + Quantity.CAPACITY.number(share.milliampHours());
    }
}
