package pentacell.desktop.kit;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;

/// Controls side by side, none of them ever cut: what does not fit goes on in the next line, and
/// what is wider than a whole line wraps or shortens within it. A [#gap()] pushes what follows to
/// the right.
public final class ControlRow extends FlowPane {
    private final boolean isTight;

    private ControlRow(boolean isTight, List<Node> nodes) {
        this.isTight = isTight;
        getStyleClass().add("controls");
        getChildren().addAll(nodes);
    }

    /// A row that takes the width it is given.
    public static ControlRow of(Node... nodes) {
        return new ControlRow(false, List.of(nodes));
    }

    /// A row that asks for the width of its controls in one line.
    public static ControlRow tight(Node... nodes) {
        return new ControlRow(true, List.of(nodes));
    }

    /// An empty stretch that takes what its line leaves.
    public static Node gap() {
        return new Gap();
    }

    private static final class Gap extends Region {}

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computeMinWidth(double height) {
        return 0;
    }

    @Override
    protected double computePrefWidth(double height) {
        double width = snappedLeftInset() + snappedRightInset();
        for (Node node : getManagedChildren()) width += wanted(node, Double.MAX_VALUE) + getHgap();
        double inOneLine = Math.max(0, width - getHgap());
        return isTight ? inOneLine : Math.min(inOneLine, 1);
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computePrefHeight(double width) {
        double room = room(width < 0 ? getWidth() : width);
        double height = snappedTopInset() + snappedBottomInset();
        List<List<Node>> lines = lines(room);
        for (List<Node> line : lines) height += heightOf(line, room) + getVgap();
        return lines.isEmpty() ? height : height - getVgap();
    }

    private double room(double width) {
        double room = width - snappedLeftInset() - snappedRightInset();
        return room <= 0 ? Double.MAX_VALUE : room;
    }

    private static double wanted(Node node, double room) {
        if (node instanceof Gap) return 0;
        return Math.min(Math.ceil(Math.max(node.minWidth(-1), node.prefWidth(-1))), room);
    }

    private List<List<Node>> lines(double room) {
        List<List<Node>> lines = new ArrayList<>();
        List<Node> line = new ArrayList<>();
        double taken = 0;
        for (Node node : getManagedChildren()) {
            double wanted = wanted(node, room);
            if (!line.isEmpty() && taken + getHgap() + wanted > room && !(node instanceof Gap)) {
                lines.add(line);
                line = new ArrayList<>();
                taken = 0;
            }
            taken += (line.isEmpty() ? 0 : getHgap()) + wanted;
            line.add(node);
        }
        if (!line.isEmpty()) lines.add(line);
        return lines;
    }

    private static double heightOf(List<Node> line, double room) {
        double height = 0;
        for (Node node : line)
            if (!(node instanceof Gap))
                height = Math.max(height, node.prefHeight(wanted(node, room)));
        return Math.ceil(height);
    }

    @Override
    protected void layoutChildren() {
        double room = room(getWidth());
        double y = snappedTopInset();
        for (List<Node> line : lines(room)) {
            double height = heightOf(line, room);
            double taken = getHgap() * (line.size() - 1);
            for (Node node : line) taken += wanted(node, room);
            long gaps = line.stream().filter(Gap.class::isInstance).count();
            double extra = gaps == 0 ? 0 : Math.max(0, room - taken) / gaps;
            double x = snappedLeftInset();
            for (Node node : line) {
                double width = wanted(node, room) + (node instanceof Gap ? extra : 0);
                double own = Math.min(height, node.prefHeight(width));
                node.resizeRelocate(
                        snapPositionX(x), snapPositionY(y + (height - own) / 2), width, own);
                x += width + getHgap();
            }
            y += height + getVgap();
        }
    }
}
