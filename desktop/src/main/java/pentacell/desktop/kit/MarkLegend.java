package pentacell.desktop.kit;

import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import pentacell.core.stock.Standing;

/// What the cell mark says, in a row of examples.
public final class MarkLegend {
    private MarkLegend() {}

    /// A new legend.
    public static Node create() {
        FlowPane legend = new FlowPane();
        legend.getStyleClass().add("legend");
        for (Standing standing :
                new Standing[] {
                    Standing.FIT,
                    Standing.RESCUED,
                    Standing.UNDER_TEST,
                    Standing.UNKNOWN,
                    Standing.OUT
                })
            legend.getChildren()
                    .add(
                            example(
                                    new CellMark(
                                            standing,
                                            OptionalDouble.of(0.85),
                                            OptionalDouble.of(45)),
                                    standing.words()));
        legend.getChildren()
                .add(
                        example(
                                new CellMark(
                                        Standing.FIT, OptionalDouble.of(1), OptionalDouble.of(16)),
                                "low IR"));
        legend.getChildren()
                .add(
                        example(
                                new CellMark(
                                        Standing.FIT, OptionalDouble.of(1), OptionalDouble.of(115)),
                                "high IR"));
        return legend;
    }

    private static Node example(CellMark mark, String words) {
        PlotSurface drawn =
                new PlotSurface((pen, width, height) ->
                        mark.draw(pen, width / 2, height / 2, Math.min(width, height) / 2 - 1));
        drawn.getStyleClass().add("legend-mark");
        HBox row = new HBox(drawn, new Label(words));
        row.getStyleClass().add("legend-row");
        return row;
    }
}
