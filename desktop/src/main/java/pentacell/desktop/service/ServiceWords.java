package pentacell.desktop.service;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import pentacell.core.build.facts.Spot;
import pentacell.core.service.CanSearch;
import pentacell.core.service.facts.Trouble;
import pentacell.core.unit.DayText;

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
}
