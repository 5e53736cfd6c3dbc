package pentacell.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import pentacell.core.circuit.RestCurve;
import pentacell.core.plan.Checked.Verdict;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.plan.facts.Need;
import pentacell.core.unit.Quantity;

/// Everything that is looked at before a pack is built, each with its limit, its figure, the room
/// between them and where the limit comes from.
public final class PackChecks {
    /// Extra-low voltage for dry contact ends at this, in V.
    private static final double TOUCH_VOLTS = 60;

    /// No cell is charged below, nor discharged below, in °C.
    private static final double COLDEST_CHARGE = 0;

    private static final double COLDEST_DISCHARGE = -20;

    private PackChecks() {}

    /// The checks of a pack, in the order they are looked at.
    public static List<Checked> of(Option option, Need need, CellSupply supply) {
        CheckSheet sheet = new CheckSheet(option, need, supply);
        window(sheet);
        cells(sheet);
        lasting(sheet);
        need.charger().ifPresent(charger -> ChargeChecks.write(sheet, charger));
        need.board().ifPresent(board -> BoardChecks.write(sheet, board));
        WireChecks.write(sheet);
        touch(sheet);
        cold(sheet);
        return sheet.written();
    }

    /// Checks with the least room first, broken ones before all.
    public static List<Checked> smallestMarginFirst(List<Checked> checks) {
        return checks.stream()
                .sorted(
                        Comparator.comparing((Checked each) -> each.isFine())
                                .thenComparingDouble(
                                        each -> each.margin().orElse(Double.MAX_VALUE)))
                .toList();
    }

    /// What is broken but stands in no pack's way, for others can be had.
    public static List<Checked> cautions(Option option, Need need, CellSupply supply) {
        return of(option, need, supply).stream()
                .filter(each -> !each.isFine())
                .filter(each ->
                        option.obstacles().stream()
                                .noneMatch(obstacle -> obstacle.check() == each.check()))
                .toList();
    }

    private static void window(CheckSheet sheet) {
        Option option = sheet.option;
        Need need = sheet.need;
        String source =
                need.measured().isPresent() ? "the device, as measured" : "the device, as said";
        sheet.limit(
                Check.HIGH_TRIP,
                Quantity.VOLTAGE,
                "%dS is full at %s, the device takes at most %s"
                        .formatted(
                                option.series(),
                                CheckSheet.volts(option.fullVolts()),
                                CheckSheet.volts(need.window().highTripVolts())),
                source);
        Optional<PackLimit> broken = option.limit(Check.LOW_TRIP).filter(each -> !each.isKept());
        double left = 100 * (1 - option.usableShare());
        double leaves = need.window().lowTripVolts() / option.series();
        sheet.said(
                Check.LOW_TRIP,
                broken.isEmpty() ? Verdict.FINE : Verdict.STOP,
                Quantity.PERCENT.text(left, 0),
                broken.isPresent()
                        ? PlanWords.obstacle(option, broken.get())
                        : leaves > PackPlanner.emptyVolts(need.chemistry())
                                ? "the device stops at %s, %s a cell: %s of the energy stays inside"
                                        .formatted(
                                                CheckSheet.volts(need.window().lowTripVolts()),
                                                Quantity.VOLTAGE.text(leaves, 2),
                                                Quantity.PERCENT.text(left, 0))
                                : "the pack is empty at %s before the device stops at %s"
                                        .formatted(
                                                CheckSheet.volts(option.emptyVolts()),
                                                CheckSheet.volts(need.window().lowTripVolts())),
                source);
    }

    private static void cells(CheckSheet sheet) {
        Option option = sheet.option;
        String source =
                sheet.supply.isStock()
                        ? "0.5 and 1 times capacity an hour, common practice"
                        : "the cell, as said";
        sheet.limit(
                Check.STEADY_CURRENT,
                Quantity.CURRENT,
                "each cell gives %s continuously at %s"
                        .formatted(
                                Quantity.CURRENT.text(option.steadyAmps()),
                                CheckSheet.volts(sheet.lowestVolts())),
                source);
        sheet.limit(
                Check.PEAK_CURRENT,
                Quantity.CURRENT,
                "each cell gives %s at the peak"
                        .formatted(Quantity.CURRENT.text(option.peakAmps())),
                source);
        sheet.need.surgeWatts().ifPresent(watts -> surge(sheet, watts));
    }

