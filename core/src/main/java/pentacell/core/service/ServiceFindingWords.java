package pentacell.core.service;

import java.time.ZoneId;
import java.util.OptionalDouble;
import pentacell.core.unit.Count;
import pentacell.core.unit.DayText;
import pentacell.core.unit.Quantity;

/// What is found in the history of a pack, in words.
public final class ServiceFindingWords {
    /// A loss under this warms no cell, in mA.
    private static final double WARMING_MILLIAMPS = 5;

    /// What a board bleeds from a group, in mA (common practice: 30 to 100).
    private static final double USUAL_BLEED_MILLIAMPS = 50;

    private static final String PART_OF_THE_GROUPS =
            "what is connected to part of the groups: a tap for a lower voltage, the board's own supply, a charger on one group";

    private ServiceFindingWords() {}

    /// What it is.
    public static String sentence(Finding finding) {
        int group = finding.group() + 1;
        return switch (finding) {
            case Finding.CellsOff off ->
                    "group %d %s %s of what the others do: about %s of %d off the busbar"
                            .formatted(
                                    group,
                                    switch (off.shownBy()) {
                                        case ITS_RUN -> "holds";
                                        case FALLING_BELOW_ALL ->
                                                "falls below all others again and again, it holds about";
                                        case BEING_FIRST_AT_BOTH_ENDS ->
                                                "is the first to be full and the first to be low, it holds about";
                                    },
                                    Quantity.PERCENT.text(100 * off.capacityShare(), 0),
                                    Count.of(off.cells(), "cell", "cells"),
                                    off.parallel());
            case Finding.SelfDischarge loss ->
                    "group %d loses %s mA by itself: a tenth of the charge in %s%s"
                            .formatted(
                                    group,
                                    milliamps(loss.milliamps()),
                                    Quantity.DAYS.text(loss.daysToTenPercent(), 0),
                                    switch (loss.from()) {
                                        case VOLTAGE -> "";
                                        case COUNTED_CHARGE ->
                                                ". This comes from the charge counted since full and may be off by up to half";
                                        case FLAT_VOLTAGE ->
                                                ". LFP voltages show charge only near full and near empty, so the true loss may be a third of this or three times as much";
                                    });
            case Finding.Gain gain ->
                    "group %d gains %s mA on the others: they feed something that it does not, or it is charged alone"
                            .formatted(group, milliamps(gain.milliamps()));
            case Finding.Tap tap ->
                    "groups %d to %d lose %s mA each, alike: something is fed from them alone"
                            .formatted(group, tap.throughGroup() + 1, milliamps(tap.milliamps()));
            case Finding.MoreResistance more ->
                    "group %d drops %s more than the others: a joint, a link or worn cells"
                            .formatted(group, Quantity.RESISTANCE.text(more.milliohms(), 2));
            case Finding.Misread misread ->
                    "group %d reads %s %s at any state of charge: it is read wrongly"
                            .formatted(
                                    group,
                                    Quantity.MILLIVOLTS.text(Math.abs(misread.offsetMillivolts())),
                                    misread.offsetMillivolts() > 0 ? "high" : "low");
        };
    }

    /// What to look at next.
    public static String check(Finding finding) {
        return switch (finding) {
            case Finding.CellsOff off ->
                    "after a rest and under load, each cell's voltage against its group: more than %s off is a broken fuse or joint"
                            .formatted(Quantity.MILLIVOLTS.text(1000 * CanSearches.OFF_VOLTS));
            case Finding.SelfDischarge loss ->
                    loss.milliamps() < WARMING_MILLIAMPS
                            ? "read the groups again in a month; if it goes on, a hold test of its cells"
                            : "temperature of its cells near full: a heater is warm to the hand; take the pack apart there before it is charged again";
            case Finding.Gain gain -> PART_OF_THE_GROUPS;
            case Finding.Tap tap -> PART_OF_THE_GROUPS;
            case Finding.MoreResistance more ->
                    "under load, the drop over its links and joints with a meter: the odd one is warm";
            case Finding.Misread misread ->
                    "its balance lead and plug, then the group itself with a good meter";
        };
    }

