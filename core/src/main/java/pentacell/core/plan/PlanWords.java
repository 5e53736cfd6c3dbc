package pentacell.core.plan;

import pentacell.core.plan.PackPlan.Option;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// What the planner found, in words.
public final class PlanWords {
    private PlanWords() {}

    /// Why a pack is not feasible.
    public static String obstacle(Option option, PackLimit obstacle) {
        double limit = obstacle.limit();
        double figure = obstacle.figure();
        String pack = option.arrangement();
        return switch (obstacle.check()) {
            case HIGH_TRIP ->
                    "%dS is full at %s, the device takes at most %s"
                            .formatted(option.series(), volts(figure), volts(limit));
            case LOW_TRIP ->
                    "%dS is full at %s: under this load the device, which stops at %s, gets nothing from it"
                            .formatted(option.series(), volts(figure), volts(limit));
            case STEADY_CURRENT -> current(pack, figure, limit, "continuous");
            case PEAK_CURRENT -> current(pack, figure, limit, "peak");
            case HOURS ->
                    "%s lasts %s h, %s h are needed".formatted(pack, number(figure), number(limit));
            case KILOMETRES ->
                    "%s goes %s km, %s km are needed"
                            .formatted(pack, number(figure), number(limit));
            case BOX -> "%s is %s, the box takes %d".formatted(pack, cells(figure), (int) limit);
            case CELLS -> "%s is %s, the stock has %d".formatted(pack, cells(figure), (int) limit);
            case SURGE,
                    BOARD_SERIES,
                    BOARD_CHEMISTRY,
                    BOARD_BALANCE,
                    BOARD_CONTINUOUS,
                    BOARD_PEAK,
                    BOARD_EVENING,
                    BOARD_PROBE,
                    BOARD_PORT,
                    CHARGER_VOLTS,
                    CHARGER_AMPS,
                    CHARGER_SUPPLY,
                    CHARGE_HOURS,
                    STRIP,
                    LEADS,
                    LEAD_DROP,
                    MAIN_FUSE,
                    CELL_FUSE,
                    CONNECTOR,
                    TOUCH_VOLTAGE,
                    COLD ->
                    throw new IllegalArgumentException(
                            obstacle.check() + " is checked, but never an obstacle");
        };
    }

    private static String current(String pack, double figure, double limit, String kind) {
        return "each cell of %s gives %s at the lowest voltage, its %s limit is %s"
                .formatted(pack, Quantity.CURRENT.text(figure), kind, Quantity.CURRENT.text(limit));
    }

    static String cells(double count) {
        return Count.of(Math.round(count), "cell", "cells");
    }

    static String volts(double volts) {
        return Quantity.VOLTAGE.text(volts, 1);
    }

    static String number(double value) {
        return Quantity.COUNT.number(value, 1);
    }
}
