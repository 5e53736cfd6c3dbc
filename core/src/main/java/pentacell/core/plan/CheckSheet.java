package pentacell.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.plan.Checked.Verdict;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.unit.Quantity;

/// What checks look at, and what they wrote.
final class CheckSheet {
    static final String PRACTICE = "common practice";

    private final List<Checked> written = new ArrayList<>();
    final Option option;
    final Need need;
    final CellSupply supply;
    final MeanCell cell;

    CheckSheet(Option option, Need need, CellSupply supply) {
        this.option = option;
        this.need = need;
        this.supply = supply;
        cell = supply.mean(option.cells());
    }

    List<Checked> written() {
        return List.copyOf(written);
    }

    /// What the pack gives for long, in A, at the lowest voltage it is used at.
    double steadyAmps() {
        return option.steadyAmps() * option.parallel();
    }

    /// What it gives for moments, in A.
    double peakAmps() {
        return option.peakAmps() * option.parallel();
    }

    /// The lowest voltage it is used at, in V.
    double lowestVolts() {
        return Math.max(need.window().lowTripVolts(), option.emptyVolts());
    }

    /// Resistance of the pack's cells, in Ω.
    double ohms() {
        return option.series() * cell.ohms() / option.parallel();
    }

    /// A limit that must not be passed.
    void atMost(
            Check check,
            Quantity quantity,
            double limit,
            double figure,
            Verdict broken,
            String fine,
            String over,
            String source) {
        boolean isKept = figure <= limit + 1e-9;
        bounded(
                check,
                quantity,
                limit,
                figure,
                "≤ ",
                (limit - figure) / limit,
                isKept,
                broken,
                fine,
                over,
                source);
    }

    /// A limit that must be reached.
    void atLeast(
            Check check,
            Quantity quantity,
            double limit,
            double figure,
            Verdict broken,
            String fine,
            String under,
            String source) {
        boolean isKept = figure >= limit - 1e-9;
        bounded(
                check,
                quantity,
                limit,
                figure,
                "≥ ",
                (figure - limit) / limit,
                isKept,
                broken,
                fine,
                under,
                source);
    }

    private void bounded(
            Check check,
            Quantity quantity,
            double limit,
            double figure,
            String sign,
            double margin,
            boolean isKept,
            Verdict broken,
            String fine,
            String brokenWords,
            String source) {
        written.add(
                new Checked(
                        check,
                        isKept ? Verdict.FINE : broken,
                        sign + rounded(quantity, limit),
                        rounded(quantity, figure),
                        Double.isFinite(margin)
                                ? OptionalDouble.of(margin)
                                : OptionalDouble.empty(),
                        isKept ? fine : brokenWords,
                        source,
                        limit,
                        figure));
    }

    void add(Checked checked) {
        written.add(checked);
    }

    /// Something without a measure.
    void said(Check check, Verdict verdict, String figure, String sentence, String source) {
        written.add(
                new Checked(
                        check,
                        verdict,
                        "",
                        figure,
                        OptionalDouble.empty(),
                        sentence,
                        source,
                        Double.NaN,
                        Double.NaN));
    }

    private static String rounded(Quantity quantity, double value) {
        return quantity == Quantity.COUNT ? quantity.text(value) : quantity.text(value, 1);
    }

    static String volts(double volts) {
        return Quantity.VOLTAGE.text(volts, 1);
    }

    static String amps(double amps) {
        return Quantity.CURRENT.text(amps, 1);
    }
}
