package pentacell.core.conductor;

/// What a conductor may carry for long, and by which rule.
///
/// @param amps in A
/// @param rule in words
public record Allowed(double amps, String rule) {
    /// One nickel strip of 8 × 0.15 mm carries 5 to 7 A (common practice).
    private static final double STRIP_AMPS = 6;

    private static final Section.Strip USUAL_STRIP = new Section.Strip(8, 0.15);

    /// Strips that the practice is about: up to 10 × 0.3 mm.
    private static final double MOST_STRIP_SQUARE_MILLIMETRES = 10 * 0.3;

    /// Below this a strand breaks and a solder joint counts for more than the wire, so half must
    /// do.
    private static final double THIN_SQUARE_MILLIMETRES = 0.5;

    private static final double TABLE_BEGINS = 1.5;
    private static final double TABLE_ENDS = 120;

    /// Insulated copper in the open, two loaded conductors, 30 °C around them (IEC 60364-5-52,
    /// method C, from memory; under 1.5 mm² carried on): mm² and A.
    private static final double[][] WIRE = {
        {0.5, 9},
        {0.75, 12},
        {1, 15},
        {1.5, 19.5},
        {2.5, 27},
        {4, 36},
        {6, 46},
        {10, 63},
        {16, 85},
        {25, 112},
        {35, 138},
        {50, 168},
        {70, 213},
        {95, 258},
        {120, 299}
    };

    static Allowed of(Conductor conductor) {
        Material material = conductor.material();
        if (conductor.section() instanceof Section.Strip strip)
            return ofStrip(strip, material, conductor.layers());
        double area = conductor.section().squareMillimetres();
        double amps = conductor.layers() * ofCopper(area) * material.againstCopper();
        return new Allowed(
                amps,
                "insulated wire in the open at 30 °C (IEC 60364-5-52, method C, from memory)"
                        + (material == Material.COPPER ? "" : "; other metals at the same heat")
                        + beyond(area));
    }

    /// Equal heat for each unit of surface, I ∝ √(perimeter · area ÷ ρ), from the usual nickel
    /// strip. Layers make one thicker strip: the inner ones have no surface of their own.
    private static Allowed ofStrip(Section.Strip strip, Material material, int layers) {
        double amps =
                STRIP_AMPS
                        * Math.sqrt(heatedBy(strip, layers) / heatedBy(USUAL_STRIP, 1))
                        * material.againstCopper()
                        / Material.NICKEL.againstCopper();
        boolean isBeyond =
                material != Material.NICKEL
                        || layers * strip.squareMillimetres() > MOST_STRIP_SQUARE_MILLIMETRES;
        return new Allowed(
                amps,
                "a nickel strip of 8 × 0.15 mm carries 6 A (common practice: 5 to 7 A), others at equal heat per surface, layers as one thicker strip"
                        + (isBeyond
                                ? "; the practice ends at 10 × 0.3 mm of nickel: for busbars see the table of your standard (DIN 43671)"
                                : ""));
    }

    private static double heatedBy(Section.Strip strip, int layers) {
        double thickness = layers * strip.thicknessMillimetres();
        return 2 * (strip.widthMillimetres() + thickness) * strip.widthMillimetres() * thickness;
    }

    private static String beyond(double squareMillimetres) {
        if (squareMillimetres < THIN_SQUARE_MILLIMETRES)
            return "; the table begins at 1.5 mm², carried on and halved below 0.5 mm²";
        if (squareMillimetres < TABLE_BEGINS) return "; the table begins at 1.5 mm², carried on";
        return squareMillimetres > TABLE_ENDS ? "; the table ends at 120 mm², carried on" : "";
    }

    /// Between the rows, and beyond them, by a power of the area.
    private static double ofCopper(double squareMillimetres) {
        int row = 1;
        while (row < WIRE.length - 1 && squareMillimetres > WIRE[row][0]) row++;
        double[] low = WIRE[row - 1];
        double[] high = WIRE[row];
        double power = Math.log(high[1] / low[1]) / Math.log(high[0] / low[0]);
        double amps = low[1] * Math.pow(squareMillimetres / low[0], power);
        return squareMillimetres < THIN_SQUARE_MILLIMETRES ? amps / 2 : amps;
    }
}
