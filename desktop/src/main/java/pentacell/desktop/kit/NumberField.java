package pentacell.desktop.kit;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// A number to be typed: its caption, the field, what is expected in it, and the mark of what
/// cannot be understood.
public final class NumberField extends VBox {
    private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");

    private final TextField field;
    private final Label caption = new Label();
    private final String expected;
    private final double least;
    private final double most;
    private final Consumer<String> complaint;
    private boolean isWhole;

    /// @param expected what is to be typed, in words
    /// @param complaint hears what is wrong with it
    public NumberField(
            String id,
            String caption,
            String text,
            String expected,
            double least,
            double most,
            Consumer<String> complaint) {
        this.expected = expected;
        this.least = least;
        this.most = most;
        this.complaint = complaint;
        field = new TextField(text);
        field.setId(id);
        field.setPrefColumnCount(4);
        field.textProperty().subscribe(typed -> field.pseudoClassStateChanged(WRONG, false));
        this.caption.setText(caption);
        this.caption.setLabelFor(field);
        this.caption.getStyleClass().add("caption");
        getChildren().addAll(this.caption, field);
        HBox.setHgrow(this, Priority.ALWAYS);
    }

    public TextField field() {
        return field;
    }

    public void caption(String text) {
        caption.setText(text);
    }

    /// What an empty field stands for.
    public NumberField empty(String means) {
        field.setPromptText(means);
        return this;
    }

    public boolean isBlank() {
        return field.getText().isBlank();
    }

    public void show(String text) {
        field.setText(text);
    }

    public void show(OptionalDouble value) {
        field.setText(value.isPresent() ? plain(value.getAsDouble()) : "");
    }

    /// Takes whole numbers only.
    public NumberField whole() {
        isWhole = true;
        return this;
    }

    private boolean isExpected(double number) {
        return number >= least && number <= most && (!isWhole || number == Math.rint(number));
    }

    /// Whether it holds nothing, or a number that is expected.
    public boolean isUnderstood() {
        OptionalDouble number = typed();
        return isBlank() || number.isPresent() && isExpected(number.getAsDouble());
    }

    /// Marks what cannot be understood and says what is expected, without taking the caret there.
    public boolean mark() {
        boolean isWrong = !isUnderstood();
        field.pseudoClassStateChanged(WRONG, isWrong);
        if (isWrong) complaint.accept(expectation());
        return isWrong;
    }

    private String expectation() {
        OptionalDouble number = typed();
        if (isWhole
                && number.isPresent()
                && number.getAsDouble() != Math.rint(number.getAsDouble()))
            return "\"%s\" is not a whole number of %s.".formatted(field.getText(), expected);
        return "\"%s\": expected %s, %s to %s."
                .formatted(
                        field.getText(),
                        expected,
                        Quantity.COUNT.number(least),
                        Quantity.COUNT.number(most));
    }

    /// What is typed, whatever it is worth.
    public OptionalDouble typed() {
        return NumberText.parse(field.getText());
    }

    /// The number; a field that is empty has none.
    ///
    /// @throws NotUnderstood after marking what cannot be understood
    public OptionalDouble number() throws NotUnderstood {
        return isBlank() ? OptionalDouble.empty() : OptionalDouble.of(required());
    }

    /// The number, which must be there.
    ///
    /// @throws NotUnderstood after marking what cannot be understood
    public double required() throws NotUnderstood {
        OptionalDouble number = typed();
        if (number.isPresent() && isExpected(number.getAsDouble())) return number.getAsDouble();
        throw complain(expectation());
    }

    /// The whole number, which must be there.
    ///
    /// @throws NotUnderstood after marking what cannot be understood
    public int count() throws NotUnderstood {
        return (int) whole().required();
    }

    /// Marks the field and says what is wrong with it.
    public NotUnderstood complain(String sentence) {
        field.pseudoClassStateChanged(WRONG, true);
        field.requestFocus();
        complaint.accept(sentence);
        return new NotUnderstood();
    }

    /// A number as it is typed: three digits behind the point at most, no zeros at its end.
    public static String plain(double value) {
        return new BigDecimal(value)
                .setScale(3, RoundingMode.HALF_EVEN)
                .stripTrailingZeros()
                .toPlainString();
    }

    /// A field was marked; there is nothing more to say.
    public static final class NotUnderstood extends Exception {
        private static final long serialVersionUID = 1;
    }
}
