package pentacell.desktop.build;

import pentacell.core.build.Link;
import pentacell.core.build.PackCurrents.Can;
import pentacell.core.build.PackCurrents.Flowing;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;

/// What flows, in words.
final class CurrentWords {
    private CurrentWords() {}

    /// A piece of conductor.
    static String of(Flowing each) {
        Link link = each.link();
        return "%s, %s: %s of %s, %s, %s"
                .formatted(
                        Sentence.begin(link.kind().words()),
                        layers(link),
                        Quantity.CURRENT.text(Math.abs(each.amps())),
                        Quantity.CURRENT.text(each.allowedAmps()),
                        millivolts(each),
                        watts(each.watts()));
    }

    static String layers(Link link) {
        boolean isStrip = link.kind() == Link.Kind.PARALLEL || link.kind() == Link.Kind.SERIES;
        return isStrip
                ? Count.of(link.conductor().layers(), "layer", "layers")
                : "%.1f mm² wire".formatted(link.conductor().squareMillimetres());
    }

    static String millivolts(Flowing each) {
        return Quantity.MILLIVOLTS.text(1000 * Math.abs(each.volts()), 1);
    }

    /// Heat, in mW where it is little.
    static String watts(double watts) {
        return watts < 0.1
                ? "%.0f mW".formatted(1000 * watts)
                : Quantity.POWER.text(watts, watts < 10 ? 2 : 1);
    }

    /// A can.
    static String of(Can can) {
        return Double.isNaN(can.share())
                ? "no current"
                : "%s, %.2f of its group's mean"
                        .formatted(Quantity.CURRENT.text(can.amps()), can.share());
    }
}
