package pentacell.core.grade;

import pentacell.core.triage.OddValues;

/// The limits a cell is graded by.
///
/// @param minSohShare least measured ÷ rated capacity, 0.8 by common practice
/// @param poorMilliohms resistance that is remarked on, in mΩ
public record GradePolicy(double minSohShare, double poorMilliohms) {
    /// Below 80 % of rated a cell takes more room than it gives energy (common practice).
    public static final GradePolicy USUAL = new GradePolicy(0.80, OddValues.POOR_MILLIOHMS);

    public GradePolicy {
        if (!(minSohShare >= 0 && minSohShare <= 2))
            throw new IllegalArgumentException(
                    "least state of health must be 0 to 200 %, was " + 100 * minSohShare);
        if (!(poorMilliohms > 0))
            throw new IllegalArgumentException("a limit of IR is above 0 mΩ, was " + poorMilliohms);
    }
}
