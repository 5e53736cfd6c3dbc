package pentacell.instruments.simulated;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;

/// A pack that is not there: groups with their charge and resistance, read with a board's noise.
/// Methods may be called from any thread; they follow one another.
public final class VirtualPack {
    /// An empty group that is drawn from collapses: so much for its whole charge, in V.
    private static final double COLLAPSE_VOLTS = 40;

    private static final double LEAST_LEFT = -0.05;
    private static final double NOISE_VOLTS = 0.0004;

    private final List<Group> groups;
    private final RestCurve curve;
    private final double[] left;
    private final Random random;
    private double amps;
    private double seconds;

    /// A group in truth.
    ///
    /// @param ampHours from full to empty, above 0
    /// @param ohms of the group, 0 or more
    public record Group(double ampHours, double ohms) {
        public Group {
            if (!(ampHours > 0 && ohms >= 0 && ohms < Double.POSITIVE_INFINITY))
                throw new IllegalArgumentException(
                        "a group has above 0 Ah and 0 Ω or more, was %s and %s"
                                .formatted(ampHours, ohms));
        }
    }

    /// A pack that is full.
    ///
    /// @param groups in series order, one or more
    public VirtualPack(List<Group> groups, Chemistry chemistry, long seed) {
        if (groups.isEmpty()) throw new IllegalArgumentException("a pack has a group");
        this.groups = List.copyOf(groups);
        curve = RestCurve.of(chemistry);
        left = new double[groups.size()];
        java.util.Arrays.fill(left, 1);
        random = new Random(seed);
    }

    /// Draws so much from now on, in A; below 0 charges.
    synchronized void draw(double wanted) {
        amps = wanted;
    }

    /// Lets time pass.
    synchronized void pass(double passed) {
        seconds += passed;
        for (int g = 0; g < left.length; g++)
            left[g] =
                    Math.clamp(
                            left[g] - amps * passed / 3600 / groups.get(g).ampHours(),
                            LEAST_LEFT,
                            1);
    }

    /// What a board reads now.
    ///
    /// @param seconds since the pack began
    record Read(double seconds, double amps, List<Double> volts) {}

    synchronized Read read() {
        List<Double> volts = new ArrayList<>();
        for (int g = 0; g < left.length; g++)
            volts.add(
                    curve.volts(Math.max(0, left[g]))
                            + COLLAPSE_VOLTS * Math.min(0, left[g])
                            - amps * groups.get(g).ohms()
                            + NOISE_VOLTS * random.nextGaussian());
        return new Read(seconds, amps, volts);
    }
}
