package pentacell.desktop.frame;

import java.util.List;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/// The path along the left: the stations in the order of the work, each with the count of what
/// waits there.
final class PathBar extends VBox {
    private static final PseudoClass HERE = PseudoClass.getPseudoClass("here");

    /// Rows closer together, in a low window.
    private static final PseudoClass TIGHT = PseudoClass.getPseudoClass("tight");

    /// Height of a row and of what stands above the first, by the style sheet.
    private static final double ROW_EM = 2.8;

    private static final double ABOVE_EM = 3.2;

    private final Label brand = new Label("Pentacell");

    PathBar(List<Station> stations, Consumer<Station> go) {
        getStyleClass().add("path");
        setMinHeight(0);
        brand.getStyleClass().add("brand");
        getChildren().add(brand);
        for (Station station : stations) getChildren().add(button(station, go));
    }

    private static Button button(Station station, Consumer<Station> go) {
        Label count = new Label();
        count.getStyleClass().add("path-count");
        station.waiting()
                .subscribe(number ->
                        count.setText(
                                number.intValue() == 0 ? "" : String.valueOf(number.intValue())));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox row = new HBox(new Label(station.name()), gap, count);
        row.getStyleClass().add("path-row");
        Button button = new Button();
        button.setGraphic(row);
        button.setId("path-" + station.name().toLowerCase(java.util.Locale.ROOT));
        button.setAccessibleText(station.name());
        button.getStyleClass().add("path-button");
        button.setMaxWidth(Double.MAX_VALUE);
        button.setTooltip(
                new Tooltip(
                        station.name()
                                + " (Ctrl+"
                                + station.number()
                                + "); the number is what waits there"));
        button.setOnAction(pressed -> go.accept(station));
        button.setUserData(station);
        return button;
    }

    @Override
    protected void layoutChildren() {
        double em = brand.getFont().getSize() / 1.15;
        double wanted = (ABOVE_EM + ROW_EM * (getChildren().size() - 1)) * em;
        pseudoClassStateChanged(TIGHT, getHeight() < wanted);
        super.layoutChildren();
    }

    void mark(Station here) {
        getChildren()
                .forEach(child ->
                        child.pseudoClassStateChanged(HERE, here.equals(child.getUserData())));
    }
}
