package pentacell.core.unit;

import java.util.Locale;

/// A kind of measured number, with its unit and the digits a bench instrument honestly gives.
public enum Quantity {
    /// Cell and group voltage in V.
    VOLTAGE("V", 3),
    /// Capacity in mAh.
    CAPACITY("mAh", 0),
    /// Internal resistance in mΩ.
    RESISTANCE("mΩ", 1),
    /// Current in A.
    CURRENT("A", 2),
    /// Charge of a group or pack in Ah.
    CHARGE("Ah", 2),
    /// Energy in Wh.
    ENERGY("Wh", 1),
    /// Time in hours.
    HOURS("h", 1),
    /// A small difference of voltage, in mV.
    MILLIVOLTS("mV", 0),
    /// Self-discharge in mV a day.
    MILLIVOLTS_A_DAY("mV/d", 1),
    /// Loss of charge in percent a month.
    PERCENT_A_MONTH("%/month", 1),
    /// A difference of temperature, in K.
    TEMPERATURE_RISE("K", 1),
    /// A temperature, in °C.
    TEMPERATURE("°C", 1),
    /// Time in seconds.
    SECONDS("s", 0),
    /// Time in days.
    DAYS("days", 1),
    /// A share in percent.
    PERCENT("%", 1),
    /// Mass in kg.
    MASS("kg", 2),
    /// A length in mm.
    LENGTH("mm", 1),
    /// A distance on the road, in km.
    DISTANCE("km", 1),
    /// Power in W.
    POWER("W", 0),
    /// Time in minutes.
    MINUTES("min", 0),
    /// One figure over another.
    RATIO("", 3),
    /// A bare count.
    COUNT("", 0);

    /// Keeps number and unit on one line.
    private static final String NO_BREAK_SPACE = "\u00a0";

    private final String unit;
    private final int digits;

    Quantity(String unit, int digits) {
        this.unit = unit;
        this.digits = digits;
    }

    /// The unit as written behind a number, empty for a count.
    public String unit() {
        return unit;
    }

    /// The number alone, as it stands in a table column; a dash when it is not finite.
    public String number(double value) {
        return number(value, digits);
    }

    /// The number alone with other digits than usual, such as a setting in hundredths.
    ///
    /// @param digits behind the point
    public String number(double value, int digits) {
        if (!Double.isFinite(value)) return "–";
        String text = String.format(Locale.ROOT, "%." + digits + "f", value);
        // "-0" says nothing that "0" does not
        if (text.matches("-0(\\.0+)?")) text = text.substring(1);
        return text.replace('-', '−');
    }

    /// The number with its unit.
    public String text(double value) {
        return text(value, digits);
    }

    /// The number with its unit and other digits than usual.
    ///
    /// @param digits behind the point
    public String text(double value, int digits) {
        return unit.isEmpty() || !Double.isFinite(value)
                ? number(value, digits)
                : number(value, digits) + NO_BREAK_SPACE + unit;
    }
}
