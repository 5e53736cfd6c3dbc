package pentacell.core.plan.facts;

/// Something that draws from a pack.
///
/// @param name what it is, may be empty
/// @param watts while it is on, in W, above 0
/// @param share of the time that it is on, above 0 to 1
/// @param peakWatts for moments, in W; at least `watts`
public record LoadItem(String name, double watts, double share, double peakWatts) {
    private static final double MOST_WATTS = 1e7;

    public LoadItem {
        if (!(watts > 0 && watts <= MOST_WATTS))
            throw new IllegalArgumentException(
                    "steadyWatts is above 0 and at most 10000000 W, was " + watts);
        if (!(share > 0 && share <= 1))
            throw new IllegalArgumentException(
                    "a load is on for above 0 and at most 100 %% of the time, was %s %%"
                            .formatted(100 * share));
        if (!(peakWatts >= watts && peakWatts <= MOST_WATTS))
            throw new IllegalArgumentException(
                    "peakWatts is at least the steady %s W, was %s".formatted(watts, peakWatts));
    }

    /// What it draws on the mean, in W.
    public double meanWatts() {
        return watts * share;
    }
}
