package pentacell.core.cell;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// The designation of a cylindrical secondary lithium cell, such as `ICR19/66`.
///
/// IEC 61960-3 (from memory): a first letter for the negative electrode (I carbon, L lithium, T
/// titanium, X other), a second for the positive (C cobalt, F iron, Fp iron phosphate, N nickel, M
/// manganese, Mp manganese phosphate, T titanium, V vanadium, X other), R for cylindrical, then the
/// greatest diameter and the greatest height in mm, each rounded up to the next whole one.
///
/// @param text as written
/// @param positive letters of the positive electrode
/// @param mostDiameterMillimetres greatest diameter in mm, rounded up
/// @param mostHeightMillimetres greatest height in mm, rounded up
public record CellDesignation(
        String text, String positive, int mostDiameterMillimetres, int mostHeightMillimetres) {
    private static final Pattern WRITTEN =
            Pattern.compile(
                    "(?:\\d+)?([ILTX])(C|FP|F|N|MP|M|T|V|X)R(\\d{2})/(\\d{2,3})(?:-\\d+)?",
                    Pattern.CASE_INSENSITIVE);

    /// Reads a designation; empty when the text is none.
    public static Optional<CellDesignation> parse(String text) {
        Matcher matcher = WRITTEN.matcher(text.strip());
        if (!matcher.matches()) return Optional.empty();
        return Optional.of(
                new CellDesignation(
                        text.strip(),
                        matcher.group(2).toUpperCase(Locale.ROOT),
                        Integer.parseInt(matcher.group(3)),
                        Integer.parseInt(matcher.group(4))));
    }

    /// The chemistry family, when it is one of this trade's two.
    public Optional<Chemistry> chemistry() {
        return switch (positive) {
            case "C", "N", "M" -> Optional.of(Chemistry.NMC);
            case "F", "FP" -> Optional.of(Chemistry.LFP);
            default -> Optional.empty();
        };
    }

    /// The format a cell of this designation usually has: a can of 18 mm × 65.0 mm is at most 19 ×
    /// 66 mm over its sleeve.
    public Optional<CellFormat> format() {
        return CellFormat.parse(
                "%02d%03d"
                        .formatted(mostDiameterMillimetres - 1, (mostHeightMillimetres - 1) * 10));
    }

    /// Whether a can of a format can carry this designation: not larger, and less than a whole mm
    /// and a sleeve smaller.
    public boolean fits(CellFormat format) {
        return isJustUnder(format.diameterMillimetres(), mostDiameterMillimetres)
                && isJustUnder(format.lengthMillimetres(), mostHeightMillimetres);
    }

    private static boolean isJustUnder(double nominal, int most) {
        return nominal <= most && nominal >= most - 1.5;
    }
}
