package pentacell.desktop.stock;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.css.PseudoClass;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import pentacell.core.stock.Bins;
import pentacell.core.stock.Normality;
import pentacell.core.unit.Count;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;
import pentacell.desktop.kit.ControlRow;
import pentacell.desktop.kit.EnumWords;
import pentacell.desktop.kit.Wrapping;
import pentacell.desktop.stock.StockModel.Row;

/// The stock in bins, as boxes on a shelf would hold it, with the bell curve of the same mean and σ
/// over it. A click brushes a bin.
final class BinsPane extends BorderPane {
    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");

    private final StockModel model;
    private final ComboBox<Width> width = new ComboBox<>();
    private final TextField edges = new TextField();
    private final Label meaning = new Label();
    private final Label look = new Label();
    private final BinsPicture picture;

    /// How wide the bins are.
    enum Width {
        /// 50 mAh.
        FIFTY,
        /// 100 mAh.
        HUNDRED,
        /// By health: under 80 %, 80 to 90, 90 and over.
        CLASSES,
        /// Edges typed.
        OWN;

        String words() {
            return switch (this) {
                case FIFTY -> "50 mAh wide";
                case HUNDRED -> "100 mAh wide";
                case CLASSES -> "Three classes by health";
                case OWN -> "Own edges / mAh";
            };
        }

        boolean isOfHealth() {
            return this == CLASSES;
        }
    }

    BinsPane(StockModel model) {
        this.model = model;
        picture = new BinsPicture(bin -> model.select(row -> holds(bin, row)));
        setId("bins-pane");
        getStyleClass().add("bins");
        width.setId("bins-width");
        width.getItems().setAll(Width.values());
        width.setConverter(new EnumWords<>(Width::words));
        width.setValue(Width.HUNDRED);
        edges.setId("bins-edges");
        edges.setPromptText("such as 1800; 2000; 2200");
        edges.setPrefColumnCount(18);
        meaning.setId("bins-meaning");
        meaning.getStyleClass().add("meaning");
        Wrapping.on(meaning);
        look.setId("bins-look");
        look.getStyleClass().add("caption");
        Wrapping.on(look);
        ControlRow bar = ControlRow.of(new Label("Bins"), width, edges);
        VBox top = new VBox(meaning, bar, look);
        top.getStyleClass().add("bins-top");
        setTop(top);
        setCenter(picture);
        width.valueProperty()
                .subscribe(chosen -> {
                    edges.setVisible(chosen == Width.OWN);
                    edges.setManaged(chosen == Width.OWN);
                    show();
                });
        edges.textProperty().subscribe(text -> show());
        model.shownProperty().subscribe(shown -> show());
    }

    private static OptionalDouble value(Row row, Width width) {
        if (row.cell().milliampHours().isEmpty()) return OptionalDouble.empty();
        if (!width.isOfHealth())
            return OptionalDouble.of(row.cell().milliampHours().getAsDouble() / row.cell().count());
        return row.soh().isPresent()
                ? OptionalDouble.of(100 * row.soh().getAsDouble())
                : OptionalDouble.empty();
    }

    private boolean holds(int bin, Row row) {
        OptionalDouble value = value(row, width.getValue());
        return value.isPresent() && picture.bins().holds(bin, value.getAsDouble());
    }

    private void show() {
        Width chosen = width.getValue();
        double[] values =
                model.shownProperty().get().rows().stream()
                        .flatMapToDouble(row -> value(row, chosen).stream())
                        .toArray();
        edges.pseudoClassStateChanged(WRONG, false);
        Optional<Bins> bins = bins(chosen, values);
        Normality normality = Normality.of(values);
        picture.show(
                bins.orElse(new Bins(List.of(0.0), List.of())),
                chosen.isOfHealth() ? Optional.empty() : Optional.of(normality),
                chosen.isOfHealth() ? Quantity.PERCENT : Quantity.CAPACITY);
        meaning.setText(bins.map(each -> meaning(each, chosen, values)).orElse(""));
        look.setText(values.length < 3 || chosen.isOfHealth() ? "" : look(normality));
    }

    private Optional<Bins> bins(Width chosen, double[] values) {
        if (values.length == 0) return Optional.empty();
        return switch (chosen) {
            case FIFTY -> Optional.of(Bins.ofWidth(50, values));
            case HUNDRED -> Optional.of(Bins.ofWidth(100, values));
            case CLASSES -> Optional.of(Bins.between(List.of(0.0, 80.0, 90.0, 201.0), values));
            case OWN -> own(values);
        };
    }

    private Optional<Bins> own(double[] values) {
        List<Double> typed = new ArrayList<>();
        for (String word : edges.getText().strip().split("[;\\s]+")) {
            if (word.isEmpty()) continue;
            OptionalDouble number = NumberText.parse(word);
            if (number.isEmpty()) return wrong();
            typed.add(number.getAsDouble());
        }
        if (typed.isEmpty()) return Optional.of(Bins.ofWidth(100, values));
        try {
            return Optional.of(Bins.between(typed, values));
        } catch (IllegalArgumentException refused) {
            return wrong();
        }
    }

    private Optional<Bins> wrong() {
        edges.pseudoClassStateChanged(WRONG, true);
        return Optional.empty();
    }

    private static String meaning(Bins bins, Width chosen, double[] values) {
        int fullest = bins.counts().indexOf(bins.tallest());
        int held = bins.counts().stream().mapToInt(Integer::intValue).sum();
        Quantity quantity = chosen.isOfHealth() ? Quantity.PERCENT : Quantity.CAPACITY;
        return "%d of %s in bins, most from %s to %s: %d"
                .formatted(
                        held,
                        Count.of(values.length, "cell", "cells"),
                        quantity.number(bins.edges().get(fullest), 0),
                        quantity.text(bins.edges().get(fullest + 1), 0),
                        bins.tallest());
    }

    private static String look(Normality normality) {
        double skew = normality.skewness();
        String leans =
                Double.isNaN(skew)
                        ? ""
                        : skew < -0.5
                                ? " The weak end is the longer one: a few cells are far under the rest."
                                : skew > 0.5
                                        ? " The strong end is the longer one: look whether those are of another model."
                                        : " It leans to neither side.";
        return "Mean %s, σ %s. %s lie within one σ (of a bell curve 68 %%), %s within two (95 %%).%s"
                .formatted(
                        Quantity.CAPACITY.text(normality.statistics().mean()),
                        Quantity.CAPACITY.text(normality.statistics().sigma()),
                        Quantity.PERCENT.text(100 * normality.withinOne(), 0),
                        Quantity.PERCENT.text(100 * normality.withinTwo(), 0),
                        leans);
    }
}
