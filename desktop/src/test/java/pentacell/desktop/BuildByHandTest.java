package pentacell.desktop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.desktop.BuildStationTest.assembly;
import static pentacell.desktop.BuildStationTest.atBuild;
import static pentacell.desktop.BuildStationTest.layout;
import static pentacell.desktop.BuildStationTest.line;
import static pentacell.desktop.BuildStationTest.set;

import java.nio.file.Path;
import java.util.List;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.build.facts.Layout;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;
import pentacell.core.pack.Packs;
import pentacell.workshop.demo.TarnHollow;

/// A layout changed by hand, and its holder filled.
@Tag("window")
final class BuildByHandTest {
    @TempDir private Path folder;

    @Test
    void aCanIsDraggedAndTheLayoutMirrored() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            atBuild(bench);
            bench.await("nothing is looked for", () -> bench.isVisible("#layout-change"));
            Layout before = layout(bench);
            Bounds faces = faces(bench);
            // the upper left can of the top face, and one three places on in its row
            double x = faces.getMinX() + 20;
            double y = faces.getMinY() + 42;
            bench.robot.moveTo(x, y).press(MouseButton.PRIMARY);
            bench.robot.moveTo(x + 82, y).release(MouseButton.PRIMARY);
            bench.await("two changed places", () -> !layout(bench).equals(before));
            Spot first = new Spot(0, 0);
            assertEquals(
                    1,
                    layout(bench).cansByPlace().group(first).orElseThrow(),
                    "a can of group 2 stands there now");
            bench.await(
                    "it is said that groups lie in pieces",
                    () -> bench.text("#layout-meaning").equals("It cannot be built so."));
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("and back", () -> layout(bench).equals(before));
            bench.await("seen again", () -> bench.text("#layout-meaning").startsWith("As chosen"));
            bench.robot.interact(() -> {
                withShift(bench, MouseEvent.MOUSE_PRESSED, 20, 42);
                withShift(bench, MouseEvent.MOUSE_RELEASED, 102, 42);
            });
            bench.await(
                    "two groups changed places",
                    () -> layout(bench).equals(before.groupsSwapped(0, 1)));
            bench.keys(KeyCode.CONTROL, KeyCode.Z);
            bench.await("and back again", () -> layout(bench).equals(before));
            bench.await(
                    "seen once more", () -> bench.text("#layout-meaning").startsWith("As chosen"));
            MenuButton change = bench.robot.lookup("#layout-change").queryAs(MenuButton.class);
            bench.robot.interact(() -> change.getItems().get(0).fire());
            bench.await("mirrored", () -> layout(bench).equals(before.mirrored()));
        }
    }

    /// The offscreen robot does not say which keys are held while a button is pressed.
    private static void withShift(
            BenchFixture bench, EventType<MouseEvent> type, double x, double y) {
        Node faces = bench.robot.lookup("#faces-layout").query();
        Point2D at = faces.localToScene(x, y);
        Event.fireEvent(
                faces,
                new MouseEvent(
                        type,
                        at.getX(),
                        at.getY(),
                        at.getX(),
                        at.getY(),
                        MouseButton.PRIMARY,
                        1,
                        true,
                        false,
                        false,
                        false,
                        true,
                        false,
                        false,
                        false,
                        false,
                        true,
                        null));
    }

    @Test
    void aCanIsToldItsPlaceAndAWrongOneRefused() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            atBuild(bench);
            String first =
                    Packs.of(bench.state())
                            .pack(TarnHollow.LONG_NIGHT)
                            .orElseThrow()
                            .groups()
                            .get(1)
                            .get(0)
                            .text();
            line(bench, first);
            bench.awaitSaid(first + ": group 2, column 3, row 1, positive end down");
            String other =
                    Packs.of(bench.state())
                            .pack(TarnHollow.DOME)
                            .orElseThrow()
                            .groups()
                            .get(0)
                            .get(0)
                            .text();
            line(bench, other);
            bench.awaitSaid(other + " does not belong to this pack");
            bench.await(
                    "one is in, and the next named",
                    () ->
                            bench.text("#layout-meaning")
                                    .startsWith("1 of 70 cells in the holder. Next: "));
            assertEquals(
                    List.of(new CellId(first)),
                    List.copyOf(assembly(bench, TarnHollow.LONG_NIGHT).inHolder()));
            // the refused one stays to be corrected
            set(bench, "#quick-line", "");
            line(bench, first + " out");
            bench.await(
                    "and out again",
                    () -> assembly(bench, TarnHollow.LONG_NIGHT).inHolder().isEmpty());
        }
    }

    @Test
    void aPlaceIsKeptFreeAndLookedAtFromNear() throws Exception {
        try (BenchFixture bench = BenchFixture.demo(folder, 1280, 800)) {
            atBuild(bench);
            bench.await("nothing is looked for", () -> bench.isVisible("#layout-change"));
            Bounds faces = faces(bench);
            double x = faces.getMinX() + 20;
            double y = faces.getMinY() + 42;
            bench.robot.moveTo(x, y).clickOn(MouseButton.SECONDARY);
            bench.robot.clickOn("Keep this place free");
            bench.awaitSaid("No other place for the can: add a row or a column first (Change it).");
            MenuButton change = bench.robot.lookup("#layout-change").queryAs(MenuButton.class);
            bench.robot.interact(() -> change.getItems().get(3).fire());
            bench.await("a row more", () -> layout(bench).grid().rows() == 6);
            bench.robot.moveTo(x, y).clickOn(MouseButton.SECONDARY);
            bench.robot.clickOn("Keep this place free");
            bench.await(
                    "its can went elsewhere",
                    () ->
                            layout(bench).grid().keptFree().equals(List.of(new Spot(0, 0)))
                                    && layout(bench).cansByPlace().at(new Spot(0, 0)).isEmpty());
            // from near, the same place of the screen is another place of the pack
            bench.robot.interact(() -> change.getItems().get(5).fire());
            bench.robot.moveTo(x, y).clickOn(MouseButton.SECONDARY);
            assertTrue(bench.robot.lookup("May be filled again").tryQuery().isEmpty());
            bench.keys(KeyCode.ESCAPE);
            bench.robot.interact(() -> change.getItems().get(7).fire());
            bench.robot.moveTo(x, y).clickOn(MouseButton.SECONDARY);
            bench.robot.clickOn("May be filled again");
            bench.await("free to fill", () -> layout(bench).grid().keptFree().isEmpty());
        }
    }

    /// Where the faces are once everything has been drawn.
    private static Bounds faces(BenchFixture bench) {
        bench.hands.settle();
        Node faces = bench.robot.lookup("#faces-layout").query();
        return faces.localToScreen(faces.getBoundsInLocal());
    }
}
