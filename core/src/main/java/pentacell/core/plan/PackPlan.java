package pentacell.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.plan.facts.Chosen;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// The packs that could meet a need, and those beside them that could not.
///
/// @param options by groups in series, then cells in parallel
/// @param best the lightest that meets all; of those the one that leaves least energy inside
/// @param nearest when none does: what could be met, in words
public record PackPlan(List<Option> options, Optional<Option> best, Optional<String> nearest) {
    /// The fewest cells first; of those the pack that leaves least energy inside.
    public static final Comparator<Option> FITTEST_FIRST =
            Comparator.comparingInt(Option::cells)
                    .thenComparingDouble(option -> -option.usableShare())
                    .thenComparingInt(Option::series);

    /// Packs that meet the need by their fitness, then the others by how little stands in their
    /// way.
    public static final Comparator<Option> LEAST_IN_THE_WAY_FIRST =
            Comparator.comparingInt((Option option) -> option.obstacles().size())
                    .thenComparing(FITTEST_FIRST);

    public PackPlan {
        options = List.copyOf(options);
    }

    /// All of them, the best first.
    public List<Option> ranked() {
        return options.stream().sorted(LEAST_IN_THE_WAY_FIRST).toList();
    }

    /// Why a pack stands where it does among the others, in words.
    public String why(Option option) {
        if (!option.isFeasible()) return PlanWords.obstacle(option, option.obstacles().getFirst());
        if (best.isEmpty() || best.get().equals(option))
            return "the fewest cells that meet everything";
        int more = option.cells() - best.get().cells();
        double inside = option.usableShare() - best.get().usableShare();
        return (more == 0 ? "as many cells as " : Count.of(more, "cell", "cells") + " more than ")
                + best.get().arrangement()
                + (Math.abs(inside) < 0.005
                        ? ""
                        : "; %s more of its energy is %s"
                                .formatted(
                                        Quantity.PERCENT.text(100 * Math.abs(inside), 0),
                                        inside > 0 ? "usable" : "left inside"));
    }

    /// Two packs held against each other, in words.
    public String compared(Option one, Option other) {
        return "%s against %s: %s, %s, %s; %s of its energy is usable against %s."
                .formatted(
                        other.arrangement(),
                        one.arrangement(),
                        more(other.cells() - one.cells(), Quantity.COUNT, " cells", 0),
                        more(other.hours() - one.hours(), Quantity.HOURS, "", 1),
                        more(other.kilograms() - one.kilograms(), Quantity.MASS, "", 2),
                        Quantity.PERCENT.text(100 * other.usableShare(), 0),
                        Quantity.PERCENT.text(100 * one.usableShare(), 0));
    }

    private static String more(double by, Quantity quantity, String what, int digits) {
        String amount = quantity.text(Math.abs(by), digits) + what;
        return by == 0 ? "as many" + what : amount + (by > 0 ? " more" : " less");
    }

    /// A pack.
    ///
    /// @param usableShare energy above the low trip ÷ all, both at the steady load
    /// @param usableWattHours at the pack's terminals, at the steady load, until the device stops
    ///   or the pack is empty
    /// @param hours at the steady load
    /// @param kilometres when it is known what one takes
    /// @param steadyAmps of a cell while all loads are on, at the lowest voltage the device still
    ///   runs at
    /// @param peakAmps the same at the peak
    /// @param kilograms with holders, strips, board and leads
    /// @param price of the cells, when one is known
    /// @param limits what it was held against
    public record Option(
            int series,
            int parallel,
            double fullVolts,
            double emptyVolts,
            double usableShare,
            double usableWattHours,
            double hours,
            OptionalDouble kilometres,
            double steadyAmps,
            double peakAmps,
            double kilograms,
            OptionalDouble price,
            List<PackLimit> limits) {
        public Option {
            limits = List.copyOf(limits);
        }

        /// The limits it does not keep; none when it is feasible.
        public List<PackLimit> obstacles() {
            return limits.stream().filter(each -> !each.isKept()).toList();
        }

        /// Whether it goes into the box; empty without one.
        public Optional<Boolean> fits() {
            return limit(Check.BOX).map(PackLimit::isKept);
        }

        /// A limit it was held against; empty where the need sets none.
        Optional<PackLimit> limit(Check check) {
            return limits.stream().filter(each -> each.check() == check).findFirst();
        }

        /// The same pack held against limits.
        Option heldAgainst(List<PackLimit> some) {
            return new Option(
                    series,
                    parallel,
                    fullVolts,
                    emptyVolts,
                    usableShare,
                    usableWattHours,
                    hours,
                    kilometres,
                    steadyAmps,
                    peakAmps,
                    kilograms,
                    price,
                    some);
        }

        public int cells() {
            return series * parallel;
        }

        /// Such as `7S10P`.
        public String arrangement() {
            return series + "S" + parallel + "P";
        }

        /// Its size, as it is chosen.
        public Chosen asChosen() {
            return new Chosen(series, parallel);
        }

        public boolean isFeasible() {
            return limits.stream().allMatch(PackLimit::isKept);
        }
    }
}
