package pentacell.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RestingLevel;
import pentacell.core.circuit.RestCurve;
import pentacell.core.unit.Middle;

/// Whether cells, or groups, may be joined in parallel as they rest, and what flows when they are.
///
/// At the first moment they share one voltage U = Σ(V ÷ R) ÷ Σ(1 ÷ R), and each gives (V − U) ÷ R.
/// In the end all rest at one voltage, at which together they hold the charge that they had: each
/// by its rest curve.
public final class JoinCheck {
    /// No more apart is good (common practice).
    public static final double GOOD_VOLTS = 0.02;

    /// No more apart may be joined (common practice).
    public static final double MOST_VOLTS = 0.05;

    /// No more apart may be joined when each has a fuse (common practice).
    public static final double MOST_FUSED_VOLTS = 0.15;

    /// What a cell takes or gives for a moment, of its capacity an hour (common practice).
    public static final double MOST_AN_HOUR = 1;

    private static final int BISECTIONS = 60;

    private JoinCheck() {}

    /// A cell or a group before it is joined.
    ///
    /// @param id of the cell, or a name of the group
    /// @param volts at rest, in V
    /// @param ampHours its capacity, above 0
    /// @param ohms its resistance with its fuses, above 0
    /// @param cans it is made of, each behind its own fuse where there are any
    public record Part(CellId id, double volts, double ampHours, double ohms, int cans) {
        public Part {
            if (!(ampHours > 0 && ohms > 0 && cans > 0))
                throw new IllegalArgumentException(
                        "%s has above 0 Ah, 0 Ω and 0 cans, was %s, %s and %s"
                                .formatted(id, ampHours, ohms, cans));
        }
    }

    /// How far apart they are.
    public enum Level {
        /// Join them.
        GOOD,
        /// Join them; a little flows.
        MAY,
        /// Only with a fuse on each.
        FUSED_ONLY,
        /// Even them out first.
        FIRST_EVEN,
        /// One is below its end voltage or overcharged: it is never joined.
        NEVER
    }

    /// What becomes of one.
    ///
    /// @param firstAmps it gives at the first moment; below 0 what it takes
    /// @param milliampHours it gives until all rest; below 0 what it takes
    public record Flow(Part part, double firstAmps, double milliampHours) {
        /// Whether that is more than a cell should take or give.
        public boolean isTooMuch() {
            return Math.abs(firstAmps) > MOST_AN_HOUR * part.ampHours() * (1 + 1e-9);
        }
    }

    /// One that is to be brought nearer first.
    ///
    /// @param toVolts where to stop, at rest, in V
    /// @param milliampHours what that takes; below 0 what must come out
    public record Bring(Part part, double toVolts, double milliampHours) {
        /// How long that takes, in h.
        ///
        /// @param amps of the charger or load, above 0
        public double hours(double amps) {
            return Math.abs(milliampHours) / 1000 / amps;
        }
    }

    /// The verdict.
    ///
    /// @param spreadVolts highest minus lowest
    /// @param settledVolts where all rest in the end
    /// @param flows of each, in their order
    /// @param never those below the end voltage or overcharged, which are replaced
    /// @param bring those that must be brought nearer first, the farthest first
    public record Verdict(
            Level level,
            double spreadVolts,
            double settledVolts,
            List<Flow> flows,
            List<Part> never,
            List<Bring> bring) {
        public Verdict {
            flows = List.copyOf(flows);
            never = List.copyOf(never);
            bring = List.copyOf(bring);
        }

        /// The largest current at the first moment, in A.
        public double mostAmps() {
            return flows.stream().mapToDouble(flow -> Math.abs(flow.firstAmps())).max().orElse(0);
        }

        /// The largest current through a can, and so through its fuse, at the first moment, in A.
        public double mostAmpsOfACan() {
            return flows.stream()
                    .mapToDouble(flow -> Math.abs(flow.firstAmps()) / flow.part().cans())
                    .max()
                    .orElse(0);
        }

        /// The cell that is worked hardest at the first moment, when that is more than it should
        /// take.
        public Optional<Flow> tooMuch() {
            return flows.stream()
                    .filter(Flow::isTooMuch)
                    .max(Comparator.comparingDouble(flow -> Math.abs(flow.firstAmps())));
        }

        /// Whether they may be joined as they are.
        public boolean mayJoin(boolean hasFuses) {
            return level == Level.GOOD
                    || level == Level.MAY
                    || hasFuses && level == Level.FUSED_ONLY;
        }
    }

