package pentacell.core.pack;

/// A school of matching with its figure.
///
/// @param figure for narrow bins the width of the bin in mAh, 1 to 10000; for a tight population
///   how many σ from the mean, 0.1 to 6; 0 for the others
public record MatchPolicy(MatchSchool school, double figure) {
    /// Equal sums.
    public static final MatchPolicy EQUAL_SUMS = of(MatchSchool.EQUAL_SUMS);

    /// A bin's width in mAh (common practice).
    public static final double USUAL_BIN_MILLIAMP_HOURS = 100;

    /// How many σ a population is kept to (common practice).
    public static final double USUAL_SIGMAS = 2;

    public MatchPolicy {
        boolean holds =
                switch (school) {
                    case NARROW_BINS -> figure >= 1 && figure <= 10_000;
                    case TIGHT_POPULATION -> figure >= 0.1 && figure <= 6;
                    case EQUAL_SUMS, RESISTANCE_FIRST, AS_THEY_COME -> figure == 0;
                };
        if (!holds)
            throw new IllegalArgumentException(
                    "a bin is 1 to 10000 mAh wide, a population keeps within 0.1 to 6 σ, was "
                            + figure);
    }

    /// A school with its usual figure.
    public static MatchPolicy of(MatchSchool school) {
        return new MatchPolicy(
                school,
                switch (school) {
                    case NARROW_BINS -> USUAL_BIN_MILLIAMP_HOURS;
                    case TIGHT_POPULATION -> USUAL_SIGMAS;
                    case EQUAL_SUMS, RESISTANCE_FIRST, AS_THEY_COME -> 0;
                });
    }
}
