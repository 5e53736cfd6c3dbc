package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.IndexedCell;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.skin.VirtualFlow;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.desktop.frame.Settings;

/// Every pane of every station, in both themes, small and large: no word is cut, no control sticks
/// out or lies on another. What may be shortened bears the style class `may-shorten`.
@Tag("window")
final class LayoutTest {
    private static final double HAIR = 1.5;

    @TempDir Path folder;

    @ParameterizedTest(name = "{0} × {1} at {2} %, {3}")
    @CsvSource({
        "1280, 800, 100, PAPER",
        "1280, 800, 140, SHED",
        "1024, 640, 100, SHED",
        "1024, 640, 140, PAPER"
    })
    void nothingIsCutAndNothingLiesOnAnything(int width, int height, String size, String theme)
            throws Exception {
        Settings settings = Settings.forNow();
        settings.put("scale", size);
        settings.put("theme", theme);
        try (BenchFixture bench = BenchFixture.demoWithRuns(folder, width, height, settings)) {
            bench.selectAnOddCell();
            Map<String, Set<String>> faults = new TreeMap<>();
            bench.everyPaneUntil(at -> {
                Set<String> found = faultsOf(bench.bench.frame().scene());
                if (found.isEmpty()) faults.remove(at);
                else faults.put(at, found);
                return found.isEmpty();
            });
            assertEquals(Map.of(), faults);
        }
    }

    static Set<String> faultsOf(Scene scene) {
        Set<String> faults = new TreeSet<>();
        List<Node> leaves = new ArrayList<>();
        for (Node node : scene.getRoot().lookupAll("*")) {
            if (!isShown(node)) continue;
            if (node instanceof Labeled labeled && isCut(labeled))
                faults.add("cut: " + named(labeled));
            if (node instanceof TextField field && isTooNarrow(field))
                faults.add("too narrow: " + named(field));
            // what is beyond the edge of a table is cut, though no label knows it; where the
            // window is small a table may scroll sideways, but what it warns of is in sight
            if (node instanceof TableView<?> table) {
                if (isFullSize(scene, table) && scrollsSideways(table))
                    faults.add("wider than its place: " + named(table));
                warnsBeyondItsEdge(table)
                        .ifPresent(words -> faults.add("out of sight: " + words + named(table)));
            }
            if (isLeaf(node)) leaves.add(node);
        }
        for (Node leaf : leaves) if (sticksOut(leaf, scene)) faults.add("outside: " + named(leaf));
        for (int i = 0; i < leaves.size(); i++)
            for (int j = i + 1; j < leaves.size(); j++)
                if (lieOnEachOther(leaves.get(i), leaves.get(j)))
                    faults.add(
                            "on each other: "
                                    + named(leaves.get(i))
                                    + " and "
                                    + named(leaves.get(j)));
        return faults;
    }

    private static boolean scrollsSideways(TableView<?> table) {
        return table.lookupAll(".scroll-bar").stream()
                .map(ScrollBar.class::cast)
                .anyMatch(bar ->
                        bar.getOrientation() == Orientation.HORIZONTAL
                                && bar.isVisible()
                                && bar.getMax() > HAIR);
    }

    private static boolean isFullSize(Scene scene, TableView<?> table) {
        return scene.getWidth() >= 1280
                && table.lookup(".column-header .label") instanceof Labeled head
                && head.getFont().getSize() < 14;
    }

    private static <R> Optional<String> warnsBeyondItsEdge(TableView<R> table) {
        double right = 0;
        for (TableColumn<R, ?> column : table.getVisibleLeafColumns()) {
            right += column.getWidth();
            if (right <= table.getWidth() + HAIR) continue;
            for (R row : table.getItems()) {
                String words = String.valueOf(column.getCellData(row));
                if (words.startsWith("■") || words.startsWith("▲")) return Optional.of(words);
            }
        }
        return Optional.empty();
    }

    private static boolean isShown(Node node) {
        for (Node each = node; each != null; each = each.getParent())
            if (!each.isVisible()) return false;
        return node.getScene() != null;
    }

    private static boolean isCut(Labeled labeled) {
        return labeled.isTextTruncated() && !labeled.getText().isBlank() && !mayShorten(labeled);
    }

