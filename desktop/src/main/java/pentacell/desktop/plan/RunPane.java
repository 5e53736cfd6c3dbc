package pentacell.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.plan.PackRun;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Axis;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Scale;
import pentacell.desktop.kit.Wrapping;

/// How the pack runs its loads from full until something stops it: mean cells, the spread of the
/// stock as a band, the coldest day, the matched groups.
final class RunPane extends VBox {
    private final Label meaning = new Label();
    private final Label others = new Label();
    private final PlotSurface plot = new PlotSurface((pen, width, height) -> {});

    RunPane(PlanModel model) {
        setId("run-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("run-meaning");
        meaning.getStyleClass().add("meaning");
        others.setId("run-others");
        plot.setId("run-plot");
        Wrapping.on(meaning);
        Wrapping.on(others);
        plot.setMinHeight(220);
        VBox.setVgrow(plot, Priority.ALWAYS);
        getChildren().addAll(meaning, others, plot);
        model.judgedProperty().subscribe(this::show);
    }

    private void show(Optional<JudgedPlan> judged) {
        meaning.setText(
                judged.map(now -> now.runs().mean().sentence())
                        .orElse("Nothing is planned yet: say under Need what it must power."));
        others.setText(judged.map(RunPane::others).orElse(""));
        plot.repaint(
                judged.<PlotSurface.Painter>map(now ->
                                (pen, width, height) -> new Plot(pen, now, width, height).paint())
                        .orElse((pen, width, height) -> {}));
    }

    private static String others(JudgedPlan judged) {
        JudgedPlan.Runs runs = judged.runs();
        List<String> said = new ArrayList<>();
        if (runs.weaker().isPresent() && runs.stronger().isPresent())
            said.add(
                    "Groups dealt at random from this stock last %s to %s, nineteen times in twenty."
                            .formatted(
                                    Quantity.HOURS.number(runs.weaker().get().hours()),
                                    Quantity.HOURS.text(runs.stronger().get().hours())));
        runs.winter()
                .ifPresent(cold ->
                        said.add(
                                "At %s: %s (0.8 %% less charge a kelvin under 25 °C, resistance doubled every 25 K; a simple model)."
                                        .formatted(
                                                Quantity.TEMPERATURE.text(
                                                        judged.proposal()
                                                                .need()
                                                                .coldestCelsius()
                                                                .orElse(0),
                                                        0),
                                                Quantity.HOURS.text(cold.hours()))));
        runs.matched()
                .ifPresent(matched ->
                        said.add(
                                "As matched now: %s."
                                        .formatted(Quantity.HOURS.text(matched.hours()))));
        said.add(
                "Loads go on and off in a cycle of ten minutes that begins with five seconds of all peaks.");
        return String.join(" ", said);
    }

    /// The picture of the runs.
    private record Plot(Pen pen, JudgedPlan judged, double width, double height) {
        void paint() {
            double em = pen.em();
            JudgedPlan.Runs runs = judged.runs();
            double left = 4.2 * em;
            double right = width - 1.5 * em;
            double top = 1.8 * em;
            double bottom = height - 2.8 * em;
            double most = runs.mean().hours();
            for (Optional<PackRun> each : List.of(runs.stronger(), runs.matched()))
                most = Math.max(most, each.map(PackRun::hours).orElse(0.0));
            double low =
                    Math.min(
                            judged.option().emptyVolts(),
                            judged.proposal().need().window().lowTripVolts() > 0
                                    ? judged.proposal().need().window().lowTripVolts()
                                    : judged.option().emptyVolts());
            Scale hours = new Scale(0, 1.03 * most, left, right);
            Scale volts = Scale.around(low, judged.option().fullVolts(), 0.04, bottom, top);
            pen.fill(Hue.SHEET, 1, left, top, right - left, bottom - top);
            new Axis(volts, 6, Hue.RULE, 0.85, "V").upright(pen, left, right, 5);
            new Axis(hours, 10, Hue.RULE, 0.85, "h").level(pen, top, bottom, bottom + 0.9 * em);
            trips(volts, left, right);
            runs.stronger().ifPresent(run -> line(run, hours, volts, Hue.SECOND, 1, false));
            runs.weaker().ifPresent(run -> line(run, hours, volts, Hue.SECOND, 1, false));
            runs.winter().ifPresent(run -> line(run, hours, volts, Hue.FOCUS, 1.5, true));
            runs.matched().ifPresent(run -> line(run, hours, volts, Hue.MEASURED, 5, false));
            line(runs.mean(), hours, volts, Hue.ACCENT, 2, false);
            legend(left, height - 0.8 * em);
        }

        private void trips(Scale volts, double left, double right) {
            double low = judged.proposal().need().window().lowTripVolts();
            if (low <= 0) return;
            double y = volts.pixel(low);
            pen.line(Hue.FOCUS, 2, left, y, right, y);
            pen.text(
                    Hue.FOCUS,
                    0.85,
                    true,
                    Anchor.LEFT,
                    left + 6,
                    y - 0.7 * pen.em(),
                    "the device stops at " + Quantity.VOLTAGE.text(low, 1));
        }

        private void line(
                PackRun run, Scale hours, Scale volts, Hue hue, double thick, boolean dashed) {
            if (dashed) pen.dashes(7, 4);
            List<PackRun.Point> points = run.points();
            for (int i = 1; i < points.size(); i++)
                pen.stroke(
                        hue,
                        thick,
                        hours.pixel(points.get(i - 1).hours()),
                        volts.pixel(points.get(i - 1).volts()),
                        hours.pixel(points.get(i).hours()),
                        volts.pixel(points.get(i).volts()));
            pen.dashes();
            PackRun.Point end = points.get(points.size() - 1);
            pen.disc(hue, 1, hours.pixel(end.hours()), volts.pixel(end.volts()), 3.5);
        }

        private void legend(double from, double y) {
            double em = pen.em();
            double x = from;
            x = entry(x, y, Hue.ACCENT, "mean cells");
            if (judged.runs().matched().isPresent()) x = entry(x, y, Hue.MEASURED, "as matched");
            if (judged.runs().stronger().isPresent())
                x = entry(x, y, Hue.SECOND, "groups ±2σ of the stock");
            if (judged.runs().winter().isPresent()) {
                pen.dashes(7, 4);
                entry(x, y, Hue.FOCUS, "coldest day");
                pen.dashes();
            }
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.LEFT,
                    0,
                    0.8 * em,
                    "Volts at the terminals over hours");
        }

        private double entry(double x, double y, Hue hue, String words) {
            double em = pen.em();
            pen.stroke(hue, 2.5, x, y, x + 1.8 * em, y);
            pen.text(Hue.INK, 0.85, false, Anchor.LEFT, x + 2.2 * em, y, words);
            return x + 3.4 * em + pen.width(words, 0.85);
        }
    }
}
