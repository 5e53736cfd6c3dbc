package pentacell.core.pack;

/// What the freedom below the meter's noise is spent on, and how much each counts.
///
/// The spread of IR *inside* groups is not among them: when the groups' resistances are even, the
/// squares of all spreads add up to what the lot has, and no deal changes that; a limit does.
///
/// @param resistance weight of even group resistances, by squares of 1 %; 0 to 100
/// @param donors weight of cell pairs of a group that come from one donor; 0 to 100
/// @param models weight of cell pairs of a group that are of one model; 0 to 100
public record EveningWeights(double resistance, double donors, double models) {
    /// Resistances first; donors decide where those are even, then models.
    public static final EveningWeights USUAL = new EveningWeights(1, 0.05, 0.01);

    public EveningWeights {
        for (double weight : new double[] {resistance, donors, models})
            if (!(weight >= 0 && weight <= 100))
                throw new IllegalArgumentException("a weight is 0 to 100, was " + weight);
    }
}
