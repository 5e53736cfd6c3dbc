package pentacell.desktop;

import java.util.ArrayDeque;
import java.util.Optional;
import java.util.Queue;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import pentacell.desktop.frame.Station;

/// A start with nobody watching, which ends by itself: the machine learns from it what a start
/// needs, or the time of the start is taken.
final class Rehearsal extends AnimationTimer {
    private final Workbench bench;
    private final Queue<Runnable> scenes = new ArrayDeque<>();
    private boolean isDrawn;

    /// How far a rehearsal goes.
    enum Extent {
        /// Until the workshop is open and drawn.
        SHOWN,
        /// Until every pane of every station was looked at.
        VISITED;

        /// The extent asked for by the system property `pentacell.rehearsal`, if any.
        static Optional<Extent> asked() {
            return switch (System.getProperty("pentacell.rehearsal", "")) {
                case "shown" -> Optional.of(SHOWN);
                case "visited" -> Optional.of(VISITED);
                default -> Optional.empty();
            };
        }
    }

    Rehearsal(Workbench bench, Extent extent) {
        this.bench = bench;
        if (extent == Extent.VISITED) bench.stations().forEach(this::visit);
    }

    private void visit(Station station) {
        scenes.add(() -> bench.frame().go(station));
        station.panes().forEach(pane -> scenes.add(() -> station.showPane(pane)));
    }

    @Override
    public void handle(long now) {
        if (bench.desk().ledger().fileNameProperty().get().isEmpty()) return;
        // a pulse draws after its timers were called: what was put up is seen with the next
        if (!isDrawn) {
            isDrawn = true;
            return;
        }
        isDrawn = false;
        Runnable scene = scenes.poll();
        if (scene != null) {
            scene.run();
            return;
        }
        stop();
        Platform.exit();
    }
}