    /// Judges parts that are to be joined.
    ///
    /// @param parts one or more
    public static Verdict of(List<Part> parts, Chemistry chemistry) {
        RestCurve curve = RestCurve.of(chemistry);
        if (parts.isEmpty()) throw new IllegalArgumentException("there is nothing to join");
        double highest = parts.stream().mapToDouble(Part::volts).max().orElseThrow();
        double lowest = parts.stream().mapToDouble(Part::volts).min().orElseThrow();
        double spread = highest - lowest;
        double conductance = parts.stream().mapToDouble(each -> 1 / each.ohms()).sum();
        double shared =
                parts.stream().mapToDouble(each -> each.volts() / each.ohms()).sum() / conductance;
        double settled = settled(parts, curve, lowest, highest);
        List<Flow> flows = new ArrayList<>();
        for (Part each : parts)
            flows.add(
                    new Flow(
                            each,
                            (each.volts() - shared) / each.ohms(),
                            1000 * held(each, each.volts(), settled, curve)));
        List<Part> fit =
                parts.stream()
                        .filter(each -> RestingLevel.of(chemistry, each.volts()).mayBeEvenedOut())
                        .toList();
        List<Part> never = parts.stream().filter(each -> !fit.contains(each)).toList();
        Level level = never.isEmpty() ? level(spread) : Level.NEVER;
        return new Verdict(
                level,
                spread,
                settled,
                flows,
                never,
                level == Level.GOOD || level == Level.MAY ? List.of() : bring(fit, curve));
    }

    private static Level level(double spread) {
        // a meter's last digit must not decide
        double hair = 1e-9;
        if (spread <= GOOD_VOLTS + hair) return Level.GOOD;
        if (spread <= MOST_VOLTS + hair) return Level.MAY;
        return spread <= MOST_FUSED_VOLTS + hair ? Level.FUSED_ONLY : Level.FIRST_EVEN;
    }

    /// Charge between two rest voltages, in Ah.
    private static double held(Part part, double from, double to, RestCurve curve) {
        return part.ampHours() * (curve.share(from) - curve.share(to));
    }

    private static double settled(
            List<Part> parts, RestCurve curve, double lowest, double highest) {
        double whole = parts.stream().mapToDouble(Part::ampHours).sum();
        double held =
                parts.stream()
                        .mapToDouble(each -> each.ampHours() * curve.share(each.volts()))
                        .sum();
        double low = lowest;
        double high = highest;
        for (int i = 0; i < BISECTIONS; i++) {
            double middle = (low + high) / 2;
            if (whole * curve.share(middle) < held) low = middle;
            else high = middle;
        }
        return (low + high) / 2;
    }

    /// Those beyond what the middle of all allows; half a good difference is where they stop.
    private static List<Bring> bring(List<Part> parts, RestCurve curve) {
        if (parts.isEmpty()) return List.of();
        double middle = Middle.of(parts.stream().mapToDouble(Part::volts).toArray());
        return parts.stream()
                .filter(each -> Math.abs(each.volts() - middle) > MOST_VOLTS / 2)
                .sorted(
                        Comparator.comparingDouble((Part each) -> Math.abs(each.volts() - middle))
                                .reversed()
                                .thenComparing(Part::id))
                .map(each ->
                        new Bring(each, middle, -1000 * held(each, each.volts(), middle, curve)))
                .toList();
    }
}
