package pentacell.core.build;

import java.util.OptionalInt;
import pentacell.core.build.facts.CansByPlace;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;

/// How layers come to lie on each other: folded to and fro like a paper fan, so that one fold
/// brings two top faces together and the next two bottom faces.
public final class Folds {
    private final Layout layout;
    private final Face first;

    private Folds(Layout layout, Face first) {
        this.layout = layout;
        this.first = first;
    }

    /// Of the two ways to begin, the one that leaves fewer links on the outside of a fold, where
    /// they are long.
    public static Folds of(Layout layout) {
        Folds top = new Folds(layout, Face.TOP);
        if (top.layers() == 1) return top;
        Folds bottom = new Folds(layout, Face.BOTTOM);
        return top.outside() <= bottom.outside() ? top : bottom;
    }

    /// Layers that lie on each other.
    public int layers() {
        return layout.grid().layers();
    }

    private int outside() {
        CansByPlace placed = layout.cansByPlace();
        int count = 0;
        for (int group = 0; group + 1 < layout.places().size(); group++)
            for (Spot spot : layout.places().get(group))
                for (Spot other : layout.grid().beside(spot))
                    if (isAcross(spot, other)
                            && placed.group(other).equals(OptionalInt.of(group + 1))
                            && !isInside(Joint.face(group + 1), spot, other)) count++;
        return count;
    }

    /// Whether two places lie in different layers.
    public boolean isAcross(Spot one, Spot other) {
        return layout.grid().layer(one) != layout.grid().layer(other);
    }

    /// Whether a face lies on the inside of the fold between two places of different layers.
    private boolean isInside(Face face, Spot one, Spot other) {
        return face == inside(Math.min(layout.grid().layer(one), layout.grid().layer(other)));
    }

    /// The faces that come together where a layer, from 0, is folded onto the next.
    public Face inside(int layer) {
        return layer % 2 == 0 ? first : first == Face.TOP ? Face.BOTTOM : Face.TOP;
    }

    /// How long a strip from one place to the next is, in mm: over a fold it goes past the ends of
    /// both layers inside of it, or around both layers outside of it.
    double linkMillimetres(Face face, Spot one, Spot other, WiringParts parts) {
        double pitch = layout.grid().pitchMillimetres();
        if (!isAcross(one, other) || isInside(face, one, other)) return pitch;
        return pitch + 2 * parts.layerMillimetres();
    }

    /// Between how many groups' voltage the faces that lie on each other have at most; 0 for one
    /// layer.
    public int mostApart() {
        CansByPlace placed = layout.cansByPlace();
        int columns = layout.grid().columnsOfALayer();
        int most = 0;
        for (int group = 0; group < layout.places().size(); group++)
            for (Spot spot : layout.places().get(group)) {
                int layer = layout.grid().layer(spot);
                if (layer + 1 == layout.grid().layers()) continue;
                Spot on = new Spot(2 * (layer + 1) * columns - 1 - spot.column(), spot.row());
                OptionalInt facing = placed.group(on);
                if (facing.isEmpty()) continue;
                Face face = inside(layer);
                int apart = Joint.of(group, face) - Joint.of(facing.getAsInt(), face);
                most = Math.max(most, Math.abs(apart));
            }
        return most;
    }
}
