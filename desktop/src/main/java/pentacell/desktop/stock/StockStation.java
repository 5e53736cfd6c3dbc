package pentacell.desktop.stock;

import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.QuickBar;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.kit.Lazy;
import pentacell.desktop.theme.Theme;

/// Stock: the field of capacity against resistance, the table that follows its brush, the figures
/// of every model.
public final class StockStation implements Station {
    static final String FIELD = "Field";
    static final String BINS = "Bins";

    private final Desk desk;
    private final Lazy<StockView> view;

    public StockStation(Desk desk) {
        this.desk = desk;
        view = new Lazy<>(() -> new StockView(desk));
    }

    @Override
    public List<Shot> shots() {
        return List.of(new Shot("stock-paper", Theme.PAPER, this::pose));
    }

    private void pose() {
        desk.selection().select(new CellId("HB02-11"));
    }

    @Override
    public List<String> panes() {
        return List.of(FIELD, BINS);
    }

    @Override
    public void showPane(String name) {
        view.get().show(name);
    }

    @Override
    public int number() {
        return 4;
    }

    @Override
    public String name() {
        return "Stock";
    }

    @Override
    public Node view() {
        return view.get().node();
    }

    @Override
    public ObservableValue<Number> waiting() {
        // measured cells of which nobody knows the model wait here for one
        return desk.ledger()
                .stateProperty()
                .map(state ->
                        (int)
                                Cells.of(state).all().values().stream()
                                        .filter(cell ->
                                                cell.milliampHours().isPresent()
                                                        && Catalogue.of(state)
                                                                .modelOf(cell)
                                                                .isEmpty())
                                        .count());
    }

    @Override
    public Optional<QuickBar> line() {
        return Optional.empty();
    }

    @Override
    public void enter() {
        view.get().focusField();
    }
}
