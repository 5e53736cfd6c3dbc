package pentacell.core.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/// The discharge of a pack from full.
///
/// Each cell is its rest curve and its resistance ([GroupedCells]). At constant power P the current
/// solves I·(E − I·R) = P with E and R of the whole string. The states of charge are followed by
/// [StepFlows]; the end is found within its step. It ends when the first group's voltage under load
/// reaches the end voltage, when a group has no charge left, or when the power can no longer be
/// had.
public final class PackSimulation {
    private static final double SECONDS_AN_HOUR = 3600;
    private static final long MOST_STEPS = 20_000_000;
    private static final int END_BISECTIONS = 40;
    private static final double FOR_EVER = 86_400;

    private final GroupedCells cells;
    private final double endVolts;
    private final double least;
    private final Course course;
    private double drawn;

    /// At the state that was evaluated last.
    private double packAmps;

    private double packVolts;

    private PackSimulation(GroupedCells cells, Load load, double endVolts) {
        this.cells = cells;
        this.course = new Course(load);
        this.endVolts = endVolts;
        least = Arrays.stream(cells.whole).min().orElse(0);
    }

    /// Where in its load a discharge is: parts follow each other, and the first comes after the
    /// last.
    private static final class Course {
        private final List<Load.Part> parts;
        private int at;
        private double left;

        Course(Load load) {
            parts =
                    load instanceof Load.Profile profile
                            ? profile.parts()
                            : List.of(new Load.Part(load, FOR_EVER));
            left = parts.get(0).seconds();
        }

        Load now() {
            return parts.get(at).load();
        }

        /// @return whether another load begins
        boolean pass(double seconds) {
            left -= seconds;
            if (parts.size() == 1 || left > 0) return false;
            at = (at + 1) % parts.size();
            left = parts.get(at).seconds();
            return true;
        }
    }

    /// Hears of every step.
    public interface Listener {
        /// @param groupVolts shared, not to be kept
        void step(double seconds, double packVolts, double amps, double[] groupVolts);
    }

    /// Discharges a pack.
    ///
    /// @param groups its cells, group by group in series
    /// @param curve the rest curve of its cells
    /// @param endVolts voltage of a group under load at which it ends, in V
    /// @param stepSeconds width of a step in s, above 0
    /// @throws IllegalArgumentException when there is no group, an empty one, or the step is so
    ///   small that it would never end
    public static Discharged discharge(
            List<List<CircuitCell>> groups,
            VoltageCurve curve,
            Load load,
            double endVolts,
            double stepSeconds,
            Listener listener) {
        if (!(stepSeconds > 0))
            throw new IllegalArgumentException("a step is above 0 s, was " + stepSeconds);
        return new PackSimulation(new GroupedCells(groups, curve), load, endVolts)
                .run(stepSeconds, listener);
    }

