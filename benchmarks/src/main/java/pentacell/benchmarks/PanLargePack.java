package pentacell.benchmarks;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import pentacell.core.assembly.Grid;
import pentacell.core.assembly.TakeOff;
import pentacell.core.build.Arrangement;
import pentacell.core.build.LayoutSearch;
import pentacell.core.build.LayoutWish;
import pentacell.core.build.PackCurrents.Source;
import pentacell.core.build.WiringParts;
import pentacell.core.cell.CellFormat;
import pentacell.core.need.Packing;
import pentacell.core.need.Wiring;
import pentacell.desktop.Workbench;
import pentacell.desktop.faces.FacesPicture;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.theme.Theme;

/// Both faces of a pack of 14 × 193 cans, looked at from near and pushed about: how long frames
/// take meanwhile, and how long the window's thread is kept when it is let go.
public final class PanLargePack extends Application {
    private static final int SERIES = 14;
    private static final int PARALLEL = 193;
    private static final int STEPS = 120;

    /// Prints the figures.
    public static void main(String[] arguments) {
        launch(arguments);
    }

    @Override
    public void start(Stage stage) {
        Theme.loadFonts();
        Workbench bench = Workbench.create(FileAsk.NOBODY, Clock.systemUTC(), Settings.forNow());
        FacesPicture picture = new FacesPicture("faces", true, bench.desk().work().lane("faces"));
        Scene scene = new Scene(new StackPane(picture), 1280, 800);
        scene.getStylesheets().setAll(bench.frame().scene().getStylesheets());
        stage.setScene(scene);
        stage.show();
        Thread.ofPlatform()
                .daemon()
                .start(() -> {
                    measure(picture);
                    Platform.runLater(() -> {
                        bench.desk().close();
                        Platform.exit();
                    });
                });
    }

    private static void measure(FacesPicture picture) {
        Arrangement arrangement = layout();
        UiThread.run(() -> picture.show(Optional.of(arrangement)));
        UiThread.lateness(2);
        for (int i = 0; i < 6; i++) UiThread.run(() -> picture.nearer(1.25));
        UiThread.lateness(2);
        Node plot = picture.lookup("#faces");
        // beside the cans: a hand that takes hold of the sheet
        UiThread.run(() -> Event.fireEvent(plot, mouse(MouseEvent.MOUSE_PRESSED, plot, 640, 2)));
        List<Double> steps = frames(plot);
        Collections.sort(steps);
        Thread watching =
                Thread.ofPlatform()
                        .start(() ->
                                System.out.printf(
                                        Locale.ROOT,
                                        "let go: longest stop %.0f ms%n",
                                        Collections.max(UiThread.lateness(2))));
        UiThread.run(() -> Event.fireEvent(plot, mouse(MouseEvent.MOUSE_RELEASED, plot, 640, 200)));
        try {
            watching.join();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
        System.out.printf(
                Locale.ROOT,
                "frames while it is pushed: middle %.1f ms, 99 of 100 under %.1f ms, longest %.1f ms%n",
                steps.get(STEPS / 2),
                steps.get(STEPS * 99 / 100),
                steps.get(STEPS - 1));
    }

    /// A step of the hand at each frame; how long one frame comes after the other, in ms.
    private static List<Double> frames(Node plot) {
        List<Double> apart = new ArrayList<>();
        CountDownLatch done = new CountDownLatch(1);
        AnimationTimer hand =
                new AnimationTimer() {
                    private long before;

                    @Override
                    public void handle(long now) {
                        if (before > 0) apart.add((System.nanoTime() - before) / 1e6);
                        before = System.nanoTime();
                        int at = apart.size();
                        // measured from the picture, which follows the hand
                        Event.fireEvent(
                                plot,
                                mouse(MouseEvent.MOUSE_DRAGGED, plot, at % 40 < 20 ? 648 : 632, 2));
                        if (at == STEPS) {
                            stop();
                            done.countDown();
                        }
                    }
                };
        UiThread.run(hand::start);
        try {
            done.await();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
        return apart;
    }

    private static MouseEvent mouse(EventType<MouseEvent> type, Node on, double x, double y) {
        boolean isDown = type != MouseEvent.MOUSE_RELEASED;
        return new MouseEvent(
                on,
                on,
                type,
                x,
                y,
                x,
                y,
                MouseButton.MIDDLE,
                1,
                false,
                false,
                false,
                false,
                false,
                isDown,
                false,
                false,
                false,
                false,
                null);
    }

    private static Arrangement layout() {
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
                        new Arrangement.Electric(
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