    /// The figure behind a finding that its sentence does not give; empty when there is none.
    public static String figure(Finding finding) {
        return switch (finding) {
            case Finding.CellsOff off ->
                    Double.isNaN(off.strayMillivolts())
                            ? ""
                            : "%s lower than the others at the end"
                                    .formatted(Quantity.MILLIVOLTS.text(off.strayMillivolts()));
            case Finding.SelfDischarge loss -> aDay(loss.ampHoursADay());
            case Finding.Gain gain -> aDay(gain.ampHoursADay());
            case Finding.Tap tap -> "";
            case Finding.MoreResistance more -> "";
            case Finding.Misread misread -> "";
        };
    }

    private static String milliamps(double value) {
        return Quantity.COUNT.number(value, 1);
    }

    private static String aDay(double ampHours) {
        return Quantity.CHARGE.text(ampHours, 3) + " per day";
    }

    /// What a group out of balance is.
    public static String sentence(OutOfBalance group) {
        return "group %d is %s %s the others throughout, %s of the charge used: %s"
                .formatted(
                        group.group() + 1,
                        Quantity.CHARGE.text(Math.abs(group.aheadAmpHours()), 2),
                        group.aheadAmpHours() > 0 ? "above" : "below",
                        Quantity.PERCENT.text(100 * Math.abs(group.share()), 1),
                        group.orMisread()
                                ? "out of balance, or read wrongly; this history looks the same for both, a good meter tells"
                                : "out of balance, not worn");
    }

    /// What balances a group, and how long that takes.
    ///
    /// @param milliamps bled from a group by its board; empty when that is not known
    public static String remedy(OutOfBalance group, OptionalDouble milliamps) {
        double bled = milliamps.orElse(USUAL_BLEED_MILLIAMPS);
        double hours = 1000 * Math.abs(group.aheadAmpHours()) / bled;
        return "%s of %s\u00a0mA evens it out in %s near full; quicker: %s that group on its own"
                .formatted(
                        milliamps.isPresent() ? "its balancer" : "a balancer",
                        Quantity.COUNT.number(bled),
                        hours < 1 ? "under an hour" : "about " + Quantity.HOURS.text(hours, 0),
                        group.aheadAmpHours() > 0 ? "discharge" : "charge");
    }

    /// Which limit was passed.
    ///
    /// @param zone in which its day is told
    public static String sentence(UseAlarm alarm, ZoneId zone) {
        String often = Count.of(alarm.times(), "reading", "readings");
        String day = DayText.of(alarm.at().atZone(zone).toLocalDate());
        int group = alarm.group() + 1;
        return switch (alarm.kind()) {
            case LOW -> passed(alarm, "▲", "fell to", day, often);
            case HIGH -> passed(alarm, "■", "was charged to", day, often);
            case SPREAD ->
                    "▲ Groups were %s apart at rest on %s, group %d the farthest; the limit is %s."
                            .formatted(
                                    Quantity.MILLIVOLTS.text(alarm.figure()),
                                    day,
                                    group,
                                    Quantity.MILLIVOLTS.text(alarm.limit()));
            case WARM ->
                    "■ Probe %d read %s on %s; the limit is %s, passed at %s. Disconnect load and charger and let it cool."
                            .formatted(
                                    group,
                                    Quantity.TEMPERATURE.text(alarm.figure()),
                                    day,
                                    Quantity.TEMPERATURE.text(alarm.limit(), 0),
                                    often);
            case COLD_CHARGE ->
                    "■ It was charged at %s on %s, at %s under %s: never charge below freezing, lithium plates out."
                            .formatted(
                                    Quantity.TEMPERATURE.text(alarm.figure()),
                                    day,
                                    often,
                                    Quantity.TEMPERATURE.text(alarm.limit(), 0));
            case WARMER ->
                    "▲ Probe %d was %s warmer than the others at rest on %s, at %s: search the cells near it for a heater."
                            .formatted(
                                    group,
                                    Quantity.TEMPERATURE_RISE.text(alarm.figure()),
                                    day,
                                    often);
        };
    }

    private static String passed(
            UseAlarm alarm, String mark, String verb, String day, String often) {
        return "%s Group %d %s %s on %s; the limit is %s, passed at %s."
                .formatted(
                        mark,
                        alarm.group() + 1,
                        verb,
                        Quantity.VOLTAGE.text(alarm.figure()),
                        day,
                        Quantity.VOLTAGE.text(alarm.limit(), 2),
                        often);
    }
}
