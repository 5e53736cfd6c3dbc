package pentacell.desktop.kit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import pentacell.core.unit.Quantity;

/// A table whose columns are as wide as their head and their widest text, at any size of type. Of
/// columns that hold sentences the last takes what is left, and shortens where there is not enough;
/// the whole sentence is then had by pointing at it. A width that a person has pulled stays.
public final class FittedTable<R> extends TableView<R> {
    /// Texts of a column that are measured: its longest by letters.
    private static final int MEASURED = 12;

    /// Rows looked at; of longer tables a sample.
    private static final int LOOKED_AT = 500;

    private static final double CELL_PADDING_EM = 1.15;
    private static final double HEAD_PADDING_EM = 1.1;
    private static final double SORT_ARROW_EM = 1.6;
    private static final double LEAST_SENTENCE_EM = 14;
    private static final String CELL_FAMILY = "IBM Plex Sans Condensed";

    private final Map<TableColumn<R, ?>, Function<R, String>> texts = new HashMap<>();
    private final List<TableColumn<R, ?>> sentences = new ArrayList<>();
    private final Map<TableColumn<R, ?>, Double> given = new HashMap<>();
    private boolean isStale = true;

    /// @param emptyWords what stands there before the first row
    public FittedTable(String id, String emptyWords) {
        setId(id);
        setPlaceholder(Wrapping.on(new Label(emptyWords)));
        widthProperty().subscribe(width -> stale());
        getItems().addListener((ListChangeListener<R>) change -> stale());
        getSortOrder().addListener((ListChangeListener<TableColumn<R, ?>>) change -> stale());
    }

    /// A column of texts.
    public FittedTable<R> column(String title, Function<R, String> value) {
        add(title, value, value);
        return this;
    }

    /// A column of numbers as texts, which stand on the right.
    public FittedTable<R> number(String title, Function<R, String> value) {
        add(title, value, value).getStyleClass().add("number");
        return this;
    }

    /// A column of counts, which stand on the right and sort by value.
    public FittedTable<R> count(String title, Function<R, Integer> value) {
        add(title, value, row -> String.valueOf(value.apply(row))).getStyleClass().add("number");
        return this;
    }

    /// A column of measured numbers: it sorts by value and shows the instrument's digits.
    public FittedTable<R> measured(
            String title, Quantity quantity, Function<R, OptionalDouble> value) {
        Function<Double, String> words = number -> number.isNaN() ? "" : quantity.number(number);
        TableColumn<R, Double> column =
                add(
                        title,
                        row -> value.apply(row).orElse(Double.NaN),
                        row -> words.apply(value.apply(row).orElse(Double.NaN)));
        column.getStyleClass().add("number");
        column.setCellFactory(made ->
                new TableCell<>() {
                    @Override
                    protected void updateItem(Double item, boolean empty) {
                        super.updateItem(item, empty);
                        setText(empty || item == null ? "" : words.apply(item));
                    }
                });
        return this;
    }

    /// A column of sentences.
    public FittedTable<R> sentence(String title, Function<R, String> value) {
        TableColumn<R, String> column = add(title, value, value);
        column.setCellFactory(made -> new SentenceCell<>());
        sentences.add(column);
        return this;
    }

    /// Rows that a person cannot put in another order.
    public FittedTable<R> inThisOrder() {
        getColumns().forEach(column -> column.setSortable(false));
        return this;
    }

