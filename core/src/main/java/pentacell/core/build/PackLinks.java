package pentacell.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.ToDoubleFunction;
import pentacell.core.build.Link.Kind;
import pentacell.core.build.facts.CansByPlace;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.conductor.Conductor;

/// The conductors that a layout asks for: a strip over every pair of touching ends that belong to
/// one joint, and what leads out of the first and the last group.
final class PackLinks {
    private final Layout layout;
    private final WiringParts parts;
    private final CansByPlace placed;
    private final Folds folds;
    private final List<Link> links = new ArrayList<>();

    private PackLinks(Layout layout, WiringParts parts) {
        this.layout = layout;
        this.parts = parts;
        placed = layout.cansByPlace();
        folds = Folds.of(layout);
    }

    /// One layer of each, top face first.
    static List<Link> of(Layout layout, WiringParts parts) {
        PackLinks all = new PackLinks(layout, parts);
        for (Face face : Face.values()) all.strips(face);
        all.output(0);
        all.output(layout.places().size());
        return List.copyOf(all.links);
    }

    private void strips(Face face) {
        for (int group = 0; group < layout.places().size(); group++)
            for (Spot spot : layout.places().get(group))
                for (Spot other : layout.grid().beside(spot)) {
                    OptionalInt neighbour = placed.group(other);
                    if (neighbour.isEmpty() || isBefore(other, spot)) continue;
                    int joint = Joint.of(group, face);
                    if (joint != Joint.of(neighbour.getAsInt(), face)) continue;
                    Kind kind = neighbour.getAsInt() == group ? Kind.PARALLEL : Kind.SERIES;
                    add(
                            kind,
                            face,
                            joint,
                            spot,
                            other,
                            parts.strip(folds.linkMillimetres(face, spot, other, parts), 1));
                }
    }

    private static boolean isBefore(Spot one, Spot other) {
        return one.row() != other.row() ? one.row() < other.row() : one.column() < other.column();
    }

    private void add(Kind kind, Face face, int joint, Spot from, Spot to, Conductor conductor) {
        links.add(
                new Link(
                        "%s %s %d.%d-%d.%d"
                                .formatted(
                                        kind.words(),
                                        face.words(),
                                        from.column() + 1,
                                        from.row() + 1,
                                        to.column() + 1,
                                        to.row() + 1),
                        kind,
                        face,
                        joint,
                        from,
                        to,
                        conductor));
    }

    /// What leads out at an end of the string.
    private void output(int joint) {
        Face face = Joint.face(joint);
        List<Spot> edge = outerEdge(layout, joint);
        if (layout.takeOff() == TakeOff.EDGE)
            for (int i = 1; i < edge.size(); i++)
                add(
                        Kind.OUTPUT,
                        face,
                        joint,
                        edge.get(i - 1),
                        edge.get(i),
                        parts.bar(apart(edge.get(i - 1), edge.get(i))));
        Spot at =
                switch (layout.takeOff()) {
                    case EDGE, MIDDLE -> edge.get(edge.size() / 2);
                    case CORNER -> edge.get(0);
                    case DIAGONAL -> joint == 0 ? edge.get(0) : edge.get(edge.size() - 1);
                };
        add(Kind.LEAD, face, joint, at, at, parts.lead());
    }

    private double apart(Spot one, Spot other) {
        Grid grid = layout.grid();
        return Math.hypot(
                grid.alongMillimetres(one) - grid.alongMillimetres(other),
                grid.acrossMillimetres(one) - grid.acrossMillimetres(other));
    }

    /// The cans of the group at an end of the string that lie farthest from the rest of the string,
    /// in order along that edge.
    ///
    /// @param joint 0, or the last
    static List<Spot> outerEdge(Layout layout, int joint) {
        boolean isFirst = joint == 0;
        int last = layout.places().size() - 1;
        List<Spot> own = layout.places().get(isFirst ? 0 : last);
        Grid grid = layout.grid();
        double along = isFirst ? -1 : 1;
        double across = 0;
        if (last > 0) {
            List<Spot> beside = layout.places().get(isFirst ? 1 : last - 1);
            along = mean(own, grid::alongMillimetres) - mean(beside, grid::alongMillimetres);
            across = mean(own, grid::acrossMillimetres) - mean(beside, grid::acrossMillimetres);
        }
        // a string runs along rows or across them; the edge lies square to that
        boolean runsAlong = Math.abs(along) >= Math.abs(across);
        double sign = Math.signum(runsAlong ? along : across);
        ToDoubleFunction<Spot> out =
                spot ->
                        sign
                                * (runsAlong
                                        ? grid.alongMillimetres(spot)
                                        : grid.acrossMillimetres(spot));
        ToDoubleFunction<Spot> sideways =
                runsAlong ? grid::acrossMillimetres : grid::alongMillimetres;
        // in every lane the outermost can, so that a stepped edge is led out as a whole
        Map<Integer, Spot> outermost = new HashMap<>();
        for (Spot spot : own)
            outermost.merge(
                    runsAlong ? spot.row() : spot.column(),
                    spot,
                    (one, other) ->
                            out.applyAsDouble(one) >= out.applyAsDouble(other) ? one : other);
        return outermost.values().stream().sorted(Comparator.comparingDouble(sideways)).toList();
    }

    private static double mean(List<Spot> spots, ToDoubleFunction<Spot> of) {
        return spots.stream().mapToDouble(of).average().orElse(0);
    }
}
