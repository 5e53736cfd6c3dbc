package pentacell.reports;

import java.io.IOException;
import java.util.List;
import pentacell.core.prove.GroupFan;
import pentacell.core.prove.LoadTest;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.unit.Quantity;

/// The pictures of a load test on paper: every group over the charge given, before what was to be
/// expected, with the one that ended it drawn thick; and what each group is missing, hanging from
/// the best.
///
/// @param left of the pictures, in points
/// @param width of both
record TestPictures(Plate plate, Tested tested, double left, double width) {
    private static final double TEXT = 8;
    private static final double AXIS = 34;
    private static final double FOOT = 16;
    private static final int TICKS = 5;

    /// Steps between the figures of an axis: 1, 2 or 5 times a power of ten.
    private static double step(double span) {
        double raw = span / TICKS;
        double power = Math.pow(10, Math.floor(Math.log10(raw)));
        double share = raw / power;
        return power * (share <= 1 ? 1 : share <= 2 ? 2 : share <= 5 ? 5 : 10);
    }

    private record Scale(double from, double to, double begin, double end) {
        double at(double value) {
            return begin + (end - begin) * (value - from) / (to - from);
        }
    }

    /// The fan.
    void fan(double top, double height) throws IOException {
        GroupFan fan = tested.fan();
        if (fan.ampHours().size() < 2) return;
        double mostAmpHours =
                Math.max(
                        fan.ampHours().getLast(),
                        fan.expected().stream()
                                .mapToDouble(GroupFan.Band::ampHours)
                                .max()
                                .orElse(0));
        double least = tested.endVolts();
        double most = tested.endVolts() + 0.1;
        for (List<Double> group : fan.volts())
            for (double volts : group) {
                least = Math.min(least, volts);
                most = Math.max(most, volts);
            }
        Scale x = new Scale(0, mostAmpHours, left + AXIS, left + width - 48);
        Scale y = new Scale(least, most, top + height - FOOT, top);
        for (GroupFan.Band band : fan.expected()) {
            double at = x.at(band.ampHours());
            double low = y.at(Math.max(least, band.lowestVolts()));
            double high = y.at(Math.min(most, band.highestVolts()));
            if (low > high) plate.fill(0.18, at, high, 1.4, Math.max(1.4, low - high));
        }
        axes(x, y, top, height);
        for (int group = 0; group < fan.volts().size(); group++)
            curve(
                    fan.ampHours(),
                    fan.volts().get(group),
                    x,
                    y,
                    group == tested.test().endedByGroup() ? 1.6 : 0.35);
        int ended = tested.test().endedByGroup();
        plate.text(
                Plate.Anchor.LEFT,
                true,
                TEXT,
                x.at(fan.ampHours().getLast()) + 4,
                // clear of the axis, where most end
                Math.min(y.at(fan.volts().get(ended).getLast()) + 3, top + height - FOOT - 4),
                "group " + (ended + 1));
    }

    private void axes(Scale x, Scale y, double top, double height) throws IOException {
        double bottom = top + height - FOOT;
        plate.line(0.5, left + AXIS, bottom, x.end(), bottom);
        plate.line(0.5, left + AXIS, top, left + AXIS, bottom);
        double volts = step(y.to() - y.from());
        for (double at = Math.ceil(y.from() / volts) * volts; at <= y.to() + 1e-9; at += volts) {
            plate.line(0.3, left + AXIS - 3, y.at(at), left + AXIS, y.at(at));
            plate.text(
                    Plate.Anchor.RIGHT,
                    false,
                    TEXT,
                    left + AXIS - 5,
                    y.at(at) + 3,
                    Quantity.VOLTAGE.number(at, 2));
        }
        double ampHours = step(x.to());
        for (double at = 0; at <= x.to() + 1e-9; at += ampHours)
            plate.text(
                    Plate.Anchor.MIDDLE,
                    false,
                    TEXT,
                    x.at(at),
                    bottom + 11,
                    Quantity.COUNT.number(at, ampHours < 1 ? 1 : 0));
        plate.text(Plate.Anchor.LEFT, false, TEXT, x.end() + 4, bottom + 11, "Ah");
        plate.text(Plate.Anchor.LEFT, false, TEXT, left, top - 4, "V");
    }

    private void curve(
            List<Double> ampHours, List<Double> volts, Scale x, Scale y, double thickness)
            throws IOException {
        int step = Math.max(1, ampHours.size() / 240);
        for (int i = 0; i + step < ampHours.size(); i += step)
            plate.line(
                    thickness,
                    x.at(ampHours.get(i)),
                    y.at(volts.get(i)),
                    x.at(ampHours.get(i + step)),
                    y.at(volts.get(i + step)));
        int last = ampHours.size() - 1;
        int before = (last - 1) / step * step;
        plate.line(
                thickness,
                x.at(ampHours.get(before)),
                y.at(volts.get(before)),
                x.at(ampHours.get(last)),
                y.at(volts.get(last)));
    }

    /// What each group is missing against the best, hanging down from it.
    void missing(double top, double height) throws IOException {
        List<LoadTest.Group> groups = tested.test().groups();
        double most = groups.stream().mapToDouble(LoadTest.Group::missingAmpHours).max().orElse(0);
        double each = (width - AXIS) / groups.size();
        double deepest = height - 2 * FOOT;
        plate.line(1, left + AXIS, top, left + width, top);
        for (int group = 0; group < groups.size(); group++) {
            double missing = groups.get(group).missingAmpHours();
            double deep = most > 0 ? deepest * missing / most : 0;
            double at = left + AXIS + group * each;
            boolean isEnd = group == tested.test().endedByGroup();
            if (deep > 0) {
                plate.fill(isEnd ? 0.75 : 0.35, at + 0.15 * each, top, 0.7 * each, deep);
                plate.text(
                        Plate.Anchor.MIDDLE,
                        isEnd,
                        TEXT,
                        at + each / 2,
                        top + deep + 9,
                        Quantity.CHARGE.number(missing, 2));
            }
            plate.text(
                    Plate.Anchor.MIDDLE,
                    isEnd,
                    TEXT,
                    at + each / 2,
                    top + height - 3,
                    "g" + (group + 1));
        }
        plate.text(Plate.Anchor.LEFT, false, TEXT, left, top + 9, "Ah less");
    }
}
