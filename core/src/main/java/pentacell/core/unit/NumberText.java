package pentacell.core.unit;

import java.math.BigDecimal;
import java.util.OptionalDouble;
import java.util.regex.Pattern;

/// Reads a number as people and instruments write it: point or comma as decimal mark, optional
/// sign, optional exponent.
///
/// Thousands separators are not accepted: `1,234` is 1.234 here, and a text with both marks is no
/// number.
public final class NumberText {
    private static final Pattern NUMBER =
            Pattern.compile("[+\\-−]?(\\d+([.,]\\d*)?|[.,]\\d+)([eE][+\\-]?\\d{1,3})?");
    private static final Pattern LETTER_FOR_DIGIT = Pattern.compile("[+\\-−\\d.,OoIl]*");

    private NumberText() {}

    /// The number, or empty when the text is none or is not finite.
    public static OptionalDouble parse(String text) {
        String trimmed = text.strip();
        if (!NUMBER.matcher(trimmed).matches()) return OptionalDouble.empty();
        double value = Double.parseDouble(trimmed.replace(',', '.').replace('−', '-'));
        return Double.isFinite(value) ? OptionalDouble.of(value) : OptionalDouble.empty();
    }

    /// A finite number as short as it can be read back: no exponent, no zeros at its end.
    public static String plain(double number) {
        return BigDecimal.valueOf(number).stripTrailingZeros().toPlainString();
    }

    /// Why a text is no number, in a few words: names the letter that was probably meant as a
    /// digit.
    public static String whyNot(String text) {
        String trimmed = text.strip();
        if (trimmed.isEmpty()) return "is empty";
        boolean hasDigit = trimmed.chars().anyMatch(Character::isDigit);
        if (hasDigit && LETTER_FOR_DIGIT.matcher(trimmed).matches()) {
            if (trimmed.indexOf('O') >= 0 || trimmed.indexOf('o') >= 0)
                return "is not a number (letter O?)";
            if (trimmed.indexOf('I') >= 0) return "is not a number (letter I?)";
            if (trimmed.indexOf('l') >= 0) return "is not a number (letter l?)";
            if (trimmed.indexOf(',') >= 0 && trimmed.indexOf('.') >= 0)
                return "has both a comma and a point";
        }
        return "is not a number";
    }
}
