package pentacell.core.cell;

import java.util.Optional;

/// The identity that stays with a can for life: what is written on its sleeve, such as `HB03-07`.
///
/// Letters of any script, digits and `- _ . / #`, beginning with a letter or digit, at most 24
/// characters. Ids that differ only in case are different ids. Order is natural: `HB03-2` comes
/// before `HB03-10`.
///
/// @param text the id as written
public record CellId(String text) implements Comparable<CellId> {
    /// What still fits on the sleeve of the smallest usual can.
    public static final int LONGEST = 24;

    public CellId {
        problem(text)
                .ifPresent(problem -> {
                    throw new IllegalArgumentException("cell id \"" + text + "\" " + problem);
                });
    }

    /// What is wrong with a text as an id, or empty when it is a good one.
    public static Optional<String> problem(String text) {
        if (text.isBlank()) return Optional.of("is empty");
        if (text.length() > LONGEST)
            return Optional.of("is longer than " + LONGEST + " characters");
        if (!Character.isLetterOrDigit(text.codePointAt(0)))
            return Optional.of("must begin with a letter or digit");
        return text.codePoints()
                .filter(point -> !Character.isLetterOrDigit(point) && "-_./#".indexOf(point) < 0)
                .mapToObj(point ->
                        "has "
                                + (Character.isWhitespace(point)
                                        ? "a space"
                                        : "\"" + Character.toString(point) + "\"")
                                + " in it; letters, digits and - _ . / # may be used")
                .findFirst();
    }

    /// The donor code an id begins with: what stands before its last hyphen, empty when there is
    /// none.
    public Optional<String> donorPart() {
        int hyphen = text.lastIndexOf('-');
        return hyphen > 0 ? Optional.of(text.substring(0, hyphen)) : Optional.empty();
    }

    @Override
    public int compareTo(CellId other) {
        return NaturalOrder.compare(text, other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
