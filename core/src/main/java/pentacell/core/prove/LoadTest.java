package pentacell.core.prove;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/// What a load test of a whole pack came to.
///
/// @param ampHours given under load, in Ah
/// @param wattHours the same at the pack's terminals, in Wh
/// @param seconds from the load's begin to its end
/// @param reachedEnd whether a group came down to the end voltage
/// @param endedByGroup the group that was lowest at the end, from 0
/// @param meanAmps while it was loaded
/// @param restSpreadMillivolts highest less lowest group, rested at least five minutes after the
///   load
/// @param packMilliohms from the steps of the load
/// @param replaceFirst the group that limits by its capacity, from 0
/// @param groups what each group did
public record LoadTest(
        double ampHours,
        double wattHours,
        double seconds,
        boolean reachedEnd,
        int endedByGroup,
        double meanAmps,
        OptionalDouble restSpreadMillivolts,
        OptionalDouble packMilliohms,
        OptionalInt replaceFirst,
        List<Group> groups) {
    public LoadTest {
        groups = List.copyOf(groups);
    }

    /// What a group did.
    ///
    /// @param endVolts under load at the end
    /// @param restVolts rested after the load
    /// @param milliohms from the steps of the load
    /// @param missingAmpHours what it had less at the end than the best group, in Ah
    /// @param cause why it fell short, if it did
    /// @param orStartedLow whether a group of low capacity may as well have started low: at its
    ///   voltage before the load, which a flat curve has at most states of charge, nothing tells
    public record Group(
            double endVolts,
            OptionalDouble restVolts,
            OptionalDouble milliohms,
            double missingAmpHours,
            Cause cause,
            boolean orStartedLow) {}

    /// Why a group falls short.
    public enum Cause {
        OK,
        LOW_CAPACITY,
        STARTED_LOW,
        HIGH_RESISTANCE;

        /// The name used in files.
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }
}
