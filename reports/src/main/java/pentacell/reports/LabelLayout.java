package pentacell.reports;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// How labels lie on a sheet, or one after the other on a roll; all lengths in mm. The grid stands
/// in the middle of its paper.
///
/// @param medium sheet of A4 or Letter, or a roll
/// @param columns labels across, 1 on a roll
/// @param rows labels down, 1 on a roll
/// @param width of a label
/// @param height of a label
/// @param gapAcross between two labels side by side
/// @param gapDown between two labels over each other
public record LabelLayout(
        Medium medium,
        int columns,
        int rows,
        double width,
        double height,
        double gapAcross,
        double gapDown) {
    private static final Pattern WRITTEN =
            Pattern.compile(
                    "(a4|letter)\\s+(\\d{1,2})x(\\d{1,2})\\s+([\\d.]+)x([\\d.]+)(?:\\s+gaps?\\s+([\\d.]+)x([\\d.]+))?",
                    Pattern.CASE_INSENSITIVE);
    private static final Pattern ROLL =
            Pattern.compile("roll\\s+([\\d.]+)x([\\d.]+)", Pattern.CASE_INSENSITIVE);

    public LabelLayout {
        boolean fits =
                columns >= 1
                        && rows >= 1
                        && width >= 8
                        && height >= 8
                        && gapAcross >= 0
                        && gapDown >= 0
                        && columns * width + (columns - 1) * gapAcross <= medium.width + 0.01
                        && rows * height + (rows - 1) * gapDown <= medium.height + 0.01;
        if (!fits)
            throw new IllegalArgumentException(
                    "%d × %d labels of %s × %s mm do not fit"
                            .formatted(columns, rows, width, height));
    }

    /// What labels are printed on.
    public enum Medium {
        A4(210, 297),
        LETTER(215.9, 279.4),
        /// One label after the other, each a page of its own.
        ROLL(200, 300);

        private final double width;
        private final double height;

        Medium(double width, double height) {
            this.width = width;
            this.height = height;
        }
    }

    /// Grids that are sold everywhere (common practice), and rolls of 62 and 12 mm.
    public static List<LabelLayout> shipped() {
        return List.of(
                new LabelLayout(Medium.A4, 4, 12, 45.7, 21.2, 2.6, 0),
                new LabelLayout(Medium.A4, 5, 13, 38.1, 21.2, 2.5, 0),
                new LabelLayout(Medium.A4, 3, 8, 70, 37, 0, 0),
                new LabelLayout(Medium.LETTER, 3, 10, 66.7, 25.4, 3.2, 0),
                new LabelLayout(Medium.LETTER, 4, 20, 44.4, 12.7, 7.9, 0),
                roll(62, 29),
                roll(40, 12));
    }

    /// Labels on a roll.
    public static LabelLayout roll(double width, double height) {
        return new LabelLayout(Medium.ROLL, 1, 1, width, height, 0, 0);
    }

    /// Reads `A4 4x12 45.7x21.2 gap 2.6x0` or `roll 62x29`; empty when it is none or does not fit.
    public static Optional<LabelLayout> parse(String text) {
        Matcher roll = ROLL.matcher(text.strip());
        Matcher grid = WRITTEN.matcher(text.strip());
        try {
            if (roll.matches())
                return Optional.of(
                        roll(Double.parseDouble(roll.group(1)), Double.parseDouble(roll.group(2))));
            if (!grid.matches()) return Optional.empty();
            return Optional.of(
                    new LabelLayout(
                            Medium.valueOf(grid.group(1).toUpperCase(Locale.ROOT)),
                            Integer.parseInt(grid.group(2)),
                            Integer.parseInt(grid.group(3)),
                            Double.parseDouble(grid.group(4)),
                            Double.parseDouble(grid.group(5)),
                            grid.group(6) == null ? 0 : Double.parseDouble(grid.group(6)),
                            grid.group(7) == null ? 0 : Double.parseDouble(grid.group(7))));
        } catch (IllegalArgumentException doesNotFit) {
            return Optional.empty();
        }
    }

    /// The layout as [#parse] reads it.
    public String text() {
        return medium == Medium.ROLL
                ? "roll " + plain(width) + "x" + plain(height)
                : "%s %dx%d %sx%s gap %sx%s"
                        .formatted(
                                medium == Medium.A4 ? "A4" : "Letter",
                                columns,
                                rows,
                                plain(width),
                                plain(height),
                                plain(gapAcross),
                                plain(gapDown));
    }

    /// The layout as a person would call it.
    public String name() {
        return medium == Medium.ROLL
                ? "roll, %s × %s mm".formatted(plain(width), plain(height))
                : "%s, %d × %d of %s × %s mm"
                        .formatted(
                                medium == Medium.A4 ? "A4" : "Letter",
                                columns,
                                rows,
                                plain(width),
                                plain(height));
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    /// How many labels a page holds.
    public int perPage() {
        return columns * rows;
    }

    double pageWidth() {
        return medium == Medium.ROLL ? width : medium.width;
    }

    double pageHeight() {
        return medium == Medium.ROLL ? height : medium.height;
    }

    /// Left edge of a label, by its index on the page.
    double left(int index) {
        double grid = columns * width + (columns - 1) * gapAcross;
        return (pageWidth() - grid) / 2 + index % columns * (width + gapAcross);
    }

    /// Upper edge of a label, by its index on the page.
    double top(int index) {
        double grid = rows * height + (rows - 1) * gapDown;
        int row = index / columns;
        return (pageHeight() - grid) / 2 + row * (height + gapDown);
    }
}
