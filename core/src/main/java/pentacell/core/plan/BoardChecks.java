package pentacell.core.plan;

import pentacell.core.plan.Checked.Verdict;
import pentacell.core.plan.facts.Board;
import pentacell.core.plan.facts.BoardSchool;
import pentacell.core.unit.Quantity;

/// Whether a protection board does for a pack.
final class BoardChecks {
    /// A board should even out 1 % of a group's charge in a night on the charger.
    private static final double DRIFT_SHARE = 0.01;

    private static final double NIGHT_HOURS = 10;

    private BoardChecks() {}

    static void write(CheckSheet sheet, Board board) {
        int series = sheet.option.series();
        boolean isSame = board.series() == series;
        sheet.said(
                Check.BOARD_SERIES,
                isSame ? Verdict.FINE : Verdict.STOP,
                board.series() + "S",
                isSame
                        ? "the board is for %dS, as this is".formatted(series)
                        : "the board is for %dS, this is %dS".formatted(board.series(), series),
                "the board");
        boolean isChemistry = board.chemistry() == sheet.need.chemistry();
        sheet.said(
                Check.BOARD_CHEMISTRY,
                isChemistry ? Verdict.FINE : Verdict.STOP,
                board.chemistry().words(),
                isChemistry
                        ? "the board's limits are those of the cells"
                        : "the board is for the %s: its limits do not protect these cells"
                                .formatted(board.chemistry().words()),
                "the board");
        sheet.said(
                Check.BOARD_BALANCE,
                board.hasBalanceLeads() ? Verdict.FINE : Verdict.STOP,
                board.hasBalanceLeads() ? "has them" : "none",
                board.hasBalanceLeads()
                        ? "%d leads, one to each joint".formatted(series + 1)
                        : "the board has no balance leads: it does not see the groups, and they drift apart; take another",
                CheckSheet.PRACTICE);
        currents(sheet, board);
        board.balanceMilliamps().ifPresent(milliamps -> evening(sheet, milliamps));
        board.hasTemperatureProbe()
                .ifPresent(has ->
                        sheet.said(
                                Check.BOARD_PROBE,
                                has ? Verdict.FINE : Verdict.CAUTION,
                                has ? "has a probe" : "no probe",
                                has
                                        ? "its probe belongs between cells in the middle of the pack"
                                        : "the board senses neither heat nor cold: it would charge a frozen pack",
                                CheckSheet.PRACTICE));
        board.hasSeparatePort()
                .ifPresent(separate ->
                        sheet.said(
                                Check.BOARD_PORT,
                                Verdict.FINE,
                                separate ? "separate" : "common",
                                separate
                                        ? "charge only through its own port: what goes in elsewhere is not guarded"
                                        : "charger and load share one port",
                                CheckSheet.PRACTICE));
    }

    private static void currents(CheckSheet sheet, Board board) {
        double steady = sheet.steadyAmps();
        double peak = sheet.peakAmps();
        boolean isOver = steady > board.continuousAmps() || peak > board.peakAmps();
        if (isOver && sheet.need.wiring().school() == BoardSchool.PAST_THE_BOARD) {
            sheet.said(
                    Check.BOARD_CONTINUOUS,
                    Verdict.CAUTION,
                    CheckSheet.amps(steady),
                    "the load bypasses the board: nothing then stops over-discharge or a short; it needs an alarm or a cut-off of its own at %s, and the main fuse"
                            .formatted(CheckSheet.volts(sheet.option.emptyVolts())),
                    "one of two schools; the other is a larger board or a contactor");
            return;
        }
        sheet.atMost(
                Check.BOARD_CONTINUOUS,
                Quantity.CURRENT,
                board.continuousAmps(),
                steady,
                Verdict.CAUTION,
                "the load draws %s continuously, the board is rated for %s"
                        .formatted(
                                CheckSheet.amps(steady), CheckSheet.amps(board.continuousAmps())),
                "the load draws %s continuously, the board is rated for %s: use a larger board or a contactor, or wire the load past the board with an alarm of its own"
                        .formatted(
                                CheckSheet.amps(steady), CheckSheet.amps(board.continuousAmps())),
                "the board");
        double instant =
                Math.max(
                        peak,
                        sheet.need.losses().fromPack(sheet.need.surgeWatts().orElse(0))
                                / sheet.lowestVolts());
        sheet.atMost(
                Check.BOARD_PEAK,
                Quantity.CURRENT,
                board.peakAmps(),
                instant,
                Verdict.CAUTION,
                "the peak is %s, the board cuts off at %s"
                        .formatted(CheckSheet.amps(instant), CheckSheet.amps(board.peakAmps())),
                "the peak is %s, the board cuts off at %s"
                        .formatted(CheckSheet.amps(instant), CheckSheet.amps(board.peakAmps())),
                "the board");
    }

    private static void evening(CheckSheet sheet, double milliamps) {
        double hours =
                DRIFT_SHARE * sheet.cell.ampHours() * sheet.option.parallel() * 1000 / milliamps;
        String words =
                "%s to even out 1 %% of a group's charge".formatted(Quantity.HOURS.text(hours));
        sheet.atMost(
                Check.BOARD_EVENING,
                Quantity.HOURS,
                NIGHT_HOURS,
                hours,
                Verdict.CAUTION,
                words,
                words + ": groups must be built even, or a stronger balancer taken",
                "1 % in a night, common practice");
    }
}