    private <V> TableColumn<R, V> add(
            String title, Function<R, V> value, Function<R, String> text) {
        TableColumn<R, V> column = new TableColumn<>(title);
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(value.apply(row.getValue())));
        texts.put(column, text);
        getColumns().add(column);
        return column;
    }

    private void stale() {
        isStale = true;
        requestLayout();
    }

    /// The size of the type, known from a head once there is one.
    private OptionalDouble fontSize() {
        return lookup(".column-header .label") instanceof Labeled head
                ? OptionalDouble.of(head.getFont().getSize())
                : OptionalDouble.empty();
    }

    private double fittedFor;

    @Override
    protected void layoutChildren() {
        super.layoutChildren();
        OptionalDouble size = fontSize();
        if (size.isEmpty() || getWidth() <= 0) return;
        if (!isStale && size.getAsDouble() == fittedFor) return;
        isStale = false;
        fittedFor = size.getAsDouble();
        fit(size.getAsDouble());
        super.layoutChildren();
    }

    private void fit(double headSize) {
        Font head = Font.font("IBM Plex Sans", headSize);
        double em = headSize / 0.9;
        Font cells = Font.font(CELL_FAMILY, 1.05 * em);
        double taken = 0;
        Map<TableColumn<R, ?>, Double> wanted = new HashMap<>();
        for (TableColumn<R, ?> column : getColumns()) {
            double width =
                    Math.max(
                            widthOf(column.getText(), head)
                                    + HEAD_PADDING_EM * em
                                    + (getSortOrder().contains(column) ? SORT_ARROW_EM * em : 0),
                            widest(column, cells) + CELL_PADDING_EM * em);
            double whole = isPulled(column) ? column.getWidth() : Math.ceil(width);
            wanted.put(column, whole);
            taken += whole;
        }
        double over = taken - room();
        for (TableColumn<R, ?> column : sentences.reversed()) {
            if (isPulled(column)) continue;
            double width = wanted.getOrDefault(column, 0.0);
            // what is missing is taken from the sentences, what is left goes to the last of them
            double fitted = Math.max(Math.min(width, LEAST_SENTENCE_EM * em), width - over);
            over -= width - fitted;
            wanted.put(column, fitted);
        }
        wanted.forEach((column, width) -> {
            column.setPrefWidth(width);
            given.put(column, width);
        });
    }

    private boolean isPulled(TableColumn<R, ?> column) {
        Double width = given.get(column);
        return width != null && Math.abs(column.getWidth() - width) > 1;
    }

    private double room() {
        double bar = 0;
        for (Node node : lookupAll(".scroll-bar"))
            if (node instanceof javafx.scene.control.ScrollBar each
                    && each.getOrientation() == javafx.geometry.Orientation.VERTICAL
                    && each.isVisible()) bar = each.prefWidth(-1);
        return getWidth() - snappedLeftInset() - snappedRightInset() - bar - 2;
    }

    private double widest(TableColumn<R, ?> column, Font font) {
        Function<R, String> text = texts.getOrDefault(column, row -> "");
        int step = 1 + getItems().size() / LOOKED_AT;
        List<String> longest = new ArrayList<>();
        for (int i = 0; i < getItems().size(); i += step) {
            longest.add(text.apply(getItems().get(i)));
            if (longest.size() > 8 * MEASURED) keepLongest(longest);
        }
        keepLongest(longest);
        return longest.stream().mapToDouble(each -> widthOf(each, font)).max().orElse(0);
    }

    private static void keepLongest(List<String> texts) {
        texts.sort(Comparator.comparingInt(String::length).reversed());
        if (texts.size() > MEASURED) texts.subList(MEASURED, texts.size()).clear();
    }

    private static double widthOf(String text, Font font) {
        Text measured = new Text(text);
        measured.setFont(font);
        return measured.getLayoutBounds().getWidth();
    }

    /// Shortens where it must and then says the whole when it is pointed at.
    private static final class SentenceCell<R> extends TableCell<R, String> {
        private final Tooltip whole = new Tooltip();

        SentenceCell() {
            getStyleClass().add("may-shorten");
            textTruncatedProperty().subscribe(isCut -> setTooltip(isCut ? whole : null));
        }

        @Override
        protected void updateItem(String item, boolean empty) {
            super.updateItem(item, empty);
            setText(empty || item == null ? "" : item);
            whole.setText(getText());
        }
    }
}
