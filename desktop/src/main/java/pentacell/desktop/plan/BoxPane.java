package pentacell.desktop.plan;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.plan.BoxFit;
import pentacell.core.plan.facts.Box;
import pentacell.core.plan.facts.Need;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.Pen;
import pentacell.desktop.kit.Pen.Anchor;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.PlotSurface.Hue;
import pentacell.desktop.kit.Wrapping;

/// How the cells lie in the box, drawn to scale: one layer seen along the cans, and the layers from
/// the side.
final class BoxPane extends VBox {
    private final Label meaning = new Label();
    private final PlotSurface plot = new PlotSurface((pen, width, height) -> {});

    BoxPane(PlanModel model) {
        setId("box-pane");
        getStyleClass().add("plan-pane");
        meaning.setId("box-meaning");
        meaning.getStyleClass().add("meaning");
        Wrapping.on(meaning);
        plot.setId("box-plot");
        plot.setMinHeight(220);
        VBox.setVgrow(plot, Priority.ALWAYS);
        getChildren().addAll(meaning, plot);
        model.judgedProperty().subscribe(this::show);
    }

    private void show(Optional<JudgedPlan> judged) {
        meaning.setText(
                judged.isEmpty()
                        ? "Nothing is planned yet: say under Need what it must power."
                        : judged.flatMap(now -> now.fit().map(fit -> words(now, fit)))
                                .orElse(
                                        "No box is named. Its inside, in mm, is typed under Need; then the best arrangement is found and drawn here."));
        plot.repaint((pen, width, height) ->
                judged.ifPresent(now ->
                        now.fit()
                                .ifPresent(fit ->
                                        now.proposal()
                                                .need()
                                                .box()
                                                .ifPresent(box ->
                                                        new Drawing(pen, now, fit, box)
                                                                .paint(width, height)))));
    }

    private static String words(JudgedPlan judged, BoxFit fit) {
        String cells = Count.of(judged.option().cells(), "cell", "cells");
        if (fit.over().isPresent())
            return "%s do not go in, the box takes %d; with %s more %s they would."
                    .formatted(
                            cells,
                            fit.most(),
                            Quantity.LENGTH.text(Math.ceil(fit.over().get().millimetres()), 0),
                            fit.over().get().side().words());
        return "%s go in, in %s of %s rows, cans along the %s; this way the box would take %d."
                .formatted(
                        cells,
                        Count.of(fit.layers(), "layer", "layers"),
                        fit.pattern().words(),
                        fit.axis().words(),
                        fit.most());
    }

    /// The drawing, in one scale.
    private record Drawing(Pen pen, JudgedPlan judged, BoxFit fit, Box box) {
        void paint(double width, double height) {
            double em = pen.em();
            Need need = judged.proposal().need();
            double along = along();
            double across = across();
            double deep = deep();
            double gap = 3.5 * em;
            double scale =
                    Math.min((width - 4 * em) / along, (height - 6 * em - gap) / (across + deep));
            if (!(scale > 0)) return;
            double x = 2 * em;
            double y = 2.2 * em;
            title(x, 0.9 * em, "Along the cans");
            frame(x, y, along * scale, across * scale);
            double diameter = judged.proposal().supply().format().diameterMillimetres();
            List<BoxFit.Spot> floor = fit.spots().isEmpty() ? List.of() : fit.spots().get(0);
            for (int i = 0; i < floor.size(); i++) {
                BoxFit.Spot spot = floor.get(i);
                double radius = diameter / 2 * scale;
                pen.disc(
                        Hue.MEASURED,
                        0.25,
                        x + spot.along() * scale,
                        y + spot.across() * scale,
                        radius);
                pen.arc(Hue.INK, 1, x + spot.along() * scale, y + spot.across() * scale, radius, 1);
            }
            board(x, y, across * scale, scale, need);
            sizes(x, y, along, across, scale);
            double below = y + across * scale + gap;
            title(x, below - 1.3 * em, "From the side");
            frame(x, below, along * scale, deep * scale);
            layers(x, below, scale, diameter, need);
            board(x, below, deep * scale, scale, need);
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.LEFT,
                    x + along * scale + 0.5 * em,
                    below + deep * scale / 2,
                    Quantity.LENGTH.text(deep, 0));
        }

        private void title(double x, double y, String words) {
            pen.text(Hue.SECOND, 0.9, false, Anchor.LEFT, x, y, words);
        }

        private void frame(double x, double y, double width, double height) {
            pen.fill(Hue.SHEET, 1, x, y, width, height);
            pen.frame(Hue.INK, 2, x, y, width, height);
        }

        /// What is kept free for the board lies at the far end of the length.
        private void board(double x, double y, double height, double scale, Need need) {
            double room = need.packing().boardMillimetres() * scale;
            if (room <= 0 || fit.axis() == BoxFit.Axis.LENGTH) return;
            double left =
                    x + (box.lengthMillimetres() - need.packing().wallMillimetres()) * scale - room;
            pen.hatch(Hue.SECOND, 7, left, y + 2, room, height - 4);
            double words = pen.width("board", 0.85);
            if (room < words + 4) return;
            double em = pen.em();
            pen.fill(
                    Hue.SHEET,
                    1,
                    left + room / 2 - words / 2 - 2,
                    y + height / 2 - 0.6 * em,
                    words + 4,
                    1.2 * em);
            pen.text(Hue.INK, 0.85, false, Anchor.CENTRE, left + room / 2, y + height / 2, "board");
        }

        private void sizes(double x, double y, double along, double across, double scale) {
            double em = pen.em();
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.CENTRE,
                    x + along * scale / 2,
                    y + across * scale + 0.8 * em,
                    Quantity.LENGTH.text(along, 0));
            pen.text(
                    Hue.SECOND,
                    0.85,
                    false,
                    Anchor.LEFT,
                    x + along * scale + 0.5 * em,
                    y + across * scale / 2,
                    Quantity.LENGTH.text(across, 0));
        }

        private void layers(double x, double y, double scale, double diameter, Need need) {
            double tall =
                    judged.proposal().supply().format().lengthMillimetres()
                            + 2 * need.packing().endMillimetres();
            for (int layer = 0; layer < fit.layers(); layer++) {
                double top =
                        y
                                + (need.packing().wallMillimetres()
                                                + layer * tall
                                                + need.packing().endMillimetres())
                                        * scale;
                double can = judged.proposal().supply().format().lengthMillimetres() * scale;
                // cans that stand behind each other are one from the side
                fit.spots().get(layer).stream()
                        .mapToDouble(spot -> x + (spot.along() - diameter / 2) * scale)
                        .distinct()
                        .forEach(left -> {
                            pen.fill(Hue.MEASURED, 0.25, left, top, diameter * scale, can);
                            pen.frame(Hue.SECOND, 1, left, top, diameter * scale, can);
                        });
            }
        }

        private double along() {
            return fit.axis() == BoxFit.Axis.LENGTH
                    ? box.widthMillimetres()
                    : box.lengthMillimetres();
        }

        private double across() {
            return fit.axis() == BoxFit.Axis.HEIGHT
                    ? box.widthMillimetres()
                    : box.heightMillimetres();
        }

        private double deep() {
            return switch (fit.axis()) {
                case HEIGHT -> box.heightMillimetres();
                case WIDTH -> box.widthMillimetres();
                case LENGTH -> box.lengthMillimetres();
            };
        }
    }
}
