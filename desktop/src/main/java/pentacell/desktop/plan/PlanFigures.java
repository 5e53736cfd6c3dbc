package pentacell.desktop.plan;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.FigureRow;

/// What the pack looked at comes to, the loudest numbers of the station.
final class PlanFigures {
    private final FigureRow row = new FigureRow();
    private final Label arrangement = row.loudest("plan-arrangement", "Pack");
    private final Label hours = row.figure("plan-hours", "Hours");
    private final Label kilometres = row.figure("plan-kilometres", "Kilometres");
    private final Label energy = row.figure("plan-energy", "Usable / Wh");
    private final Label inside = row.figure("plan-inside", "Left inside / %");
    private final Label volts = row.figure("plan-volts", "Empty to full / V");
    private final Label mass = row.figure("plan-mass", "Mass / kg");
    private final Label cost = row.figure("plan-cost", "Cost");

    Node node() {
        return row.node();
    }

    void show(Optional<JudgedPlan> judged) {
        Optional<Option> option = judged.map(JudgedPlan::option);
        arrangement.setText(option.map(Option::arrangement).orElse("–"));
        hours.setText(option.map(each -> Quantity.HOURS.number(each.hours())).orElse("–"));
        boolean isDriving = option.filter(each -> each.kilometres().isPresent()).isPresent();
        kilometres.getParent().setVisible(isDriving);
        kilometres.getParent().setManaged(isDriving);
        kilometres.setText(
                option.map(each -> Quantity.DISTANCE.number(each.kilometres().orElse(0)))
                        .orElse("–"));
        energy.setText(
                option.map(each -> Quantity.ENERGY.number(each.usableWattHours(), 0)).orElse("–"));
        inside.setText(
                option.map(each -> Quantity.PERCENT.number(100 * (1 - each.usableShare()), 0))
                        .orElse("–"));
        volts.setText(
                option.map(each ->
                                Quantity.VOLTAGE.number(each.emptyVolts(), 1)
                                        + "–"
                                        + Quantity.VOLTAGE.number(each.fullVolts(), 1))
                        .orElse("–"));
        mass.setText(option.map(each -> Quantity.MASS.number(each.kilograms(), 1)).orElse("–"));
        cost.setText(judged.flatMap(now -> now.parts().total()).map(PartsPane::money).orElse("–"));
    }
}
