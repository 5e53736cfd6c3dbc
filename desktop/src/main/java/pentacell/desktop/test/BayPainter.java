package pentacell.desktop.test;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Optional;
import pentacell.core.measure.SampleLog;
import pentacell.core.test.TestSlot;
import pentacell.core.test.facts.Bay;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.kit.When;
import pentacell.instruments.bench.LinkState;
import pentacell.instruments.bench.LiveRun;

/// Draws a bay: what is in it, its curve so far, when it is expected to end; or what goes in next.
final class BayPainter {
    /// What a bay shows.
    ///
    /// @param number on the board
    /// @param standInsCount whether what a stand-in tells counts
    /// @param run what runs in it
    /// @param last what was measured in it last: the cell and its capacity
    /// @param next what the plan has for it
    /// @param endsAt when it is expected to end
    /// @param expectedSeconds how long the whole run takes, by the instrument's clock, in s
    /// @param now time by the clock on the wall
    record View(
            int number,
            Bay bay,
            LinkState link,
            boolean standInsCount,
            boolean isAside,
            Optional<LiveRun> run,
            Optional<String> last,
            Optional<TestSlot> next,
            Optional<LocalDateTime> endsAt,
            double expectedSeconds,
            LocalDateTime now,
            boolean isInHand,
            boolean isSelected) {}

    private BayPainter() {}

    static void paint(View view, Pen pen, double width, double height) {
        double em = pen.em();
        pen.fill(Hue.SHEET, 1, 0, 0, width, height);
        boolean isPractice = view.link().simulated() && !view.standInsCount();
        if (isPractice) pen.hatch(Hue.RULE, 9, 0, 0, width, height);
        pen.frame(
                view.isInHand() ? Hue.FOCUS : Hue.RULE,
                view.isInHand() ? 2 : 1,
                0,
                0,
                width - 1,
                height - 1);
        if (view.isSelected()) pen.fill(Hue.FOCUS, 0.07, 1, 1, width - 2, height - 2);
        pen.text(
                Hue.SECOND,
                0.9,
                false,
                Anchor.LEFT,
                0.6 * em,
                0.9 * em,
                "b" + view.number() + "  " + view.bay().name());
        String trouble = view.isAside() ? "set aside" : view.link().isLost() ? "■ no line" : "";
        if (trouble.isEmpty() && isPractice)
            pen.text(
                    Hue.SECOND,
                    0.85,
                    true,
                    Anchor.RIGHT,
                    width - 0.6 * em,
                    0.9 * em,
                    "stand-in: practice");
        if (!trouble.isEmpty())
            pen.text(Hue.STOP, 0.85, true, Anchor.RIGHT, width - 0.6 * em, 0.9 * em, trouble);
        if (view.run().isPresent()) running(view, view.run().get(), pen, width, height);
        else idle(view, pen, height);
    }

    private static void idle(View view, Pen pen, double height) {
        double em = pen.em();
        if (view.last().isPresent()) {
            pen.text(Hue.INK, 1.05, true, Anchor.LEFT, 0.6 * em, 2.6 * em, "done: take out");
            pen.text(Hue.INK, 0.95, false, Anchor.LEFT, 0.6 * em, 4 * em, view.last().get());
        } else pen.text(Hue.SECOND, 1.05, false, Anchor.LEFT, 0.6 * em, 2.6 * em, "empty");
        view.next()
                .ifPresent(next -> {
                    pen.text(
                            Hue.SECOND,
                            0.9,
                            false,
                            Anchor.LEFT,
                            0.6 * em,
                            height - 2.7 * em,
                            "load next");
                    pen.text(
                            Hue.ACCENT,
                            1.5,
                            true,
                            Anchor.LEFT,
                            0.6 * em,
                            height - 1.2 * em,
                            next.cell().text());
                });
    }

    private static void running(View view, LiveRun run, Pen pen, double width, double height) {
        double em = pen.em();
        SampleLog log = run.log();
        pen.text(Hue.INK, 1.45, true, Anchor.LEFT, 0.6 * em, 2.4 * em, run.cell().text());
        if (log.size() == 0) {
            pen.text(Hue.SECOND, 0.95, false, Anchor.LEFT, 0.6 * em, 4.2 * em, "begins");
            return;
        }
        int last = log.size() - 1;
        pen.text(
                Hue.INK,
                1.25,
                true,
                Anchor.RIGHT,
                width - 0.6 * em,
                2.3 * em,
                Quantity.VOLTAGE.text(log.volts(last)));
        String doing =
                log.amps(last) > 0.005
                        ? "charge "
                        : log.amps(last) < -0.005 ? "discharge " : "rest";
        String amps =
                Math.abs(log.amps(last)) > 0.005
                        ? Quantity.CURRENT.text(Math.abs(log.amps(last)))
                        : "";
        pen.text(Hue.SECOND, 0.95, false, Anchor.LEFT, 0.6 * em, 3.9 * em, doing + amps);
        if (Double.isFinite(log.celsius(last)))
            pen.text(
                    log.celsius(last) > 32 ? Hue.CAUTION : Hue.SECOND,
                    0.95,
                    log.celsius(last) > 32,
                    Anchor.RIGHT,
                    width - 0.6 * em,
                    3.9 * em,
                    (log.celsius(last) > 32 ? "▲ " : "")
                            + Quantity.TEMPERATURE.text(log.celsius(last)));
        double top = 4.9 * em;
        double bottom = height - 1.9 * em;
        if (bottom - top > 1.5 * em)
            curve(log, view.expectedSeconds(), pen, 0.6 * em, width - 0.6 * em, top, bottom);
        view.endsAt()
                .ifPresent(end ->
                        pen.text(
                                Hue.SECOND,
                                0.9,
                                false,
                                Anchor.LEFT,
                                0.6 * em,
                                height - 0.9 * em,
                                endWords(view.now(), end)));
    }

    private static String endWords(LocalDateTime now, LocalDateTime end) {
        Duration left = Duration.between(now, end);
        if (left.toSeconds() < 1) return "longer than expected";
        if (left.toMinutes() < 2) return "about %d s to go".formatted(left.toSeconds());
        return "ends about %s, in %d:%02d h"
                .formatted(When.WEEKDAY.words(end), left.toHours(), left.toMinutesPart());
    }

    private static void curve(
            SampleLog log,
            double expectedSeconds,
            Pen pen,
            double left,
            double right,
            double top,
            double bottom) {
        double end = log.seconds(log.size() - 1);
        Scale time = new Scale(0, Math.max(Math.max(end, 600), expectedSeconds), left, right);
        // done of what is expected
        pen.line(Hue.RULE, 1, left, bottom, right, bottom);
        pen.line(Hue.MEASURED, 3, left, bottom, time.pixel(end), bottom);
        CurveLines.volts(log, time, new Scale(2.4, 4.3, bottom, top), pen, Hue.MEASURED, 1.5);
    }
}
