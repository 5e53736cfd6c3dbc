package pentacell.core.measure;

/// What a discharge gave, from its start to its end voltage.
///
/// @param milliampHours capacity in mAh
/// @param wattHours energy in Wh
/// @param meanVolts energy ÷ capacity, in V
/// @param midVolts voltage when half of the capacity was out, in V
/// @param startVolts voltage before the current began, in V
/// @param lastVolts lowest voltage it was followed to, in V
/// @param endVolts voltage it was to end at, in V; the lowest reached when none was stated
/// @param reachedEnd whether it got there
/// @param meanAmps mean current while it flowed, in A
/// @param seconds time the current flowed, in s
/// @param startSeconds time of its first sample, in s
/// @param endSeconds time it reached its end, in s
public record Discharge(
        double milliampHours,
        double wattHours,
        double meanVolts,
        double midVolts,
        double startVolts,
        double lastVolts,
        double endVolts,
        boolean reachedEnd,
        double meanAmps,
        double seconds,
        double startSeconds,
        double endSeconds) {}
