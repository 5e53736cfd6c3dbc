package pentacell.core.plan.facts;

/// The pack that was chosen for a need.
///
/// @param series groups, 1 to 400
/// @param parallel cells in each, 1 to 2000
public record Chosen(int series, int parallel) {
    public Chosen {
        if (series < 1 || series > 400 || parallel < 1 || parallel > 2000)
            throw new IllegalArgumentException(
                    "a pack has 1 to 400 groups of 1 to 2000 cells, was %d and %d"
                            .formatted(series, parallel));
    }

    /// Such as `7S10P`.
    public String arrangement() {
        return series + "S" + parallel + "P";
    }

    /// How many cells it takes.
    public int cells() {
        return series * parallel;
    }
}