    /// Below which charge a start pulls the pack under the device's low trip.
    private static void surge(CheckSheet sheet, double watts) {
        double amps = sheet.need.losses().fromPack(watts) / sheet.lowestVolts();
        double restAtTrip = sheet.need.window().lowTripVolts() + amps * sheet.ohms();
        double share =
                RestCurve.of(sheet.need.chemistry()).share(restAtTrip / sheet.option.series());
        sheet.atMost(
                Check.SURGE,
                Quantity.PERCENT,
                50,
                100 * share,
                Verdict.CAUTION,
                "a start draws %s for an instant; below %s charge it may stop the device"
                        .formatted(CheckSheet.amps(amps), Quantity.PERCENT.text(100 * share, 0)),
                "a start draws %s for an instant and may stop the device at %s charge already: more cells in parallel, or a soft start"
                        .formatted(CheckSheet.amps(amps), Quantity.PERCENT.text(100 * share, 0)),
                "rest curve and resistance; at half charge it should start, common practice");
    }

    private static void lasting(CheckSheet sheet) {
        Option option = sheet.option;
        sheet.limit(
                Check.HOURS,
                Quantity.HOURS,
                "%s at the steady load".formatted(Quantity.HOURS.text(option.hours())),
                "the need");
        sheet.limit(
                Check.KILOMETRES,
                Quantity.DISTANCE,
                "%s on a charge".formatted(Quantity.DISTANCE.text(option.kilometres().orElse(0))),
                "the need");
        option.limit(Check.BOX)
                .ifPresent(box ->
                        sheet.limit(
                                Check.BOX,
                                Quantity.COUNT,
                                "the box takes %s of %s"
                                        .formatted(
                                                PlanWords.cells(box.limit()),
                                                sheet.supply.format().code()),
                                "square or nested rows, in layers"));
        sheet.limit(
                Check.CELLS,
                Quantity.COUNT,
                "%d usable in stock, %d kept for repairs"
                        .formatted(sheet.supply.most().orElse(0), sheet.need.spares()),
                "the stock");
    }

    private static void touch(CheckSheet sheet) {
        double full = sheet.option.fullVolts();
        sheet.atMost(
                Check.TOUCH_VOLTAGE,
                Quantity.VOLTAGE,
                TOUCH_VOLTS,
                full,
                Verdict.CAUTION,
                "fully charged it stands at %s; a short still burns"
                        .formatted(CheckSheet.volts(full)),
                "fully charged it stands at %s: over %s bare parts must not be touched, cover them while you work"
                        .formatted(CheckSheet.volts(full), CheckSheet.volts(TOUCH_VOLTS)),
                "extra-low voltage, dry: IEC 61140, from memory");
    }

    private static void cold(CheckSheet sheet) {
        if (sheet.need.coldestCelsius().isEmpty()) return;
        double coldest = sheet.need.coldestCelsius().getAsDouble();
        String figure = Quantity.TEMPERATURE.text(coldest, 0);
        boolean isGuarded =
                sheet.need.board().flatMap(board -> board.hasTemperatureProbe()).orElse(false);
        if (coldest < COLDEST_DISCHARGE)
            sheet.said(
                    Check.COLD,
                    Verdict.CAUTION,
                    figure,
                    "below −20 °C most cells are not to be used at all: keep the pack indoors or warm it",
                    CheckSheet.PRACTICE);
        else if (coldest < COLDEST_CHARGE && !isGuarded)
            sheet.said(
                    Check.COLD,
                    Verdict.CAUTION,
                    figure,
                    "never charge below 0 °C, lithium plates out: use a board with a temperature probe, or charge indoors",
                    CheckSheet.PRACTICE);
        else
            sheet.said(
                    Check.COLD,
                    Verdict.FINE,
                    figure,
                    coldest < COLDEST_CHARGE
                            ? "the board's probe stops a charge below 0 °C; it gives less in the cold"
                            : "it may be charged on the coldest day",
                    CheckSheet.PRACTICE);
    }
}
