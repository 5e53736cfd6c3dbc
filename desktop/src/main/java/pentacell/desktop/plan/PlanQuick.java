package pentacell.desktop.plan;

import pentacell.core.cell.Chemistry;
import pentacell.core.plan.NeedLine;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.LoggedLines;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Plan: a need in one line.
final class PlanQuick {
    private PlanQuick() {}

    static QuickSource of(Desk desk, PlanModel model) {
        return new LoggedLines(
                desk,
                () -> model.packProperty().get(),
                "60w peak 150w 8h 20-30v   or 12wh/km 40km",
                text ->
                        NeedLine.line(
                                text,
                                model.packProperty().get(),
                                model.needProperty().get(),
                                Chemistry.NMC),
                changed -> {
                    model.packProperty().subscribe(name -> changed.run());
                    model.needProperty().subscribe(need -> changed.run());
                });
    }
}
