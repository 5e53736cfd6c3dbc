package pentacell.core.plan.facts;

/// What stands between pack and load, such as an inverter.
///
/// @param efficiency what comes out ÷ what goes in, above 0 to 1
/// @param idleWatts what it draws by itself, in W
public record Losses(double efficiency, double idleWatts) {
    /// Nothing stands between.
    public static final Losses NONE = new Losses(1, 0);

    public Losses {
        if (!(efficiency > 0 && efficiency <= 1))
            throw new IllegalArgumentException(
                    "efficiency is above 0 and at most 1, was " + efficiency);
        if (!(idleWatts >= 0 && idleWatts <= 1e6))
            throw new IllegalArgumentException("idleWatts is 0 to 1000000 W, was " + idleWatts);
    }

    /// What is drawn from the pack, in W.
    ///
    /// @param watts at the load, in W
    public double fromPack(double watts) {
        return watts / efficiency + idleWatts;
    }
}
