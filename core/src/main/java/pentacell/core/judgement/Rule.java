package pentacell.core.judgement;

import pentacell.core.unit.Quantity;

/// Every rule a judgement can name, with the quantity it looks at and its sentence.
///
/// In a sentence `{figure}`, `{limit}` and `{note}` stand for what the [Reason] carries.
public enum Rule {
    VOLTAGE_IN_BAND(
            Quantity.VOLTAGE, "First voltage {figure} is in the band from {limit}: {note}."),
    VOLTAGE_REVERSED(
            Quantity.VOLTAGE, "Voltage {figure} is under 0 V: reversed leads or a reversed cell."),
    VOLTAGE_OVER_LIMIT(Quantity.VOLTAGE, "First voltage {figure} is over {limit}: {note}."),
    NO_VOLTAGE(Quantity.VOLTAGE, "No voltage has been read yet."),
    NO_CAPACITY(Quantity.CAPACITY, "No capacity has been measured yet."),
    NO_MODEL(Quantity.CAPACITY, "The model is not known, so there is no rating to compare with."),
    SOH_UNDER_LIMIT(
            Quantity.PERCENT,
            "Measured capacity is {figure} of rated, under the limit of {limit}."),
    SOH_OVER_LIMIT(
            Quantity.PERCENT,
            "Measured capacity is {figure} of rated, at or over the limit of {limit}."),
    CAPACITY_OVER_RATING(
            Quantity.PERCENT,
            "Measured capacity is {figure} of rated, over {limit}: wrong model, or the instrument reads high."),
    RESISTANCE_HIGH(
            Quantity.RESISTANCE,
            "Internal resistance {figure} is over {limit}, poor for this use."),
    WAS_DEEPLY_DISCHARGED(
            Quantity.VOLTAGE,
            "Was read at {figure}, under {limit}: rescued cells stay marked and need a longer hold test."),
    RESISTANCE_UNUSUAL(Quantity.RESISTANCE, "{figure} is unusual for a single cell: {note}."),
    CAPACITY_FAR_UNDER_RATING(
            Quantity.PERCENT,
            "Measured capacity is {figure} of rated, under {limit}: wrong cut-off, or the cell is dying."),
    CAPACITY_CHANGED(
            Quantity.CAPACITY, "{figure} is far from the last reading of {limit}: right cell?"),
    READ_TWICE(Quantity.COUNT, "{note} stands twice in the line."),
    NOT_UNDERSTOOD(Quantity.COUNT, "{note}"),
    CELL_IS_NEW(Quantity.COUNT, "New cell{note}."),
    DECIDED_BY_HAND(Quantity.COUNT, "Decided otherwise by hand: {note}.");

    private final Quantity quantity;
    private final String pattern;

    Rule(Quantity quantity, String pattern) {
        this.quantity = quantity;
        this.pattern = pattern;
    }

    /// The quantity of figure and limit.
    public Quantity quantity() {
        return quantity;
    }

    String sentence(Reason reason) {
        return pattern.replace("{figure}", quantity.text(reason.figure()))
                .replace("{limit}", quantity.text(reason.limit()))
                .replace("{note}", reason.note());
    }
}
