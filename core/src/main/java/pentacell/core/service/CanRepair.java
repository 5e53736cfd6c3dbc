package pentacell.core.service;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.build.SwapAdvice;
import pentacell.core.service.CanSearch.Can;

/// What is done with a can that was found.
///
/// @param can as it was found
/// @param group from 0
/// @param way what is done with it
/// @param reason why, in words
/// @param volts of the bar it is joined to, at rest
/// @param inrushAmps that flow at the first moment if it were joined as it is
/// @param allowedAmps what its fuse or itself bears
/// @param milliampHours to be brought in first, below 0 to be taken out; 0 when it may be joined as
///   it is
/// @param hours that takes, gently
/// @param strips to be opened to take it out
/// @param replacement the best cell for its place, when one is to take it
public record CanRepair(
        Can can,
        int group,
        Way way,
        String reason,
        double volts,
        double inrushAmps,
        double allowedAmps,
        double milliampHours,
        double hours,
        int strips,
        Optional<Replacement> replacement) {
    /// Brought nearer at this part of its capacity an hour (common practice: 0.2 C).
    private static final double GENTLY_AN_HOUR = 0.2;

    /// What is done with a can.
    public enum Way {
        /// Join it as it is.
        RECONNECT("join it again"),
        /// Bring it to the bar's voltage, then join it.
        BRING_FIRST("bring it to the bar's voltage, then join it"),
        /// It lost charge by itself since it came off.
        TEST_FIRST("test its capacity and hold first"),
        /// It is below the end voltage, overcharged, or warms itself.
        REPLACE("replace it");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        /// In words.
        public String words() {
            return words;
        }
    }

    /// The cell that takes a place.
    ///
    /// @param volts it rests at as it was read last; empty when that is not known
    /// @param milliampHours to be brought in first, below 0 to be taken out; empty when its voltage
    ///   is not known
    /// @param hours that takes, gently
    public record Replacement(
            SwapAdvice swap,
            OptionalDouble volts,
            OptionalDouble milliampHours,
            OptionalDouble hours) {}

    /// How long it takes to bring a charge in or out gently, in h.
    static double gently(double milliampHours, double ampHours) {
        return Math.abs(milliampHours) / 1000 / (GENTLY_AN_HOUR * ampHours);
    }
}
