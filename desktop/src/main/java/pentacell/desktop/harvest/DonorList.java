package pentacell.desktop.harvest;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import pentacell.core.cell.CellId;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.PlotSurface;
import pentacell.desktop.kit.WhenShown;

/// The donors, those with something to do first; each with its string in small.
final class DonorList extends ListView<DonorRecord> {
    private final Desk desk;
    private final HarvestModel model;
    private final StringSketch sketch;
    private boolean arranging;

    DonorList(Desk desk, HarvestModel model, StringSketch sketch) {
        this.desk = desk;
        this.model = model;
        this.sketch = sketch;
        setId("donors");
        getStyleClass().add("donors");
        setPlaceholder(new Label("No donor yet. Add donor gives the first pack its code."));
        setCellFactory(list -> new Row());
        getSelectionModel()
                .selectedItemProperty()
                .subscribe(chosen -> {
                    if (!arranging && chosen != null)
                        desk.selection().selectDonor(chosen.donor().code());
                });
        WhenShown.run(this, desk.ledger().stateProperty(), this::arrange);
        desk.selection().donorProperty().subscribe(code -> mark());
    }

    private void arrange() {
        arranging = true;
        List<DonorRecord> donors =
                Donors.of(desk.ledger().state()).records().values().stream()
                        .sorted(
                                Comparator.comparingInt((DonorRecord each) ->
                                                model.stage(each).waits() ? 0 : 1)
                                        .thenComparing(each -> new CellId(each.donor().code())))
                        .toList();
        getItems().setAll(donors);
        arranging = false;
        mark();
    }

    private void mark() {
        Optional<String> code = model.donor().map(record -> record.donor().code());
        arranging = true;
        getSelectionModel().clearSelection();
        for (int i = 0; i < getItems().size(); i++)
            if (code.equals(Optional.of(getItems().get(i).donor().code()))) {
                getSelectionModel().select(i);
                scrollTo(Math.max(0, i - 3));
            }
        arranging = false;
    }

    /// One donor: code, kind, stage, string.
    private final class Row extends ListCell<DonorRecord> {
        private final Label code = new Label();
        private final Label kind = new Label();
        private final Tooltip whole = new Tooltip();
        private final Label stage = new Label();
        private final PlotSurface small =
                new PlotSurface((pen, width, height) ->
                        Optional.ofNullable(getItem())
                                .ifPresent(
                                        record -> sketch.paintSmall(record, pen, width, height)));
        private final HBox box;

        Row() {
            code.getStyleClass().add("donor-code");
            kind.getStyleClass().addAll("caption", "may-shorten");
            kind.setTooltip(whole);
            stage.getStyleClass().add("donor-stage");
            stage.setMinWidth(Region.USE_PREF_SIZE);
            small.getStyleClass().add("donor-sketch");
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            HBox above = new HBox(code, gap, stage);
            above.getStyleClass().add("donor-above");
            VBox words = new VBox(above, kind);
            words.setMinWidth(0);
            HBox.setHgrow(words, Priority.ALWAYS);
            box = new HBox(words, small);
            box.getStyleClass().add("donor-row");
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(@Nullable DonorRecord item, boolean empty) {
            super.updateItem(item, empty);
            if (item == null || empty) {
                setGraphic(null);
                return;
            }
            code.setText(item.donor().code());
            kind.setText(
                    item.donor().arrangement().map(each -> each + " ").orElse("")
                            + item.donor().kind());
            whole.setText(kind.getText());
            HarvestModel.Stage now = model.stage(item);
            stage.setText(now.words());
            stage.pseudoClassStateChanged(
                    javafx.css.PseudoClass.getPseudoClass("waits"), now.waits());
            small.repaint();
            setGraphic(box);
        }
    }
}
