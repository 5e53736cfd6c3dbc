package pentacell.desktop.kit;

import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;

/// The ticks of a plot's axes, labelled with as many digits as tell one from the next.
///
/// @param scale maps its values to pixels
/// @param most how many ticks at most
/// @param rule hairlines are of this hue
/// @param size of the labels, in em
/// @param unit behind every label but 0; empty for none
public record Axis(Scale scale, int most, Hue rule, double size, String unit) {
    public Axis(Scale scale, int most, Hue rule, double size) {
        this(scale, most, rule, size, "");
    }

    /// An upright axis: hairlines across, labels left of them.
    ///
    /// @param from where the hairlines begin, in pixels
    /// @param to where they end
    /// @param gap between label and hairline
    public void upright(Pen pen, double from, double to, double gap) {
        double[] ticks = scale.ticks(most);
        for (double tick : ticks) {
            double y = scale.pixel(tick);
            pen.line(rule, 1, from, y, to, y);
            pen.text(Hue.SECOND, size, false, Anchor.RIGHT, from - gap, y, label(tick, ticks));
        }
    }

    /// A level axis: hairlines up, labels under them.
    ///
    /// @param from where the hairlines begin, in pixels
    /// @param to where they end
    /// @param middle of the labels
    public void level(Pen pen, double from, double to, double middle) {
        double[] ticks = scale.ticks(most);
        for (double tick : ticks) {
            double x = scale.pixel(tick);
            if (from != to) pen.line(rule, 1, x, from, x, to);
            pen.text(Hue.SECOND, size, false, Anchor.CENTRE, x, middle, label(tick, ticks));
        }
    }

    /// Labels right of a plot that has another axis on its left.
    ///
    /// @param at where the labels begin, in pixels
    public void besides(Pen pen, Hue hue, double at) {
        double[] ticks = scale.ticks(most);
        for (double tick : ticks)
            pen.text(hue, size, false, Anchor.LEFT, at, scale.pixel(tick), label(tick, ticks));
    }

    private String label(double tick, double[] ticks) {
        String number = Quantity.COUNT.number(tick, digits(ticks));
        return unit.isEmpty() || tick == 0 ? number : number + " " + unit;
    }

    /// Digits behind the point that the step between ticks needs.
    static int digits(double[] ticks) {
        if (ticks.length < 2) return ticks.length == 0 || ticks[0] == Math.rint(ticks[0]) ? 0 : 2;
        double step = ticks[1] - ticks[0];
        return (int) Math.clamp(Math.ceil(-Math.log10(step) - 1e-9), 0, 6);
    }
}
