package pentacell.core.circuit;

import java.util.Arrays;
import java.util.List;

/// The charge of a pack at constant current, then at constant voltage.
///
/// The charger gives min(I, (V − E) ÷ R), with E at rest and R of the whole string: its full
/// current until the pack reaches V, then what keeps it there. A balancer takes its current from
/// each group that is over its threshold and over the lowest group. States are followed by the
/// midpoint rule; nothing is lost but heat in the cells (an ampere-hour in is one out).
public final class PackCharge {
    private static final double SECONDS_AN_HOUR = 3600;

    /// A balancer leaves alone what is as near to the lowest group (common practice).
    private static final double BALANCED_VOLTS = 0.005;

    private PackCharge() {}

    /// The charger.
    ///
    /// @param amps its constant current in A, above 0
    /// @param volts its constant voltage in V, for the whole pack
    /// @param endAmps current at which it stops, in A, above 0
    /// @param mostHours when it stops at the latest, in h
    public record Charger(double amps, double volts, double endAmps, double mostHours) {
        public Charger {
            if (!(amps > 0 && endAmps > 0 && volts > 0 && mostHours > 0 && mostHours <= 10_000))
                throw new IllegalArgumentException(
                        "a charger has volts, amps and an end current above 0 and at most 10000 h, was %s V, %s A, %s A, %s h"
                                .formatted(volts, amps, endAmps, mostHours));
        }
    }

    /// The board between charger and cells.
    ///
    /// @param cutOffVolts voltage of a group at which the charge is cut off, in V; infinite when
    ///   nobody watches
    /// @param balanceVolts voltage of a group from which the balancer works, in V
    /// @param balanceAmps what it takes from a group, in A; 0 without one
    public record Board(double cutOffVolts, double balanceVolts, double balanceAmps) {
        /// None.
        public static final Board NONE =
                new Board(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, 0);

        public Board {
            if (!(cutOffVolts > 0 && balanceVolts > 0 && balanceAmps >= 0))
                throw new IllegalArgumentException(
                        "a board cuts off and balances above 0 V, was %s V, %s V, %s A"
                                .formatted(cutOffVolts, balanceVolts, balanceAmps));
        }
    }

    /// Charges a pack.
    ///
    /// @param groups its cells, group by group in series
    /// @param curve the rest curve of its cells
    /// @param shares state of charge of the cells of each group at the begin, 0 to 1
    /// @param stepSeconds width of a step in s, above 0
    public static Charged charge(
            List<List<CircuitCell>> groups,
            VoltageCurve curve,
            List<Double> shares,
            Charger charger,
            Board board,
            double stepSeconds) {
        GroupedCells cells = new GroupedCells(groups, curve);
        if (shares.size() != cells.groups() || !(stepSeconds > 0))
            throw new IllegalArgumentException(
                    "a state of charge for each of %d groups and a step above 0 s are needed, were %d and %s"
                            .formatted(cells.groups(), shares.size(), stepSeconds));
        for (int g = 0; g < cells.groups(); g++)
            Arrays.fill(cells.share, cells.begin[g], cells.begin[g + 1], shares.get(g));
        return new Run(cells, charger, board, stepSeconds).run();
    }

    private static final class Run {
        private final GroupedCells cells;
        private final Charger charger;
        private final Board board;
        private final double step;
        private final double[] bled;
        private final boolean[] isBleeding;

        Run(GroupedCells cells, Charger charger, Board board, double step) {
            this.cells = cells;
            this.charger = charger;
            this.board = board;
            this.step = step;
            bled = new double[cells.groups()];
            isBleeding = new boolean[cells.groups()];
        }

        Charged run() {
            double seconds = 0;
            double constant = 0;
            double coulombs = 0;
            double joules = 0;
            double[] before = new double[cells.cells()];
            double[] middle = new double[cells.cells()];
            double amps = evaluate();
            Charged.EndedBy end = Charged.EndedBy.TIME;
            while (seconds < charger.mostHours() * SECONDS_AN_HOUR) {
                if (amps <= charger.endAmps()) {
                    end = Charged.EndedBy.TAPER;
                    break;
                }
                if (cells.groupVolts[cells.highestGroup()] >= board.cutOffVolts()) {
                    end = Charged.EndedBy.GROUP_OVER;
                    break;
                }
                System.arraycopy(cells.share, 0, before, 0, before.length);
                cells.move(before, cells.amps, step / 2);
                amps = evaluate();
                System.arraycopy(cells.amps, 0, middle, 0, middle.length);
                double volts = Arrays.stream(cells.groupVolts).sum();
                for (int g = 0; g < bled.length; g++)
                    if (isBleeding[g]) bled[g] += board.balanceAmps() * step;
                cells.move(before, middle, step);
                seconds += step;
                coulombs += amps * step;
                joules += amps * volts * step;
                if (amps >= charger.amps()) constant += step;
                amps = evaluate();
            }
            double[] missing = new double[cells.groups()];
            for (int g = 0; g < missing.length; g++)
                missing[g] = (cells.whole[g] - cells.held(g)) / SECONDS_AN_HOUR;
            return new Charged(
                    coulombs / SECONDS_AN_HOUR,
                    joules / SECONDS_AN_HOUR,
                    seconds,
                    constant,
                    end,
                    cells.highestGroup(),
                    Arrays.stream(cells.groupVolts).boxed().toList(),
                    Arrays.stream(missing).boxed().toList(),
                    Arrays.stream(bled).map(each -> each / SECONDS_AN_HOUR).boxed().toList());
        }

        /// The charger's current at the present state, and the voltages and cell currents with it.
        private double evaluate() {
            cells.rest();
            double amps =
                    Math.clamp((charger.volts() - cells.restVolts) / cells.ohms, 0, charger.amps());
            double lowest = Arrays.stream(cells.groupVolts).min().orElse(0);
            for (int g = 0; g < cells.groups(); g++) {
                double volts = cells.groupVolts[g] + amps * cells.groupOhms[g];
                isBleeding[g] =
                        board.balanceAmps() > 0
                                && volts >= board.balanceVolts()
                                && cells.groupVolts[g] > lowest + BALANCED_VOLTS;
                cells.flow(g, -amps + (isBleeding[g] ? board.balanceAmps() : 0));
            }
            return amps;
        }
    }
}
