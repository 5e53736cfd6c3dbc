package pentacell.core.conductor;

/// What a conductor may carry for long, and by which rule.
///
/// @param amps in A
/// @param rule in words
public record Allowed(double amps, String rule) {
    /// One nickel strip of 0.15 × 8 mm carries 5 to 7 A (common practice).
    private static final double STRIP_AMPS = 6;

    private static final double STRIP_SQUARE_MILLIMETRES = 0.15 * 8;

    /// Insulated copper in the open, two loaded conductors, 30 °C around them (IEC 60364-5-52,
    /// method C, from memory): mm² and A.
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
        if (conductor.section() instanceof Section.Strip strip) {
            double density =
                    STRIP_AMPS
                            / STRIP_SQUARE_MILLIMETRES
                            * material.againstCopper()
                            / Material.NICKEL.againstCopper();
            String rule =
                    "a nickel strip of 0.15 × 8 mm carries 6 A (common practice: 5 to 7 A), layers add up"
                            + (material == Material.NICKEL
                                    ? ""
                                    : "; other metals at the same heat per area");
            return new Allowed(density * strip.squareMillimetres() * conductor.layers(), rule);
        }
        double amps =
                conductor.layers()
                        * ofCopper(conductor.section().squareMillimetres())
                        * material.againstCopper();
        return new Allowed(
                amps,
                "insulated wire in the open at 30 °C (IEC 60364-5-52, method C, from memory)"
                        + (material == Material.COPPER ? "" : "; other metals at the same heat"));
    }

    /// Between the rows, and beyond them, by a power of the area.
    private static double ofCopper(double squareMillimetres) {
        int row = 1;
        while (row < WIRE.length - 1 && squareMillimetres > WIRE[row][0]) row++;
        double[] low = WIRE[row - 1];
        double[] high = WIRE[row];
        double power = Math.log(high[1] / low[1]) / Math.log(high[0] / low[0]);
        return low[1] * Math.pow(squareMillimetres / low[0], power);
    }
}
