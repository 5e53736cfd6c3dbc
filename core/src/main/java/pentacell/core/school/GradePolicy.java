package pentacell.core.school;

import java.util.OptionalDouble;

/// The limits a cell is graded by.
///
/// @param minSohShare least measured ÷ rated capacity, 0.8 by common practice; a school of second
///   lives keeps 0.6 to 0.7 for packs of low drain
/// @param maxMilliohms highest resistance of a can in mΩ, above 0; empty for none
public record GradePolicy(double minSohShare, OptionalDouble maxMilliohms) {
    /// Below 80 % of rated a cell takes more room than it gives energy (common practice).
    public static final GradePolicy USUAL = new GradePolicy(0.80, OptionalDouble.empty());

    public GradePolicy {
        if (!(minSohShare >= 0 && minSohShare <= 2))
            throw new IllegalArgumentException(
                    "least state of health must be 0 to 200 %, was " + 100 * minSohShare);
        if (maxMilliohms.isPresent() && !(maxMilliohms.getAsDouble() > 0))
            throw new IllegalArgumentException(
                    "the highest resistance must be above 0 mΩ, was " + maxMilliohms);
    }

    /// With another least state of health.
    public GradePolicy withMinSoh(double share) {
        return new GradePolicy(share, maxMilliohms);
    }

    /// With another highest resistance.
    public GradePolicy withMaxMilliohms(OptionalDouble milliohms) {
        return new GradePolicy(minSohShare, milliohms);
    }
}
