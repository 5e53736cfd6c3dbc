package pentacell.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.Charged;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.PackCharge;
import pentacell.core.circuit.RestCurve;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.unit.Quantity;

/// What a charger and a protection board at hand mean for a pack. They do not stand in the way of a
/// pack, for others can be had; they must be seen before it is built.
public final class PackCautions {
    /// A supply runs at no more than this part of its rating for long (common practice).
    static final double SUPPLY_SHARE = 0.8;

    /// What a cell is charged with at most, of its capacity an hour (common practice).
    static final double CHARGE_AN_HOUR = 0.5;

    /// Where the usual charger stops, of the cell's capacity an hour (common practice).
    private static final double END_AN_HOUR = 0.05;

    private static final double SAME_VOLTS = 0.1;
    private static final double MOST_HOURS = 1000;
    private static final double STEP_SECONDS = 20;

    private PackCautions() {}

    /// Something to be seen to.
    ///
    /// @param limit what must be kept; NaN where there is no number to it
    /// @param figure what there is
    public record Caution(Check check, double limit, double figure, String sentence) {}

    /// What is looked at.
    public enum Check {
        CHARGER_VOLTS,
        CHARGER_AMPS,
        CHARGER_SUPPLY,
        BOARD_SERIES,
        BOARD_CHEMISTRY,
        BOARD_BALANCE,
        BOARD_CONTINUOUS,
        BOARD_PEAK,
        TOUCH_VOLTAGE
    }

    /// Extra-low voltage for dry contact ends at this (IEC 61140, from memory), in V.
    private static final double TOUCH_VOLTS = 60;

    /// The cautions of a pack.
    public static List<Caution> of(Option option, Need need) {
        List<Caution> cautions = new ArrayList<>();
        need.charger().ifPresent(charger -> charger(option, need, charger, cautions));
        need.board().ifPresent(board -> board(option, need, board, cautions));
        if (option.fullVolts() > TOUCH_VOLTS)
            cautions.add(
                    new Caution(
                            Check.TOUCH_VOLTAGE,
                            TOUCH_VOLTS,
                            option.fullVolts(),
                            "full it has %s: over %s bare parts must not be touched, cover them while you work"
                                    .formatted(volts(option.fullVolts()), volts(TOUCH_VOLTS))));
        return List.copyOf(cautions);
    }

    /// How long the charger takes from empty until its current has tapered off, in h; empty without
    /// a charger, or when it does not fill this pack.
    public static OptionalDouble chargeHours(Option option, Need need) {
        if (need.charger().isEmpty()) return OptionalDouble.empty();
        Need.Charger charger = need.charger().get();
        if (Math.abs(charger.volts() - option.fullVolts()) > SAME_VOLTS)
            return OptionalDouble.empty();
        Chemistry chemistry = need.chemistry();
        CircuitCell cell = new CircuitCell(need.cell().ampHours(), need.cell().ohms());
        double amps = Math.min(charger.amps(), supplyAmps(charger)) / option.parallel();
        double end = END_AN_HOUR * need.cell().ampHours();
        double least = RestCurve.of(chemistry).share(PackPlanner.emptyVolts(chemistry));
        Charged charged =
                PackCharge.charge(
                        List.of(List.of(cell)),
                        RestCurve.of(chemistry).curve(),
                        List.of(least),
                        new PackCharge.Charger(
                                amps,
                                chemistry.chargeLimitVolts(),
                                Math.min(end, amps / 2),
                                MOST_HOURS),
                        PackCharge.Board.NONE,
                        STEP_SECONDS);
        return charged.endedBy() == Charged.EndedBy.TAPER
                ? OptionalDouble.of(charged.seconds() / 3600)
                : OptionalDouble.empty();
    }

    private static double supplyAmps(Need.Charger charger) {
        return charger.supplyWatts().isPresent()
                ? SUPPLY_SHARE * charger.supplyWatts().getAsDouble() / charger.volts()
                : Double.POSITIVE_INFINITY;
    }

    private static void charger(
            Option option, Need need, Need.Charger charger, List<Caution> cautions) {
        double off = charger.volts() - option.fullVolts();
        if (Math.abs(off) > SAME_VOLTS)
            cautions.add(
                    new Caution(
                            Check.CHARGER_VOLTS,
                            option.fullVolts(),
                            charger.volts(),
                            off > 0
                                    ? "a charger of %s overcharges %dS, which is full at %s: never use it"
                                            .formatted(
                                                    volts(charger.volts()),
                                                    option.series(),
                                                    volts(option.fullVolts()))
                                    : "a charger of %s does not fill %dS, which is full at %s"
                                            .formatted(
                                                    volts(charger.volts()),
                                                    option.series(),
                                                    volts(option.fullVolts()))));
        double most = CHARGE_AN_HOUR * need.cell().ampHours() * option.parallel();
        if (charger.amps() > most + 1e-9)
            cautions.add(
                    new Caution(
                            Check.CHARGER_AMPS,
                            most,
                            charger.amps(),
                            "%s are too much: %d in parallel take %s"
                                    .formatted(
                                            amps(charger.amps()), option.parallel(), amps(most))));
        double supply = supplyAmps(charger);
        if (charger.amps() > supply + 1e-9)
            cautions.add(
                    new Caution(
                            Check.CHARGER_SUPPLY,
                            supply,
                            charger.amps(),
                            "its supply bears %s at 80 %% of its rating and may trip above that; the charger draws for %s"
                                    .formatted(amps(supply), amps(charger.amps()))));
    }

    private static void board(Option option, Need need, Need.Board board, List<Caution> cautions) {
        if (board.series() != option.series())
            cautions.add(
                    new Caution(
                            Check.BOARD_SERIES,
                            option.series(),
                            board.series(),
                            "the board is for %dS, this is %dS"
                                    .formatted(board.series(), option.series())));
        if (board.chemistry() != need.chemistry())
            cautions.add(
                    new Caution(
                            Check.BOARD_CHEMISTRY,
                            Double.NaN,
                            Double.NaN,
                            "the board is for the %s: its limits do not protect these cells"
                                    .formatted(board.chemistry().words())));
        if (!board.hasBalanceLeads())
            cautions.add(
                    new Caution(
                            Check.BOARD_BALANCE,
                            Double.NaN,
                            Double.NaN,
                            "the board has no balance leads: it does not see the groups, and they drift apart; take another"));
        double steady = option.steadyAmps() * option.parallel();
        if (steady > board.continuousAmps() + 1e-9)
            cautions.add(
                    new Caution(
                            Check.BOARD_CONTINUOUS,
                            board.continuousAmps(),
                            steady,
                            "the load draws %s, the board bears %s for long: a larger board or a contactor, or the load led past it with an alarm of its own"
                                    .formatted(amps(steady), amps(board.continuousAmps()))));
        double peak = option.peakAmps() * option.parallel();
        if (peak > board.peakAmps() + 1e-9)
            cautions.add(
                    new Caution(
                            Check.BOARD_PEAK,
                            board.peakAmps(),
                            peak,
                            "the peak is %s, the board cuts off at %s"
                                    .formatted(amps(peak), amps(board.peakAmps()))));
    }

    private static String volts(double volts) {
        return Quantity.VOLTAGE.text(volts, 1);
    }

    private static String amps(double amps) {
        return Quantity.CURRENT.text(amps, 1);
    }
}