    private Discharged run(double widest, Listener listener) {
        double seconds = 0;
        double energy = 0;
        double worstShare = 0;
        double worstAtStart = 0;
        int worst = 0;
        double[] before = new double[cells.cells()];
        double[] cellHeat = new double[cells.cells()];
        StepFlows flows = new StepFlows(cells, widest);
        Discharged.EndedBy end = evaluate(0);
        for (long steps = 0; ; steps++) {
            listener.step(seconds, packVolts, packAmps, cells.groupVolts);
            if (largestShare() > worstShare) {
                worstShare = largestShare();
                worst = cells.largest;
            }
            if (steps == 0) worstAtStart = worstShare;
            if (end != Discharged.EndedBy.NOTHING) break;
            if (steps >= MOST_STEPS)
                throw new IllegalArgumentException(
                        "the load is so small that %s steps of %s s do not empty the pack"
                                .formatted(MOST_STEPS, widest));
            double step = course.parts.size() == 1 ? widest : Math.min(widest, course.left);
            System.arraycopy(cells.share, 0, before, 0, before.length);
            double passed = step;
            if (!flows.goOn(step, packAmps, packVolts)) {
                cells.move(before, cells.amps, step / 2);
                end = evaluate(drawn + packAmps * step / 2);
                flows.takeFromMiddle(packAmps, packVolts);
            }
            if (end == Discharged.EndedBy.POWER) {
                passed = endWithin(before, flows, step / 2);
            } else {
                cells.move(before, flows.cellAmps, step);
                end = evaluate(drawn + flows.amps() * step);
                if (end != Discharged.EndedBy.NOTHING) passed = endWithin(before, flows, step);
            }
            if (passed < step) end = evaluate(drawn + flows.amps() * passed);
            seconds += passed;
            drawn += flows.amps() * passed;
            energy += flows.watts() * passed;
            for (int i = 0; i < cellHeat.length; i++)
                cellHeat[i] += passed * flows.cellAmps[i] * flows.cellAmps[i];
            if (course.pass(passed)) {
                flows.beginAnew();
                if (end == Discharged.EndedBy.NOTHING) end = evaluate(drawn);
            }
        }
        double heat = 0;
        for (int i = 0; i < cellHeat.length; i++) heat += cellHeat[i] / cells.conductance[i];
        return new Discharged(
                drawn / SECONDS_AN_HOUR,
                energy / SECONDS_AN_HOUR,
                seconds,
                end,
                cells.lowestGroup(),
                Arrays.stream(cells.groupVolts).boxed().toList(),
                Arrays.stream(cells.whole)
                        .map(each -> (each - drawn) / SECONDS_AN_HOUR)
                        .boxed()
                        .toList(),
                heat / SECONDS_AN_HOUR,
                worstShare,
                worstAtStart,
                cells.groupOf(worst),
                worst - cells.begin[cells.groupOf(worst)],
                uses(cellHeat, seconds));
    }

    /// What each cell gave and how warm it ran.
    ///
    /// @param squares ∫ I² dt of each, in A²·s
    private List<List<Discharged.CellUse>> uses(double[] squares, double seconds) {
        List<List<Discharged.CellUse>> groups = new ArrayList<>();
        for (int g = 0; g < cells.groups(); g++) {
            List<Discharged.CellUse> group = new ArrayList<>();
            for (int i = cells.begin[g]; i < cells.begin[g + 1]; i++)
                group.add(
                        new Discharged.CellUse(
                                (1 - cells.share[i]) / cells.shareACoulomb[i] / SECONDS_AN_HOUR,
                                seconds == 0 ? 0 : squares[i] / cells.conductance[i] / seconds));
            groups.add(group);
        }
        return groups;
    }

    /// How many seconds of a step pass before the end; the state is left there.
    private double endWithin(double[] before, StepFlows flows, double step) {
        double low = 0;
        double high = step;
        for (int i = 0; i < END_BISECTIONS; i++) {
            double middle = (low + high) / 2;
            cells.move(before, flows.cellAmps, middle);
            if (evaluate(drawn + flows.amps() * middle) == Discharged.EndedBy.NOTHING) low = middle;
            else high = middle;
        }
        cells.move(before, flows.cellAmps, high);
        return high;
    }

    /// Of all cells the largest part of its group's mean current, at the state evaluated last.
    private double largestShare() {
        return packAmps > 0 ? cells.largestOfMean / packAmps : 0;
    }

    /// Currents and voltages of the present state, and whether it is an end.
    ///
    /// @param coulombs drawn from full until then: in series it is the same of every group
    private Discharged.EndedBy evaluate(double coulombs) {
        cells.rest();
        double under = 0;
        packAmps =
                switch (course.now()) {
                    case Load.Amps constant -> constant.amps();
                    case Load.Watts constant -> {
                        double volts = cells.restVolts;
                        under = volts * volts - 4 * cells.ohms * constant.watts();
                        yield 2 * constant.watts() / (volts + Math.sqrt(Math.max(0, under)));
                    }
                    case Load.Rest rest -> 0;
                    case Load.Profile profile ->
                            throw new IllegalStateException("a part of a profile is no profile");
                };
        packVolts = cells.restVolts - packAmps * cells.ohms;
        double lowest = cells.flow(packAmps);
        if (under < 0) return Discharged.EndedBy.POWER;
        if (lowest <= endVolts) return Discharged.EndedBy.VOLTAGE;
        return coulombs >= least ? Discharged.EndedBy.CHARGE : Discharged.EndedBy.NOTHING;
    }
}
