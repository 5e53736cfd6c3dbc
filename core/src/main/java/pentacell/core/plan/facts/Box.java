package pentacell.core.plan.facts;

/// The inside of a box, in mm.
public record Box(double lengthMillimetres, double widthMillimetres, double heightMillimetres) {
    public Box {
        for (double side : new double[] {lengthMillimetres, widthMillimetres, heightMillimetres})
            if (!(side > 0 && side <= 100_000))
                throw new IllegalArgumentException(
                        "a box's sides are above 0 and at most 100000 mm, was " + side);
    }
}
