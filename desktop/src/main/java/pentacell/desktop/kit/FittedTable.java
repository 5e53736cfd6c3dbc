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
import javafx.css.PseudoClass;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollBar;
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
    /// Without rows it takes no more room than what it says instead.
    private static final PseudoClass BARE = PseudoClass.getPseudoClass("bare");

    /// Texts of a column that are measured: its longest by letters.
    private static final int MEASURED = 12;

    /// Rows looked at; of longer tables a sample.
    private static final int LOOKED_AT = 200;

    /// Sizes of the type as the style sheet sets them.
    private static final double HEAD_SIZE_EM = 0.9;

    private static final double CELL_SIZE_EM = 1.05;
    private static final double CELL_PADDING_EM = 1.15;
    private static final double HEAD_PADDING_EM = 1.1;
    private static final double SORT_ARROW_EM = 1.6;
    private static final double LEAST_SENTENCE_EM = 14;
    private static final String CELL_FAMILY = "IBM Plex Sans Condensed";

    private final Map<TableColumn<R, ?>, Function<R, String>> texts = new HashMap<>();
    private final List<TableColumn<R, ?>> sentences = new ArrayList<>();

    /// What each column would like, and what it was given; measured anew only when rows or type
    /// have changed.
    private final Map<TableColumn<R, ?>, Double> liked = new HashMap<>();

    private final Map<TableColumn<R, ?>, Double> given = new HashMap<>();
    private double measuredFor;
    private double barWhenFitted;
    private boolean isStale = true;

    /// @param emptyWords what stands there before the first row
    public FittedTable(String id, String emptyWords) {
        setId(id);
        sayWhenEmpty(emptyWords);
        widthProperty().subscribe(width -> stale());
        getItems()
                .addListener(
                        (ListChangeListener<R>)
                                change -> {
                                    liked.clear();
                                    pseudoClassStateChanged(BARE, getItems().isEmpty());
                                    stale();
                                });
        pseudoClassStateChanged(BARE, true);
        getSortOrder().addListener((ListChangeListener<TableColumn<R, ?>>) change -> stale());
    }

    /// Says something else while it is empty.
    public void sayWhenEmpty(String words) {
        setPlaceholder(Wrapping.on(new Label(words)));
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

    @Override
    protected void layoutChildren() {
        fitIfStale();
        super.layoutChildren();
        // the first time there is no head to tell the size of the type before it is laid out; and
        // whether the rows need a scroll bar is known only afterwards
        if (bar() != barWhenFitted) isStale = true;
        if (isStale) fitIfStale();
    }

    private void fitIfStale() {
        OptionalDouble size = fontSize();
        if (size.isEmpty() || getWidth() <= 0) return;
        boolean isOtherType = size.getAsDouble() != measuredFor;
        if (!isStale && !isOtherType) return;
        if (isOtherType) liked.clear();
        isStale = false;
        measuredFor = size.getAsDouble();
        if (liked.isEmpty()) measure(measuredFor);
        fit(measuredFor / HEAD_SIZE_EM);
    }

    private void measure(double headSize) {
        Font head = Font.font("IBM Plex Sans", headSize);
        double em = headSize / HEAD_SIZE_EM;
        Font cells = Font.font(CELL_FAMILY, CELL_SIZE_EM * em);
        for (TableColumn<R, ?> column : getColumns())
            liked.put(
                    column,
                    Math.ceil(
                            Math.max(
                                    widthOf(column.getText(), head) + HEAD_PADDING_EM * em,
                                    widest(column, cells) + CELL_PADDING_EM * em)));
    }

    private void fit(double em) {
        Map<TableColumn<R, ?>, Double> wanted = new HashMap<>();
        double over = -room();
        for (TableColumn<R, ?> column : getColumns()) {
            double arrow = getSortOrder().contains(column) ? SORT_ARROW_EM * em : 0;
            double width =
                    isPulled(column) ? column.getWidth() : liked.getOrDefault(column, 0.0) + arrow;
            wanted.put(column, width);
            over += width;
        }
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
        barWhenFitted = bar();
        return getWidth() - snappedLeftInset() - snappedRightInset() - barWhenFitted - 2;
    }

    private double bar() {
        double bar = 0;
        for (Node node : lookupAll(".scroll-bar"))
            if (node instanceof ScrollBar each
                    && each.getOrientation() == Orientation.VERTICAL
                    && each.isVisible()) bar = each.prefWidth(-1);
        return bar;
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
