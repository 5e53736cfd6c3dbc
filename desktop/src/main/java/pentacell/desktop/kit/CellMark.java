package pentacell.desktop.kit;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.school.Grading;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.Grader;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;

/// The cell mark: a cell seen end-on. The outer ring is an arc that closes at 100 % of rated
/// capacity; the disc's ink is the resistance, the more it stands out from the ground the higher;
/// the ring's stroke is the standing: solid fit, dashed under test, double rescued, crossed out,
/// dotted not known.
///
/// @param standing how the cell stands
/// @param soh state of health as a share
/// @param milliohms resistance in mΩ
public record CellMark(Standing standing, OptionalDouble soh, OptionalDouble milliohms) {
    private static final double LIGHT_MILLIOHMS = 12;
    private static final double DARK_MILLIOHMS = 120;
    private static final int RAMP_STEPS = 8;

    /// The mark of a cell.
    public static CellMark of(CellRecord cell, WorkshopState state) {
        Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
        return new CellMark(
                Grader.judge(cell, model, Schools.of(state), Grading.of(state).policy()).verdict(),
                Grader.soh(cell, model),
                cell.milliohms());
    }

    /// How dark a resistance is drawn, on a logarithmic scale from 12 mΩ (0) to 120 mΩ (1).
    public static double darkness(double milliohms) {
        return Scale.ratio(milliohms, LIGHT_MILLIOHMS, DARK_MILLIOHMS);
    }

    /// The ramp of resistances with its two ends named, right-aligned.
    ///
    /// @param right edge in pixels
    /// @param middle height of its middle
    public static void rampLegend(Pen pen, double right, double middle) {
        ramp(
                pen,
                right,
                middle,
                "IR " + Quantity.RESISTANCE.number(LIGHT_MILLIOHMS, 0),
                Quantity.RESISTANCE.number(DARK_MILLIOHMS, 0) + " mΩ");
    }

    /// The ramp with its two ends named, right-aligned.
    public static void ramp(Pen pen, double right, double middle, String low, String high) {
        double em = pen.em();
        double step = 0.9 * em;
        pen.text(Hue.SECOND, 0.9, false, Anchor.RIGHT, right, middle, high);
        double from = right - pen.width(high, 0.9) - 0.5 * em - RAMP_STEPS * step;
        for (int i = 0; i < RAMP_STEPS; i++)
            pen.fillRamp(
                    i / (RAMP_STEPS - 1.0), from + i * step, middle - 0.4 * em, step - 1, 0.8 * em);
        pen.text(Hue.SECOND, 0.9, false, Anchor.RIGHT, from - 0.4 * em, middle, low);
    }

    /// Draws the mark.
    ///
    /// @param radius outer radius in pixels, 6 or more
    public void draw(Pen pen, double x, double y, double radius) {
        double ring = Math.max(1.4, radius * 0.16);
        double inner = radius - ring * 2.2;
        if (milliohms.isPresent()) pen.discRamp(darkness(milliohms.getAsDouble()), x, y, inner);
        else pen.arc(Hue.RULE, 1, x, y, inner, 1);
        double edge = radius - ring / 2;
        switch (standing) {
            case FIT -> pen.arc(Hue.INK, ring, x, y, edge, soh.orElse(1));
            case RESCUED -> {
                pen.arc(Hue.INK, ring * 0.5, x, y, edge + ring * 0.2, soh.orElse(1));
                pen.arc(Hue.INK, ring * 0.5, x, y, edge - ring * 1.0, soh.orElse(1));
            }
            case UNDER_TEST -> {
                pen.dashes(radius * 0.42, radius * 0.3);
                pen.arc(Hue.SECOND, ring, x, y, edge, 1);
                pen.dashes();
            }
            case UNKNOWN -> {
                pen.dashes(ring * 0.4, ring * 1.9);
                pen.arc(Hue.SECOND, ring, x, y, edge, 1);
                pen.dashes();
            }
            case OUT -> {
                pen.arc(Hue.STOP, ring * 0.6, x, y, edge, soh.orElse(1));
                double reach = radius * 0.72;
                pen.line(Hue.STOP, 2, x - reach, y - reach, x + reach, y + reach);
                pen.line(Hue.STOP, 2, x - reach, y + reach, x + reach, y - reach);
            }
        }
    }
}