    private static boolean mayShorten(Node node) {
        for (Node each = node; each != null; each = each.getParent())
            if (each.getStyleClass().contains("may-shorten")) return true;
        return false;
    }

    /// What stands in a field, or its prompt, has to be readable.
    private static boolean isTooNarrow(TextField field) {
        if (field.isFocused()) return false;
        double room = field.getWidth() - field.snappedLeftInset() - field.snappedRightInset();
        String text =
                field.getText() == null || field.getText().isEmpty()
                        ? field.getPromptText()
                        : field.getText();
        Text measured = new Text(text);
        measured.setFont(field.getFont());
        return measured.getLayoutBounds().getWidth() > room + HAIR && !mayShorten(field);
    }

    private static boolean isLeaf(Node node) {
        if (!(node instanceof Labeled || node instanceof TextField)) return false;
        if (node instanceof Labeled labeled
                && labeled.getGraphic() == null
                && (labeled.getText() == null || labeled.getText().isBlank())) return false;
        for (Node each = node.getParent(); each != null; each = each.getParent())
            if (each instanceof VirtualFlow
                    || each instanceof Labeled
                    || each instanceof IndexedCell
                    || each instanceof ScrollBar) return false;
        return true;
    }

    /// What can be scrolled to may lie below the edge, never beside it.
    private static boolean sticksOut(Node leaf, Scene scene) {
        Bounds bounds = leaf.localToScene(leaf.getBoundsInLocal());
        boolean canScroll = false;
        Bounds room = new BoundingBox(0, 0, scene.getWidth(), scene.getHeight());
        for (Node each = leaf.getParent(); each != null; each = each.getParent())
            // a table scrolls in both directions
            if (each instanceof TableView<?>) return false;
            else if (each instanceof ScrollPane pane) {
                canScroll = true;
                Bounds within = pane.localToScene(pane.getBoundsInLocal());
                if (bounds.getMaxX() > within.getMaxX() + HAIR) return true;
            }
        return bounds.getMinX() < room.getMinX() - HAIR
                || bounds.getMaxX() > room.getMaxX() + HAIR
                || !canScroll
                        && (bounds.getMinY() < room.getMinY() - HAIR
                                || bounds.getMaxY() > room.getMaxY() + HAIR);
    }

    private static boolean lieOnEachOther(Node one, Node other) {
        Bounds a = visible(one);
        Bounds b = visible(other);
        double width = Math.min(a.getMaxX(), b.getMaxX()) - Math.max(a.getMinX(), b.getMinX());
        double height = Math.min(a.getMaxY(), b.getMaxY()) - Math.max(a.getMinY(), b.getMinY());
        return width > 2 * HAIR && height > 2 * HAIR;
    }

    private static Bounds visible(Node node) {
        Bounds bounds = node.localToScene(node.getLayoutBounds());
        double minX = bounds.getMinX();
        double minY = bounds.getMinY();
        double maxX = bounds.getMaxX();
        double maxY = bounds.getMaxY();
        for (Node each = node.getParent(); each != null; each = each.getParent())
            // what a table or a scrolled page holds is seen within it only
            if (each instanceof ScrollPane || each instanceof TableView) {
                Bounds within = each.localToScene(each.getLayoutBounds());
                minX = Math.max(minX, within.getMinX());
                minY = Math.max(minY, within.getMinY());
                maxX = Math.min(maxX, within.getMaxX());
                maxY = Math.min(maxY, within.getMaxY());
            }
        return new BoundingBox(minX, minY, Math.max(0, maxX - minX), Math.max(0, maxY - minY));
    }

    private static String named(Node node) {
        String text =
                node instanceof Labeled labeled
                        ? labeled.getText()
                        : node instanceof TextField field
                                ? field.getText() + "|" + field.getPromptText()
                                : "";
        Bounds bounds = node.localToScene(node.getBoundsInLocal());
        return "%s %s \"%s\" %.0f…%.0f × %.0f…%.0f"
                .formatted(
                        node.getClass().getSimpleName(),
                        node.getId(),
                        text,
                        bounds.getMinX(),
                        bounds.getMaxX(),
                        bounds.getMinY(),
                        bounds.getMaxY());
    }
}
