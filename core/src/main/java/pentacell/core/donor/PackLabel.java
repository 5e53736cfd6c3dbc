package pentacell.core.donor;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;

/// The rating printed on a donor.
///
/// @param volts nominal voltage in V
/// @param ampHours capacity in Ah
/// @param wattHours energy in Wh
public record PackLabel(OptionalDouble volts, OptionalDouble ampHours, OptionalDouble wattHours) {
    /// A label that cannot be read.
    public static final PackLabel NONE =
            new PackLabel(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());

    /// Makers round their figures; what differs by more was misread or misprinted.
    private static final double ROUNDING_SHARE = 0.06;

    public PackLabel {
        check("voltage", volts, 2000);
        check("capacity", ampHours, 10_000);
        check("energy", wattHours, 1_000_000);
    }

    private static void check(String what, OptionalDouble value, double most) {
        if (value.isPresent() && !(value.getAsDouble() > 0 && value.getAsDouble() <= most))
            throw new IllegalArgumentException(
                    "a label's %s is above 0 and at most %s, was %s"
                            .formatted(what, most, value.getAsDouble()));
    }

    /// What the energy should be: voltage × capacity, empty until both are known.
    public OptionalDouble expectedWattHours() {
        return volts.isPresent() && ampHours.isPresent()
                ? OptionalDouble.of(volts.getAsDouble() * ampHours.getAsDouble())
                : OptionalDouble.empty();
    }

    /// What is odd when the printed energy is not voltage × capacity.
    public Optional<Reason> oddity() {
        OptionalDouble expected = expectedWattHours();
        if (expected.isEmpty() || wattHours.isEmpty()) return Optional.empty();
        double share = wattHours.getAsDouble() / expected.getAsDouble();
        return Math.abs(share - 1) > ROUNDING_SHARE
                ? Optional.of(
                        Reason.of(
                                Rule.LABEL_DISAGREES,
                                wattHours.getAsDouble(),
                                expected.getAsDouble()))
                : Optional.empty();
    }

    /// The chemistry that the voltage of a group suggests: nominal 3.2 to 3.3 V is iron phosphate,
    /// 3.6 to 3.85 V the 4.2 V class (common practice).
    public Optional<Chemistry> chemistry(int series) {
        if (volts.isEmpty()) return Optional.empty();
        double each = volts.getAsDouble() / series;
        if (each >= 3.10 && each < 3.45) return Optional.of(Chemistry.LFP);
        return each >= 3.45 && each < 3.95 ? Optional.of(Chemistry.NMC) : Optional.empty();
    }
}
