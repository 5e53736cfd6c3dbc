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

    /// A limit of the need, as the planner held the pack against it; nothing where there is none.
    void limit(Check check, Quantity quantity, String fine, String source) {
        option.limit(check)
                .ifPresent(limit ->
                        bounded(
                                limit,
                                quantity,
                                Verdict.STOP,
                                limit.isKept() ? fine : PlanWords.obstacle(option, limit),
                                source));
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
        PackLimit held = PackLimit.atMost(check, limit, figure);
        bounded(held, quantity, broken, held.isKept() ? fine : over, source);
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
        PackLimit held = PackLimit.atLeast(check, limit, figure);
        bounded(held, quantity, broken, held.isKept() ? fine : under, source);
    }

    private void bounded(
            PackLimit limit, Quantity quantity, Verdict broken, String sentence, String source) {
        String sign =
                switch (limit.sense()) {
                    case AT_MOST -> "≤ ";
                    case AT_LEAST -> "≥ ";
                };
        written.add(
                new Checked(
                        limit.check(),
                        limit.isKept() ? Verdict.FINE : broken,
                        sign + rounded(quantity, limit.limit()),
                        rounded(quantity, limit.figure()),
                        limit.margin(),
                        sentence,
                        source,
                        limit.limit(),
                        limit.figure()));
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
        return PlanWords.volts(volts);
    }

    static String amps(double amps) {
        return Quantity.CURRENT.text(amps, 1);
    }
}
