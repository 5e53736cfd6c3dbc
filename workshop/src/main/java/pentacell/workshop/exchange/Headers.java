package pentacell.workshop.exchange;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/// What the header of a column says, whatever its case, blanks and brackets: `Voltage / V`,
/// `voltage_v` and `Voltage (V)` are one.
final class Headers {
    private Headers() {}

    /// The words of a header in lower case.
    static List<String> words(String header) {
        return Arrays.stream(header.strip().toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))
                .filter(word -> !word.isEmpty())
                .toList();
    }

    /// The words of a header as one name, such as `voltage_v`.
    static String plain(String header) {
        return String.join("_", words(header));
    }
}
