package pentacell.desktop.plan;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.plan.PackPlan.Option;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.ControlRow;

/// What the pack looked at comes to, the loudest numbers of the station.
final class PlanFigures {
    private final ControlRow row = ControlRow.of();
    private final Label arrangement = figure("arrangement", "Pack");
    private final Label hours = figure("hours", "Hours");
    private final Label kilometres = figure("kilometres", "Kilometres");
    private final Label energy = figure("energy", "Usable / Wh");
    private final Label inside = figure("inside", "Left inside / %");
    private final Label volts = figure("volts", "Empty to full / V");
    private final Label mass = figure("mass", "Mass / kg");
    private final Label cost = figure("cost", "Cost");

    PlanFigures() {
        row.getStyleClass().add("figures-row");
        arrangement.getStyleClass().add("loudest");
    }

    Node node() {
        return row;
    }

    private Label figure(String id, String caption) {
        Label number = new Label("–");
        number.setId("plan-" + id);
        number.getStyleClass().add("loud");
        Label words = new Label(caption);
        words.getStyleClass().add("caption");
        row.getChildren().add(new VBox(number, words));
        return number;
    }

    void show(Optional<Judged> judged) {
        Optional<Option> option = judged.map(Judged::option);
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
