package pentacell.core.cell;

/// Where the voltage of a cell or group at rest lies: what may be plugged in, balanced or joined.
public enum RestingLevel {
    /// Below 2 V: never balanced, never joined.
    DEEPLY_EMPTY,
    /// Below the end voltage.
    BELOW_END,
    /// From the end voltage to the charge limit.
    WITHIN,
    /// Above the charge limit by 0.05 V at most.
    ABOVE_LIMIT,
    /// Further above the charge limit: never balanced, never joined.
    OVERCHARGED;

    /// A group below this is never balanced, in V (common practice).
    public static final double DEEPLY_EMPTY_VOLTS = 2.0;

    /// A cell this far above its charge limit is overcharged, in V (common practice).
    public static final double OVERCHARGED_BY_VOLTS = 0.05;

    /// The last digit of a reading must not decide.
    private static final double HAIR = 1e-9;

    /// The level of a voltage at rest. What is not a number is the worst there is.
    ///
    /// @param volts at rest, in V
    public static RestingLevel of(Chemistry chemistry, double volts) {
        return of(chemistry, volts, 0);
    }

    /// The same for a reading that may be off.
    ///
    /// @param volts at rest, in V
    /// @param off what the reading may be off by, 0 or more, in V: within that, the limits are kept
    public static RestingLevel of(Chemistry chemistry, double volts, double off) {
        double limit = chemistry.chargeLimitVolts();
        if (!(volts >= DEEPLY_EMPTY_VOLTS - HAIR)) return DEEPLY_EMPTY;
        if (volts > limit + OVERCHARGED_BY_VOLTS + HAIR) return OVERCHARGED;
        if (volts < chemistry.endVolts() - off - HAIR) return BELOW_END;
        return volts > limit + off + HAIR ? ABOVE_LIMIT : WITHIN;
    }

    /// Whether a cell or group at this level may be brought to another's voltage and joined to it.
    public boolean mayBeEvenedOut() {
        return this == WITHIN || this == ABOVE_LIMIT;
    }
}
