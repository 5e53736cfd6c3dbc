package pentacell.desktop.service;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import pentacell.core.build.facts.Spot;
import pentacell.core.service.CanSearch;
import pentacell.core.service.Finding;
import pentacell.core.service.UseAlarm;
import pentacell.core.service.facts.Trouble;
import pentacell.core.unit.Count;
import pentacell.core.unit.DayText;
import pentacell.core.unit.Quantity;

/// What Service says, in words.
final class ServiceWords {
    private ServiceWords() {}

    static String day(LocalDate day) {
        return DayText.of(day);
    }

    static String day(Instant at) {
        return DayText.of(at.atZone(ZoneId.systemDefault()).toLocalDate());
    }

    static String place(CanSearch.Can can) {
        return can.spots().isEmpty() ? "" : place(can.spots().get(0));
    }

    static String place(Spot spot) {
        return "%d.%d".formatted(spot.column() + 1, spot.row() + 1);
    }

    /// What the button beside a finding does.
    static String goOn(Trouble trouble) {
        return switch (trouble) {
            case CELLS_OFF -> "Search the can";
            case SELF_DISCHARGE -> "Search the warm can";
            case RESISTANCE, MISREAD, UNEVEN_LOAD -> "See its history";
        };
    }

    /// The figures behind a finding.
    static String figures(Finding finding) {
        List<String> said = new ArrayList<>();
        finding.figures()
                .forEach((name, figure) -> {
                    switch (name) {
                        case "strayMillivoltsAtLowest" ->
                                said.add(
                                        "%s lower than the others at the end"
                                                .formatted(Quantity.MILLIVOLTS.text(figure)));
                        case "ampHoursADay" -> said.add(Quantity.CHARGE.text(figure, 3) + " a day");
                        case "milliohmsMore" ->
                                said.add(Quantity.RESISTANCE.text(figure, 2) + " more");
                        default -> {}
                    }
                });
        return said.isEmpty() ? "" : String.join(", ", said) + ".";
    }

    static String alarm(UseAlarm alarm) {
        String often = Count.of(alarm.times(), "reading", "readings");
        return switch (alarm.kind()) {
            case LOW ->
                    "▲ Group %d came down to %s on %s; the limit is %s, passed at %s."
                            .formatted(
                                    alarm.group() + 1,
                                    Quantity.VOLTAGE.text(alarm.figure()),
                                    day(alarm.at()),
                                    Quantity.VOLTAGE.text(alarm.limit(), 2),
                                    often);
            case HIGH ->
                    "■ Group %d was charged to %s on %s; the limit is %s, passed at %s."
                            .formatted(
                                    alarm.group() + 1,
                                    Quantity.VOLTAGE.text(alarm.figure()),
                                    day(alarm.at()),
                                    Quantity.VOLTAGE.text(alarm.limit(), 2),
                                    often);
            case SPREAD ->
                    "▲ Groups were %s apart at rest on %s, group %d the farthest; the limit is %s."
                            .formatted(
                                    Quantity.MILLIVOLTS.text(alarm.figure()),
                                    day(alarm.at()),
                                    alarm.group() + 1,
                                    Quantity.MILLIVOLTS.text(alarm.limit()));
            case WARM ->
                    "■ Probe %d read %s on %s; the limit is %s, passed at %s. Let it cool, take load or charger off first."
                            .formatted(
                                    alarm.group() + 1,
                                    Quantity.TEMPERATURE.text(alarm.figure()),
                                    day(alarm.at()),
                                    Quantity.TEMPERATURE.text(alarm.limit(), 0),
                                    often);
            case COLD_CHARGE ->
                    "■ It was charged at %s on %s, at %s under %s: frozen cells are not charged, metal settles inside them."
                            .formatted(
                                    Quantity.TEMPERATURE.text(alarm.figure()),
                                    day(alarm.at()),
                                    often,
                                    Quantity.TEMPERATURE.text(alarm.limit(), 0));
            case WARMER ->
                    "▲ Probe %d was %s warmer than the others at rest on %s, at %s: search the cans about it for a heater."
                            .formatted(
                                    alarm.group() + 1,
                                    Quantity.TEMPERATURE_RISE.text(alarm.figure()),
                                    day(alarm.at()),
                                    often);
        };
    }
}
