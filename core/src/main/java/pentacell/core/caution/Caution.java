package pentacell.core.caution;

/// A caution that is shown where it matters. Local codes and licensed practice come before all of
/// them.
public enum Caution {
    SHORT_CIRCUIT(
            Severity.DANGER,
            "Rings and watch off, insulated tools, one lead at a time; cover what you are not working on. A short carries hundreds of amps."),
    CAN_DAMAGE(
            Severity.DANGER,
            "A punctured or crushed can burns. Sand or a steel box within reach, glasses on, never alone."),
    HIGH_VOLTAGE(
            Severity.DANGER,
            "This string can exceed 60 V, the usual limit for dry touch (IEC 61140): leave it to a licensed person where your rules say so."),
    CHARGING(
            Severity.DANGER,
            "Never charge unattended, on wood, or under 0 °C, and never over the limit. Smoke alarm and sand at hand. Warm means stop."),
    REJECTS(
            Severity.DANGER,
            "Rejects: tape both ends, keep them apart outdoors in a steel box, hand them in at a collection point."),
    TRANSPORT(
            Severity.DANGER,
            "Used cells are dangerous goods on the road, damaged ones by special rules (UN 38.3; ADR special provisions 188, 376, 377). Ask the collection point before you drive."),
    GRINDING(
            Severity.NOTICE,
            "Grinding and peeling nickel: glasses on, sparks away from cells and solvents."),
    POLARITY(
            Severity.NOTICE,
            "Meter every cell: on some the thin end of the can is the positive one."),
    WRONG_CHARGER(
            Severity.DANGER,
            "A 4.2 V charger destroys LFP cells: 3.65 V is their limit. Never mix the two chemistries."),
    POUCH_CELLS(
            Severity.DANGER,
            "Pouch cells have no can: they swell, and a fingernail can pierce them. They are not this trade. Leave the pack whole, tape its leads, hand it in."),
    RESCUED(
            Severity.NOTICE,
            "Deeply discharged cells can short inside weeks later. They keep their mark, need a longer hold, and charge only while somebody watches.");

    /// How bad it can get.
    public enum Severity {
        /// Spoils parts, or scratches; may be put away for good.
        NOTICE,
        /// Burns or injures; comes back with every start.
        DANGER
    }

    private final Severity severity;
    private final String words;

    Caution(Severity severity, String words) {
        this.severity = severity;
        this.words = words;
    }

    /// How bad it can get.
    public Severity severity() {
        return severity;
    }

    /// The caution in words.
    public String words() {
        return words;
    }
}
