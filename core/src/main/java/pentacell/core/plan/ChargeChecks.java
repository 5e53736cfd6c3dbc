package pentacell.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.Charged;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.PackCharge;
import pentacell.core.circuit.RestCurve;
import pentacell.core.plan.Checked.Verdict;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Charger;
import pentacell.core.plan.facts.MeanCell;
import pentacell.core.plan.facts.Need;
import pentacell.core.unit.Quantity;

/// Whether a charger does for a pack, and how long it takes.
public final class ChargeChecks {
    /// A supply runs at no more than this part of its rating for long (common practice).
    private static final double SUPPLY_SHARE = 0.8;

    /// What a cell is charged with at most, of its capacity an hour (common practice).
    private static final double CHARGE_AN_HOUR = 0.5;

    /// Where the usual charger stops, of the cell's capacity an hour (common practice).
    private static final double END_AN_HOUR = 0.05;

    private static final double HAIR = 1e-9;
    private static final double MOST_HOURS = 1000;
    private static final double STEP_SECONDS = 20;

    private ChargeChecks() {}

    static void write(CheckSheet sheet, Charger charger) {
        volts(sheet, charger);
        double most = CHARGE_AN_HOUR * sheet.cell.ampHours() * sheet.option.parallel();
        sheet.atMost(
                Check.CHARGER_AMPS,
                Quantity.CURRENT,
                most,
                charger.amps(),
                Verdict.CAUTION,
                "%s; %d in parallel take %s"
                        .formatted(
                                CheckSheet.amps(charger.amps()),
                                sheet.option.parallel(),
                                CheckSheet.amps(most)),
                "%s are too much: %d in parallel take %s"
                        .formatted(
                                CheckSheet.amps(charger.amps()),
                                sheet.option.parallel(),
                                CheckSheet.amps(most)),
                "half the capacity an hour, common practice");
        charger.supplyWatts()
                .ifPresent(watts -> {
                    double continuous = supplyAmps(charger);
                    double trips = watts / charger.volts();
                    sheet.atMost(
                            Check.CHARGER_SUPPLY,
                            Quantity.CURRENT,
                            continuous,
                            charger.amps(),
                            Verdict.CAUTION,
                            "its supply gives %s continuously"
                                    .formatted(CheckSheet.amps(continuous)),
                            "its supply gives %s continuously (80 %% of its rating) and trips at about %s; the charger draws %s"
                                    .formatted(
                                            CheckSheet.amps(continuous),
                                            CheckSheet.amps(trips),
                                            CheckSheet.amps(charger.amps())),
                            "80 % of the supply's rating, common practice");
                });
        Optional<Charged> charged = charge(sheet.option, sheet.need, sheet.supply);
        charged.ifPresent(done ->
                sheet.said(
                        Check.CHARGE_HOURS,
                        Verdict.FINE,
                        Quantity.HOURS.text(done.seconds() / 3600),
                        "%s from empty, the last %s of it tapering"
                                .formatted(
                                        Quantity.HOURS.text(done.seconds() / 3600),
                                        Quantity.HOURS.text(
                                                (done.seconds() - done.constantCurrentSeconds())
                                                        / 3600)),
                        "simulated: constant current, then constant voltage"));
    }

    private static void volts(CheckSheet sheet, Charger charger) {
        Option option = sheet.option;
        double off = charger.volts() - option.fullVolts();
        boolean isRight = fits(charger, option);
        String sentence =
                isRight
                        ? "%s fills %dS".formatted(volts(charger.volts()), option.series())
                        : off > 0
                                ? "a charger of %s overcharges %dS, which is full at %s (15 mV a cell is tolerated): never use it"
                                        .formatted(
                                                volts(charger.volts()),
                                                option.series(),
                                                volts(option.fullVolts()))
                                : "a charger of %s does not fill %dS, which is full at %s"
                                        .formatted(
                                                volts(charger.volts()),
                                                option.series(),
                                                volts(option.fullVolts()));
        sheet.add(
                new Checked(
                        Check.CHARGER_VOLTS,
                        isRight ? Verdict.FINE : off > 0 ? Verdict.STOP : Verdict.CAUTION,
                        volts(option.fullVolts()),
                        volts(charger.volts()),
                        OptionalDouble.empty(),
                        sentence,
                        "full voltage of the pack",
                        option.fullVolts(),
                        charger.volts()));
    }

    /// To 10 mV: a few hundredths of a volt decide.
    private static String volts(double volts) {
        return Quantity.VOLTAGE.text(volts, 2);
    }

    /// Whether it ends within the tolerance of every cell.
    private static boolean fits(Charger charger, Option option) {
        double tolerance = Chemistry.CHARGER_TOLERANCE_VOLTS * option.series();
        return Math.abs(charger.volts() - option.fullVolts()) <= tolerance + HAIR;
    }

    /// How long the charger takes from empty until its current has tapered off, in h; empty without
    /// a charger, or when it does not fill this pack.
    public static OptionalDouble chargeHours(Option option, Need need, CellSupply supply) {
        Optional<Charged> charged = charge(option, need, supply);
        return charged.isPresent()
                ? OptionalDouble.of(charged.get().seconds() / 3600)
                : OptionalDouble.empty();
    }

    /// A charge of the mean cell with its share of the current: with equal cells all do the same.
    private static Optional<Charged> charge(Option option, Need need, CellSupply supply) {
        if (need.charger().isEmpty()) return Optional.empty();
        Charger charger = need.charger().get();
        if (!fits(charger, option)) return Optional.empty();
        MeanCell cell = supply.mean(option.cells());
        Chemistry chemistry = need.chemistry();
        double amps = Math.min(charger.amps(), supplyAmps(charger)) / option.parallel();
        double end = END_AN_HOUR * cell.ampHours();
        double least = RestCurve.of(chemistry).share(PackPlanner.emptyVolts(chemistry));
        Charged charged =
                PackCharge.charge(
                        List.of(List.of(new CircuitCell(cell.ampHours(), cell.ohms()))),
                        RestCurve.of(chemistry).curve(),
                        List.of(least),
                        new PackCharge.Charger(
                                amps,
                                chemistry.chargeLimitVolts(),
                                Math.min(end, amps / 2),
                                MOST_HOURS),
                        PackCharge.Board.NONE,
                        STEP_SECONDS);
        return charged.endedBy() == Charged.EndedBy.TAPER ? Optional.of(charged) : Optional.empty();
    }

    private static double supplyAmps(Charger charger) {
        return charger.supplyWatts().isPresent()
                ? SUPPLY_SHARE * charger.supplyWatts().getAsDouble() / charger.volts()
                : Double.POSITIVE_INFINITY;
    }
}
