package pentacell.core.unit;

/// What a reading can be at all, in the one place that everybody asks. Anything outside was
/// mistyped or misread.
public enum Limit {
    /// Voltage in V, −10 to 10: a reversed reading is a fact as well.
    VOLTAGE(-10, 10, "a cell reads −10 to 10 V", "a voltage from −10 to 10 V"),
    /// Internal resistance in mΩ, above 0 and at most 10000.
    RESISTANCE(
            Double.MIN_VALUE,
            10_000,
            "a resistance is above 0 and at most 10000 mΩ",
            "a resistance above 0 and up to 10000 mΩ"),
    /// Capacity in mAh, above 0 and at most 100000.
    CAPACITY(
            Double.MIN_VALUE,
            100_000,
            "a capacity is above 0 and at most 100000 mAh",
            "a capacity above 0 and up to 100000 mAh"),
    /// Current in A, above 0 and under 1000.
    CURRENT(
            Double.MIN_VALUE,
            Math.nextDown(1000),
            "a current is above 0 and under 1000 A",
            "a current above 0 and under 1000 A"),
    /// Temperature of a cell under test in °C, above −40 and under 80.
    TEMPERATURE(
            Math.nextUp(-40),
            Math.nextDown(80),
            "a cell is tested above −40 and under 80 °C",
            "a temperature above −40 and under 80 °C"),
    /// What a thermometer can read on a can or beside it in °C, −50 to 500: a can that burns is a
    /// fact as well.
    WARMTH(-50, 500, "a thermometer reads −50 to 500 °C", "a temperature from −50 to 500 °C"),
    /// Voltage of a donor in V, −1000 to 1000.
    DONOR_VOLTAGE(-1000, 1000, "a donor reads −1000 to 1000 V", "a voltage from −1000 to 1000 V"),
    /// Voltage of a whole pack in V, −10000 to 10000.
    PACK_VOLTAGE(
            -10_000, 10_000, "a pack reads −10000 to 10000 V", "a voltage from −10000 to 10000 V"),
    /// Current of a whole pack in A, −10000 to 10000.
    PACK_CURRENT(
            -10_000, 10_000, "a pack has −10000 to 10000 A", "a current from −10000 to 10000 A"),
    /// Charge that a group gives in Ah, above 0 and at most 100000.
    GROUP_CHARGE(
            Double.MIN_VALUE,
            100_000,
            "a group gives above 0 and up to 100000 Ah",
            "a charge above 0 and up to 100000 Ah"),
    /// Energy that a group gives in Wh, above 0 and at most 1000000.
    GROUP_ENERGY(
            Double.MIN_VALUE,
            1_000_000,
            "a group gives above 0 and up to 1000000 Wh",
            "an energy above 0 and up to 1000000 Wh"),
    /// Drop along a busbar in mV, 0 to 100000.
    BAR_DROP(0, 100_000, "a busbar drops 0 to 100000 mV", "a drop from 0 to 100000 mV");

    private final double least;
    private final double most;
    private final String sentence;
    private final String expected;

    Limit(double least, double most, String sentence, String expected) {
        this.least = least;
        this.most = most;
        this.sentence = sentence;
        this.expected = expected;
    }

    /// Whether a value can be; not a number never can.
    public boolean holds(double value) {
        return value >= least && value <= most;
    }

    /// The least that can be.
    public double least() {
        return least;
    }

    /// The most that can be.
    public double most() {
        return most;
    }

    /// What can be, as a sentence without its stop.
    public String sentence() {
        return sentence;
    }

    /// What can be, as one would ask for it.
    public String expected() {
        return expected;
    }

    /// Passes a value on that can be.
    ///
    /// @throws IllegalArgumentException when it cannot
    public double checked(double value) {
        if (!holds(value)) throw new IllegalArgumentException(sentence + ", was " + value);
        return value;
    }
}
