package pentacell.desktop.intake;

import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.intake.LookTwice;
import pentacell.core.intake.LookTwice.Suspicion;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.WhenShown;

/// Cells that are perhaps not what their label says.
final class LookTwicePane extends VBox {
    LookTwicePane(Desk desk) {
        setId("look-twice-pane");
        getStyleClass().add("list-pane");
        Label summary = new Label("Perhaps not what the label says");
        summary.getStyleClass().add("list-summary");
        ListPane<Suspicion> list =
                new ListPane<Suspicion>(
                                desk,
                                "look-twice-list",
                                "Nothing suspicious: resting voltages and capacities fit the labels.",
                                Suspicion::cell)
                        .column("Cell", 110, each -> each.cell().text())
                        .column("Why", 600, each -> each.reason().sentence());
        getChildren().addAll(summary, new CautionStrip(desk, Caution.POLARITY), list.table());
        WhenShown.run(
                this,
                desk.ledger().stateProperty(),
                () -> list.show(LookTwice.of(desk.ledger().state())));
    }
}
