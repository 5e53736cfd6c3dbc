package pentacell.core.grade;

/// The limits a cell is graded by.
///
/// @param minSohShare least measured ÷ rated capacity, 0.8 by common practice
public record GradePolicy(double minSohShare) {
    /// Below 80 % of rated a cell takes more room than it gives energy (common practice).
    public static final GradePolicy USUAL = new GradePolicy(0.80);

    public GradePolicy {
        if (!(minSohShare >= 0 && minSohShare <= 2))
            throw new IllegalArgumentException(
                    "least state of health must be 0 to 200 %, was " + 100 * minSohShare);
    }
}
