package pentacell.core.cell;

import java.util.Comparator;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Where a cell lies: tray, row and column, written `T1-C07`. Ordered as a hand walks: tray, row,
/// column.
///
/// @param tray name of the tray
/// @param row row from 1, written as a letter (27 is AA)
/// @param column column from 1
public record Place(String tray, int row, int column) implements Comparable<Place> {
    private static final Pattern WRITTEN =
            Pattern.compile("([\\p{L}\\p{N}_.]+)[- ]([A-Za-z]{1,2})(\\d{1,3})");
    private static final Comparator<Place> WALK =
            Comparator.comparing(Place::tray, NaturalOrder::compare)
                    .thenComparingInt(Place::row)
                    .thenComparingInt(Place::column);

    public Place {
        if (row < 1 || column < 1)
            throw new IllegalArgumentException(
                    "rows and columns count from 1, were %d, %d".formatted(row, column));
    }

    /// Reads `T1-C07`; empty when the text is no place.
    public static Optional<Place> parse(String text) {
        Matcher matcher = WRITTEN.matcher(text.strip());
        if (!matcher.matches()) return Optional.empty();
        int row = 0;
        for (char letter : matcher.group(2).toUpperCase(java.util.Locale.ROOT).toCharArray())
            row = row * 26 + (letter - 'A' + 1);
        int column = Integer.parseInt(matcher.group(3));
        return column < 1
                ? Optional.empty()
                : Optional.of(new Place(matcher.group(1), row, column));
    }

    /// The letters of a row: 1 is A, 27 is AA.
    public static String rowLetters(int row) {
        String letter = String.valueOf((char) ('A' + (row - 1) % 26));
        return row > 26 ? rowLetters((row - 1) / 26) + letter : letter;
    }

    @Override
    public int compareTo(Place other) {
        return WALK.compare(this, other);
    }

    @Override
    public String toString() {
        return "%s-%s%02d".formatted(tray, rowLetters(row), column);
    }
}
