package pentacell.core.plan.facts;

/// How much room things take beside the cans.
///
/// @param betweenMillimetres between two cans in their holder, in mm
/// @param endMillimetres for strip, paper and cover at each end of a layer, in mm
/// @param wallMillimetres for insulation along every wall of the box, in mm
/// @param boardMillimetres kept free along the box's length for the board and its wires, in mm
public record Packing(
        double betweenMillimetres,
        double endMillimetres,
        double wallMillimetres,
        double boardMillimetres) {
    /// Holders of 1.5 mm between sleeved cans, so 20 mm from middle to middle of two 18650, 2 mm at
    /// the ends and along the walls (common practice); the board goes elsewhere.
    public static final Packing USUAL = new Packing(1.5, 2, 2, 0);

    public Packing {
        for (double room :
                new double[] {
                    betweenMillimetres, endMillimetres, wallMillimetres, boardMillimetres
                })
            if (!(room >= 0 && room <= 1000))
                throw new IllegalArgumentException(
                        "room beside the cans is 0 to 1000 mm, was " + room);
    }
}
