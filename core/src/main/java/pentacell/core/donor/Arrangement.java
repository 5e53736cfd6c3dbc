package pentacell.core.donor;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// How a pack's cells are joined, written `3S2P`: groups in series, cells in parallel in each.
///
/// @param series groups in series, 1 to 200
/// @param parallel cells of each group, 1 to 1000
public record Arrangement(int series, int parallel) {
    private static final Pattern WRITTEN =
            Pattern.compile("(\\d{1,3})\\s*[sS]\\s*(?:(\\d{1,4})\\s*[pP])?");
    private static final Pattern TURNED =
            Pattern.compile("(\\d{1,4})\\s*[pP]\\s*(\\d{1,3})\\s*[sS]");

    public Arrangement {
        if (series < 1 || series > 200 || parallel < 1 || parallel > 1000)
            throw new IllegalArgumentException(
                    "an arrangement is 1 to 200 S and 1 to 1000 P, was %dS%dP"
                            .formatted(series, parallel));
    }

    /// Reads `3S2P`, `3s` (one in parallel) or `2P3S`; empty when the text is none.
    public static Optional<Arrangement> parse(String text) {
        Matcher turned = TURNED.matcher(text.strip());
        if (turned.matches()) return of(turned.group(2), turned.group(1));
        Matcher written = WRITTEN.matcher(text.strip());
        if (!written.matches()) return Optional.empty();
        return of(written.group(1), written.group(2) == null ? "1" : written.group(2));
    }

    private static Optional<Arrangement> of(String series, String parallel) {
        int groups = Integer.parseInt(series);
        int cells = Integer.parseInt(parallel);
        return groups < 1 || groups > 200 || cells < 1 || cells > 1000
                ? Optional.empty()
                : Optional.of(new Arrangement(groups, cells));
    }

    /// The number of cells.
    public int cells() {
        return series * parallel;
    }

    @Override
    public String toString() {
        return series + "S" + parallel + "P";
    }
}
