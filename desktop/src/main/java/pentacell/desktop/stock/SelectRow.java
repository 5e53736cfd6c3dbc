package pentacell.desktop.stock;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import pentacell.core.cell.CellId;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.SentFields;

/// Selections of the stock: by σ, by donor, those that were saved; and what is brushed kept under a
/// name.
final class SelectRow {
    private static final String DONOR = "Donor …";
    private static final String SAVED = "Saved …";

    private final StockModel model;
    private final ComboBox<String> donor = new ComboBox<>();
    private final ComboBox<String> saved = new ComboBox<>();
    private final TextField name = new TextField();
    private final SentFields sent = new SentFields(List.of(name));
    private final Button keep = new Button("Keep selection");
    private final Button forget = new Button("Forget");
    private final ControlRow row;

    /// @param tabs stand at its begin
    SelectRow(Desk desk, StockModel model, Node tabs) {
        this.model = model;
        donor.setId("select-donor");
        saved.setId("select-saved");
        name.setId("selection-name");
        name.setPromptText("name for what is brushed");
        name.setPrefColumnCount(16);
        keep.setId("selection-keep");
        forget.setId("selection-forget");
        row =
                ControlRow.of(
                        tabs,
                        sigma("±1 σ", 1),
                        sigma("±2 σ", 2),
                        donor,
                        saved,
                        forget,
                        ControlRow.gap(),
                        name,
                        keep);
        row.getStyleClass().add("station-bar");
        donor.valueProperty()
                .subscribe(code -> {
                    if (code != null && !code.equals(DONOR))
                        model.select(each -> each.cell().donor().equals(Optional.of(code)));
                });
        saved.valueProperty()
                .subscribe(chosen -> {
                    Optional<List<CellId>> cells =
                            Optional.ofNullable(chosen).map(model.selections()::get);
                    cells.ifPresent(list -> model.brush(Set.copyOf(list)));
                    forget.setDisable(cells.isEmpty());
                });
        keep.setOnAction(pressed -> keep());
        name.setOnAction(pressed -> keep());
        name.textProperty().subscribe(text -> enable());
        forget.setOnAction(pressed -> {
            String chosen = saved.getValue();
            saved.setValue(SAVED);
            model.forget(chosen);
        });
        model.shownProperty().subscribe(this::show);
        desk.ledger().stateProperty().subscribe(state -> offerSaved());
    }

    ControlRow node() {
        return row;
    }

    private Button sigma(String words, double sigmas) {
        Button button = new Button(words);
        button.setId("select-sigma-" + (int) sigmas);
        button.setTooltip(
                new Tooltip("Cells whose capacity lies within so many σ of their model’s mean."));
        button.setOnAction(pressed -> model.selectWithin(sigmas));
        return button;
    }

    private void keep() {
        String wanted = name.getText().strip();
        if (!keep.isDisabled()) model.keep(wanted, sent.send());
    }

    private void enable() {
        keep.setDisable(
                name.getText().isBlank() || model.shownProperty().get().brushed().isEmpty());
    }

    private void show(StockModel.Shown shown) {
        List<String> donors = new ArrayList<>(List.of(DONOR));
        shown.rows().stream()
                .flatMap(each -> each.cell().donor().stream())
                .distinct()
                .sorted()
                .forEach(donors::add);
        if (!donors.equals(donor.getItems())) {
            donor.getItems().setAll(donors);
            donor.setValue(DONOR);
        }
        if (shown.brushed().isEmpty()) {
            donor.setValue(DONOR);
            saved.setValue(SAVED);
        }
        enable();
    }

    private void offerSaved() {
        List<String> names = new ArrayList<>(List.of(SAVED));
        names.addAll(model.selections().keySet());
        if (names.equals(saved.getItems())) return;
        String before = Objects.requireNonNullElse(saved.getValue(), SAVED);
        saved.getItems().setAll(names);
        saved.setValue(names.contains(before) ? before : SAVED);
    }
}
