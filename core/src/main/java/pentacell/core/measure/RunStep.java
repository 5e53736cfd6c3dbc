package pentacell.core.measure;

/// A stretch of a log in which one thing was done.
///
/// @param kind what was done
/// @param first index of its first sample
/// @param last index of its last sample
/// @param startSeconds time of the first sample
/// @param endSeconds time of the last sample
/// @param milliampHours charge moved, in mAh, never negative
public record RunStep(
        StepKind kind,
        int first,
        int last,
        double startSeconds,
        double endSeconds,
        double milliampHours) {

    /// How long it took, in s.
    public double seconds() {
        return endSeconds - startSeconds;
    }
}
