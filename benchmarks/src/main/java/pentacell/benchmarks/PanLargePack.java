package pentacell.benchmarks;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Scene;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.LayoutSearch;
import pentacell.core.build.LayoutWish;
import pentacell.core.build.PackCurrents.Source;
import pentacell.core.build.WiringParts;
import pentacell.core.build.facts.Grid;
import pentacell.core.build.facts.TakeOff;
import pentacell.core.cell.CellFormat;
import pentacell.core.plan.facts.Packing;
import pentacell.core.plan.facts.Wiring;
import pentacell.desktop.Workbench;
import pentacell.desktop.faces.FacesPicture;

/// Both faces of a pack of 14 × 193 cans, looked at from near and pushed about: how long frames
/// take meanwhile, and how long the window's thread is kept when it is let go.
public final class PanLargePack extends MeasuredWindow {
    private static final int SERIES = 14;
    private static final int PARALLEL = 193;
    private static final int STEPS = 120;

    /// Prints the figures.
    public static void main(String[] arguments) {
        launch(arguments);
    }

    @Override
    void measure(Workbench bench) {
        FacesPicture picture = new FacesPicture("faces", true, bench.desk().work().lane("faces"));
        UiThread.run(() -> alone(picture, bench.frame().scene()));
        JudgedLayout arrangement = layout();
        UiThread.run(() -> picture.show(Optional.of(arrangement)));
        UiThread.lateness(2);
        for (int i = 0; i < 6; i++) UiThread.run(() -> picture.nearer(1.25));
        UiThread.lateness(2);
        Hand hand = new Hand(picture.lookup("#faces"), MouseButton.MIDDLE);
        // beside the cans: a hand that takes hold of the sheet
        hand.does(MouseEvent.MOUSE_PRESSED, 640, 2);
        // measured from the picture, which follows the hand
        Hand.Frames frames = hand.drags(STEPS, at -> new Point2D(at % 40 < 20 ? 648 : 632, 2));
        Thread watching =
                Thread.ofPlatform()
                        .start(() ->
                                System.out.printf(
                                        Locale.ROOT,
                                        "let go: longest stop %.0f ms%n",
                                        Collections.max(UiThread.lateness(2))));
        hand.does(MouseEvent.MOUSE_RELEASED, 640, 200);
        try {
            watching.join();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
        System.out.println("while it is pushed: " + frames);
    }

    /// Puts the picture in the place of all else in the window.
    private static void alone(FacesPicture picture, Scene before) {
        Scene scene = new Scene(new StackPane(picture), 1280, 800);
        scene.getStylesheets().setAll(before.getStylesheets());
        ((Stage) before.getWindow()).setScene(scene);
    }

    private static JudgedLayout layout() {
        List<Integer> sizes = Collections.nCopies(SERIES, PARALLEL);
        return LayoutSearch.of(
                        new LayoutWish(
                                sizes,
                                List.of(),
                                CellFormat.parse("18650").orElseThrow(),
                                Packing.USUAL,
                                Optional.empty(),
                                EnumSet.of(Grid.Pattern.SQUARE),
                                LayoutWish.Ends.ANYWHERE,
                                TakeOff.EDGE,
                                List.of()),
                        new JudgedLayout.Electric(
                                WiringParts.of(Wiring.USUAL, 50, 69),
                                sizes.stream()
                                        .map(size ->
                                                Collections.nCopies(size, new Source(3.7, 0.05)))
                                        .toList(),
                                40,
                                20),
                        () -> false)
                .get(0);
    }
}
