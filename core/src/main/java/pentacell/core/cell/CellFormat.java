package pentacell.core.cell;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// The size of a cylindrical can.
///
/// @param code the five-digit code: two digits of diameter in mm, three of length in tenths of mm
///   (common practice)
/// @param diameterMillimetres outer diameter of the bare can in mm, as the code says
/// @param lengthMillimetres overall length in mm
public record CellFormat(String code, double diameterMillimetres, double lengthMillimetres) {
    private static final Pattern CODE = Pattern.compile("(\\d{2})(\\d{3})");

    /// What a sleeve and the code's rounding add to the diameter.
    private static final double SLEEVE_MILLIMETRES = 0.5;

    public CellFormat {
        if (!(diameterMillimetres > 0 && lengthMillimetres > diameterMillimetres))
            throw new IllegalArgumentException(
                    "a can is longer than it is wide, was %s × %s mm"
                            .formatted(diameterMillimetres, lengthMillimetres));
    }

    /// Reads a code such as `18650` (18 mm × 65.0 mm); empty when it is none.
    public static Optional<CellFormat> parse(String code) {
        Matcher matcher = CODE.matcher(code.strip());
        if (!matcher.matches()) return Optional.empty();
        double diameter = Integer.parseInt(matcher.group(1));
        double length = Integer.parseInt(matcher.group(2)) / 10.0;
        return diameter > 0 && length > diameter
                ? Optional.of(new CellFormat(code.strip(), diameter, length))
                : Optional.empty();
    }

    /// Reads a code such as `18650`, or a designation such as `ICR19/66`.
    public static Optional<CellFormat> parseAny(String text) {
        return parse(text).or(() -> CellDesignation.parse(text).flatMap(CellDesignation::format));
    }

    /// What a cell is across with its sleeve, in mm (common practice: 18650 18.3 to 18.6 mm).
    public double sleevedMillimetres() {
        return diameterMillimetres + SLEEVE_MILLIMETRES;
    }

    /// About what a cell of this size weighs, in g: the can's volume at 2.75 g/cm³ for the 4.2 V
    /// class and 2.5 g/cm³ for LFP (common practice: 18650 about 45 g, 26650 LFP about 86 g).
    public double approximateGrams(Chemistry chemistry) {
        double cubicCentimetres =
                Math.PI / 4 * diameterMillimetres * diameterMillimetres * lengthMillimetres / 1000;
        return cubicCentimetres
                * switch (chemistry) {
                    case NMC -> 2.75;
                    case LFP -> 2.5;
                };
    }
}
