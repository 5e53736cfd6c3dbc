package pentacell.desktop.intake;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Place;
import pentacell.core.stock.Shelf;
import pentacell.core.stock.ShelfLists;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.WhenShown;
import pentacell.desktop.kit.Wrapping;

/// Cells that lie loose: named, but in no place of any tray.
final class LoosePane extends VBox {
    private final Desk desk;
    private final Label summary = new Label();
    private final Button place = new Button("Lay into free places");
    private final ListPane<CellRecord> list;

    LoosePane(Desk desk) {
        this.desk = desk;
        setId("loose-pane");
        getStyleClass().add("list-pane");
        summary.setId("loose-summary");
        summary.getStyleClass().add("list-summary");
        Wrapping.on(summary);
        list =
                new ListPane<CellRecord>(
                                desk,
                                "loose-list",
                                "No cell lies loose: each has its place in a tray.",
                                CellRecord::id)
                        .column("Cell", cell -> cell.id().text())
                        .column("Model", cell -> cell.model().orElse(""))
                        .column("Donor", cell -> cell.donor().orElse(""))
                        .number(
                                "First V",
                                cell ->
                                        Quantity.VOLTAGE.number(
                                                cell.firstVolts().orElse(Double.NaN)))
                        .column(
                                "Standing",
                                cell -> desk.ledger().judged().standing(cell.id()).words());
        place.setId("loose-place");
        place.setOnAction(pressed -> layDown());
        Label hint = new Label("Or one by one at the quick line: HB03-07 > T1-A05.");
        hint.getStyleClass().add("caption");
        getChildren().addAll(ControlRow.of(summary, ControlRow.gap(), place), hint, list.table());
        WhenShown.run(this, desk.ledger().stateProperty(), this::show);
    }

    private List<CellRecord> loose() {
        return ShelfLists.loose(desk.ledger().state());
    }

    private void show() {
        List<CellRecord> cells = loose();
        summary.setText(
                cells.isEmpty()
                        ? "No cell lies loose"
                        : Count.of(cells.size(), "cell lies loose", "cells lie loose"));
        place.setDisable(cells.isEmpty());
        list.show(cells);
    }

    private void layDown() {
        List<CellId> cells = loose().stream().map(CellRecord::id).toList();
        List<Place> places = Shelf.free(desk.ledger().state(), cells.size());
        if (places.isEmpty()) {
            desk.notices().say("No tray has a free place: Add tray puts one on the shelf.");
            return;
        }
        List<CellFact.CellPlaced> moves =
                java.util.stream.IntStream.range(0, places.size())
                        .mapToObj(i -> new CellFact.CellPlaced(cells.get(i), places.get(i)))
                        .toList();
        desk.ledger()
                .log(
                        "Lay down " + Count.of(moves.size(), "loose cell", "loose cells"),
                        moves,
                        () ->
                                desk.notices()
                                        .say(
                                                "%s in %s to %s.%s"
                                                        .formatted(
                                                                Count.of(
                                                                        moves.size(),
                                                                        "cell",
                                                                        "cells"),
                                                                places.getFirst(),
                                                                places.getLast(),
                                                                moves.size() < cells.size()
                                                                        ? " There is no room for the others: Add tray."
                                                                        : "")));
    }
}
