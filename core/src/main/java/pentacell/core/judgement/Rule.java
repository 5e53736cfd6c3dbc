package pentacell.core.judgement;

import pentacell.core.unit.Quantity;

/// Every rule a judgement can name, with the quantity it looks at and its sentence.
///
/// In a sentence `{figure}`, `{limit}` and `{note}` stand for what the [Reason] carries.
public enum Rule {
    VOLTAGE_IN_BAND(
            Quantity.VOLTAGE, "First voltage {figure} is in the band from {limit}: {note}."),
    VOLTAGE_REVERSED(
            Quantity.VOLTAGE, "Voltage {figure} is under 0 V: reversed leads? Read it again."),
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
            "Measured capacity is {figure} of what the model holds new, over {limit}: wrong model, or the instrument reads high."),
    RESISTANCE_HIGH(
            Quantity.RESISTANCE,
            "Internal resistance {figure} is over {limit}, poor for this use."),
    RESISTANCE_OVER_GRADE(
            Quantity.RESISTANCE,
            "Internal resistance {figure} a can is over the limit of {limit}."),
    WAS_DEEPLY_DISCHARGED(
            Quantity.VOLTAGE,
            "Was read at {figure}, under {limit}: rescued cells stay marked and need a longer hold test."),
    RESCUED_NOT_HELD(
            Quantity.DAYS, "Rescued: a hold test of {figure} comes before it goes into a pack."),
    CHEMISTRY_UNKNOWN(
            Quantity.VOLTAGE,
            "Rests at {figure} and its chemistry is not known: {limit} at most until it is. {note}"),
    CHARGED_OVER_LIMIT(Quantity.VOLTAGE, "It was charged to {figure}, over its limit of {limit}."),
    RESISTANCE_UNUSUAL(Quantity.RESISTANCE, "{figure} is unusual for a single cell: {note}."),
    CAPACITY_FAR_UNDER_RATING(
            Quantity.PERCENT,
            "Measured capacity is {figure} of rated, under {limit}: wrong cut-off, or the cell is dying."),
    CAPACITY_CHANGED(
            Quantity.CAPACITY, "{figure} is far from the last reading of {limit}: right cell?"),
    READ_TWICE(Quantity.COUNT, "{note} is twice in the line."),
    NOT_UNDERSTOOD(Quantity.COUNT, "{note}"),
    CELL_IS_NEW(Quantity.COUNT, "New cell{note}."),
    BLEMISH_PUTS_OUT(Quantity.COUNT, "The can: {note}. Such a cell is out whatever it reads."),
    WORK_IS_OPEN(Quantity.COUNT, "Before it is built in: {note}."),
    HANDED_OVER(Quantity.COUNT, "Handed over for recycling to {note}."),
    OTHER_CHEMISTRY(
            Quantity.VOLTAGE, "Rests at {figure} where its neighbours rest about {limit}: {note}."),
    OTHER_MODEL(Quantity.CAPACITY, "{figure} does not fit its model ({limit}) but {note}."),
    LABEL_DISAGREES(
            Quantity.ENERGY,
            "The label says {figure}, but its volts × Ah make {limit}: misread or misprinted."),
    GROUPS_ALIKE(Quantity.VOLTAGE, "{note} lie within {figure}; up to {limit} counts as alike."),
    GROUP_LOW(Quantity.VOLTAGE, "{note} is {figure} under the others; the limit is {limit}."),
    GROUP_OVERCHARGED(
            Quantity.VOLTAGE,
            "{note} reads {figure}, over {limit}: overcharged, its cells are rejected."),
    GROUP_DEAD(
            Quantity.VOLTAGE, "{note} reads {figure}, under {limit}: dead, or its joint is open."),
    GROUPS_DRIFTED(Quantity.VOLTAGE, "The groups lie {figure} apart, more than {limit}: {note}."),
    ALL_GROUPS_LOW(
            Quantity.VOLTAGE,
            "All groups are low; the highest reads {figure}, under {limit}: deeply discharged in storage, recoverable more often than not."),
    DEEP_PACK_IS_PROVED(
            Quantity.COUNT,
            "Bring it up slowly and watched; then a capacity and a hold test prove it."),
    WAKE_BOARD_FIRST(
            Quantity.COUNT,
            "A board that tripped may only sleep: take the load off and touch the charger to it before you call it dead."),
    NO_OUTPUT(Quantity.VOLTAGE, "The output reads {figure}, the groups add up to {limit}: {note}."),
    CHARGER_REFUSES(Quantity.PERCENT, "Its charger refuses it {note}."),
    SUM_AGREES(
            Quantity.VOLTAGE,
            "The groups add up to {figure}, the whole pack reads {limit}. An error of less than {note} in one group would not show."),
    SUM_DISAGREES(
            Quantity.VOLTAGE,
            "The groups add up to {figure}, but the whole pack reads {limit}: {note}."),
    SUM_UNCHECKED(
            Quantity.VOLTAGE,
            "The whole pack was not read, so the sum of the groups ({figure}) is unchecked."),
    READ_ACROSS_TWO(
            Quantity.VOLTAGE, "{note} reads {figure}, over {limit}: read across two groups?"),
    READ_AS_TAPS(
            Quantity.VOLTAGE,
            "The readings rise from {limit} to {figure}: they are counted from the pack's negative. Group by group they would be {note}."),
    GROUP_REVERSED(
            Quantity.VOLTAGE, "{note} reads {figure}: the probes were reversed. Read it again."),
    GROUP_READ_TWICE(
            Quantity.VOLTAGE, "{note} was read twice, as {figure} and as {limit}: which holds?"),
    GROUP_NOT_READ(Quantity.COUNT, "{note} was not read; the highest number is {figure}."),
    GROUPS_MISCOUNTED(Quantity.COUNT, "{figure} groups were read, the pack has {limit}: {note}."),
    UNDER_RECOVERY_FLOOR(
            Quantity.VOLTAGE,
            "{note} reads {figure}, under the recovery floor of {limit}: charging it is not advised."),
    SIGN_FORBIDS_REPAIR(Quantity.COUNT, "Seen on the pack: {note}. It is not to be charged again."),
    SCHOOL_HARVESTS(
            Quantity.COUNT,
            "The school \"{note}\" takes it apart: a group that fell once tends to fall again."),
    DRIFTS_AGAIN(
            Quantity.COUNT, "Without balance leads the groups drift apart again with each cycle."),
    GROUPS_LEFT(Quantity.COUNT, "{figure} of {limit} groups look good: {note}."),
    HELD(Quantity.VOLTAGE, "{note} lost {figure} at rest; up to {limit} passes."),
    CONTACT_LOST(
            Quantity.SECONDS, "The current was gone for {figure}: contact, or a lead that moved."),
    VOLTAGE_JUMPED(
            Quantity.MILLIVOLTS,
            "The voltage jumped by {figure} at steady current: contact, or a cell that parts."),
    STOPPED_EARLY(
            Quantity.VOLTAGE,
            "The discharge stopped at {figure}, far above {limit}: timer or contact; the capacity is only a part."),
    RISES_UNDER_LOAD(
            Quantity.MILLIVOLTS,
            "The voltage rose by {figure} while current was drawn; more than {limit} is odd: contact, or a cell that parts."),
    TIME_GAP(
            Quantity.SECONDS,
            "Nothing was logged for {figure}; what flowed meanwhile is not known."),
    HOT(
            Quantity.TEMPERATURE_RISE,
            "The can became {figure} warmer than at the start; from {limit} it is set aside."),
    HOLD_FINE(
            Quantity.PERCENT,
            "It lost {figure} of its charge on the hold shelf ({note}); up to {limit} is fine."),
    HOLD_SETTLING(
            Quantity.DAYS,
            "Laid on the hold shelf for {figure}; its first reading counts once the voltage has settled."),
    HOLD_NOT_DONE(Quantity.DAYS, "On the hold shelf: {figure} of {limit} since its first reading."),
    HOLD_EXTEND(
            Quantity.PERCENT,
            "It lost {figure} of its charge on the hold shelf ({note}), over {limit}: it lies once more as long."),
    HOLD_OUT(
            Quantity.PERCENT,
            "It lost {figure} of its charge on the hold shelf ({note}), over {limit}."),
    HOLD_OUT_AFTER_ALL(
            Quantity.PERCENT,
            "It lost {figure} of its charge on the hold shelf in twice the time ({note}), still over {limit}."),
    HOLD_NOT_FULL(
            Quantity.VOLTAGE,
            "After a full charge it settled at {figure}; a sound cell stands near {limit}."),
    HOLD_ON_PLATEAU(
            Quantity.VOLTAGE,
            "It rests at {figure}; under {limit} the voltage of an LFP cell does not tell its charge. Discharge it and compare with its capacity."),
    HOLD_UNLIKE_SISTERS(
            Quantity.MILLIVOLTS_A_DAY,
            "It loses {figure} where its own model loses {limit}: suspect, though under the limit."),
    HEAT_CALM(Quantity.TEMPERATURE_RISE, "It stayed cool: {figure} warmer, the limit is {limit}."),
    HEAT_AGAIN(
            Quantity.TEMPERATURE_RISE,
            "It became {figure} warmer, the limit is {limit}: set aside, cycle it again at half the current."),
    HEAT_SETTLED(
            Quantity.TEMPERATURE_RISE,
            "Hot once, but at a lower current only {figure} warmer (limit {limit})."),
    HEAT_OUT(
            Quantity.TEMPERATURE_RISE,
            "It became {figure} warmer at a lower current as well, the limit is {limit}."),
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
