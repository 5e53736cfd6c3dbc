package pentacell.desktop;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.slf4j.LoggerFactory;
import pentacell.core.cell.Cells;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Settings;
import pentacell.desktop.frame.Shot;
import pentacell.desktop.frame.Station;
import pentacell.desktop.theme.Theme;

/// Takes the pictures of the handbook: each main view, from a workshop file, in both themes.
public final class Shots extends Application {
    /// Takes all pictures and returns when they are written.
    ///
    /// @param workshop the workshop to show
    /// @param folder where the pictures go
    public static void take(Path workshop, Path folder, int width, int height) {
        launch(
                Shots.class,
                "--workshop=" + workshop,
                "--folder=" + folder,
                "--width=" + width,
                "--height=" + height);
    }

    @Override
    public void start(Stage stage) {
        Theme.loadFonts();
        Map<String, String> named = getParameters().getNamed();
        Workbench bench = Workbench.create(FileAsk.NOBODY, Clock.systemUTC(), Settings.forNow());
        stage.setScene(bench.frame().scene());
        stage.setWidth(Integer.parseInt(named.getOrDefault("width", "1280")));
        stage.setHeight(Integer.parseInt(named.getOrDefault("height", "800")));
        stage.show();
        bench.frame().open(Path.of(named.getOrDefault("workshop", "")));
        new Photographer(bench, Path.of(named.getOrDefault("folder", "."))).start();
    }

    private static final class Photographer extends AnimationTimer {
        /// Pulses to wait, so that layout and style have settled.
        private static final int SETTLING = 12;

        private final Workbench bench;
        private final Path folder;
        private final List<At> shots = new ArrayList<>();
        private int next;
        private int waited;
        private boolean isPrepared;

        private record At(Station station, Shot shot) {}

        Photographer(Workbench bench, Path folder) {
            this.bench = bench;
            this.folder = folder;
            for (Station station : bench.stations())
                for (Shot shot : station.shots()) shots.add(new At(station, shot));
        }

        @Override
        public void handle(long now) {
            if (Cells.of(bench.desk().ledger().state()).all().isEmpty()) return;
            if (next == shots.size()) {
                stop();
                bench.desk().close();
                Platform.exit();
                return;
            }
            Shot shot = shots.get(next).shot();
            if (!isPrepared) {
                // first, or a view that cannot be shown would be tried for ever
                isPrepared = true;
                bench.frame().dress(shot.theme());
                bench.frame().go(shots.get(next).station());
                shot.prepare().run();
                waited = 0;
                return;
            }
            waited = shot.isReady().getAsBoolean() ? waited + 1 : 0;
            if (waited < SETTLING) return;
            write(shot.name());
            next++;
            isPrepared = false;
        }

        private void write(String name) {
            WritableImage image = bench.frame().scene().snapshot(null);
            int width = (int) image.getWidth();
            int height = (int) image.getHeight();
            BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
            PixelReader pixels = image.getPixelReader();
            for (int y = 0; y < height; y++)
                for (int x = 0; x < width; x++) picture.setRGB(x, y, pixels.getArgb(x, y));
            try {
                ImageIO.write(picture, "png", folder.resolve(name + ".png").toFile());
            } catch (IOException failure) {
                LoggerFactory.getLogger(Shots.class)
                        .error("could not write the picture {}", name, failure);
            }
        }
    }
}
