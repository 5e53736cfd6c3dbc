package pentacell.desktop.intake;

import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.caution.Caution;
import pentacell.core.intake.LookTwice;
import pentacell.core.intake.LookTwice.Suspicion;
import pentacell.desktop.frame.CautionStrip;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// Cells that are perhaps not what their label says.
final class LookTwicePane extends VBox {
    LookTwicePane(Desk desk) {
        setId("look-twice-pane");
        getStyleClass().add("list-pane");
        Label summary = new Label("Perhaps not what the label says");
        summary.getStyleClass().add("list-summary");
        Wrapping.on(summary);
        ListPane<Suspicion> list =
                new ListPane<Suspicion>(
                                desk,
                                "look-twice-list",
                                "Nothing suspicious: resting voltages and capacities fit the labels.",
                                Suspicion::cell)
                        .column("Cell", each -> each.cell().text())
                        .sentence("Why", each -> each.reason().sentence());
        getChildren().addAll(summary, new CautionStrip(desk, Caution.POLARITY), list.table());
        WhenShown.run(
                this,
                desk.ledger().stateProperty(),
                () -> list.show(LookTwice.of(desk.ledger().state())));
    }
}
