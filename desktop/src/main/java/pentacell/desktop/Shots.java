package pentacell.desktop;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.slf4j.LoggerFactory;
import pentacell.core.cell.CellId;
import pentacell.desktop.frame.FileAsk;
import pentacell.desktop.frame.Settings;
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

    /// A picture to take: what to do before, and when it is ready.
    private record Shot(String name, Theme theme, Runnable prepare, BooleanSupplier isReady) {}

    @Override
    public void start(Stage stage) {
        Theme.loadFonts();
        Map<String, String> named = getParameters().getNamed();
        Bench bench = Bench.create(FileAsk.NOBODY, Clock.systemUTC(), Settings.forNow());
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

        private final Bench bench;
        private final Path folder;
        private final List<Shot> shots;
        private int next;
        private int waited;
        private boolean isPrepared;

        Photographer(Bench bench, Path folder) {
            this.bench = bench;
            this.folder = folder;
            this.shots =
                    List.of(
                            shot("harvest-paper", Theme.PAPER, this::harvest),
                            shot("time-sheet-shed", Theme.SHED, () -> testPane("Time sheet")),
                            shot("teardown-paper", Theme.PAPER, this::teardown),
                            shot("yield-paper", Theme.PAPER, this::yieldAndCost),
                            shot("intake-paper", Theme.PAPER, this::intake),
                            shot("intake-shed", Theme.SHED, this::intake),
                            shot("time-sheet-paper", Theme.PAPER, () -> testPane("Time sheet")),
                            shot("schools-paper", Theme.PAPER, this::schools),
                            new Shot("bays-paper", Theme.PAPER, this::bays, this::baysShowCurves),
                            shot("bays-shed", Theme.SHED, () -> testPane("Bays")),
                            shot("hold-paper", Theme.PAPER, () -> testPane("Hold shelf")),
                            shot("hold-shed", Theme.SHED, () -> testPane("Hold shelf")),
                            shot("curve-paper", Theme.PAPER, this::curve),
                            shot("curve-shed", Theme.SHED, this::curve),
                            shot("stock-paper", Theme.PAPER, this::stock),
                            shot("stock-shed", Theme.SHED, this::stock),
                            new Shot(
                                    "match-paper",
                                    Theme.PAPER,
                                    this::match,
                                    bench.match()::hasCurve),
                            new Shot(
                                    "match-shed",
                                    Theme.SHED,
                                    () -> bench.frame().go(bench.match()),
                                    bench.match()::hasCurve),
                            shot("pick-paper", Theme.PAPER, this::pick));
        }

        private static Shot shot(String name, Theme theme, Runnable prepare) {
            return new Shot(name, theme, prepare, () -> true);
        }

        private void harvest() {
            bench.frame().go(bench.harvest());
            bench.desk().selectDonor("LD08");
            bench.harvest().showPane("Repair or harvest");
        }

        private void teardown() {
            bench.frame().go(bench.harvest());
            bench.desk().selectDonor("HB06");
            bench.harvest().showPane("Teardown");
        }

        private void yieldAndCost() {
            bench.frame().go(bench.harvest());
            bench.harvest().showPane("Yield and cost");
        }

        private void list(String name) {
            bench.frame().go(bench.intake());
            bench.intake().showList(name);
        }

        private void schools() {
            list("Schools");
            if (bench.frame().scene().lookup("#school") instanceof ComboBox<?> school)
                school.getSelectionModel().selectFirst();
        }

        private void intake() {
            bench.frame().go(bench.intake());
            bench.intake().showList("Tray");
            bench.desk().select(new CellId("LD04-03"));
            if (bench.frame().scene().lookup("#quick-line") instanceof TextField line) {
                line.setText("HB05-12 3,68 156 2143");
                line.end();
            }
        }

        private void bays() {
            testPane("Bays");
            bench.test().model().loadAsPlanned(8);
        }

        private boolean baysShowCurves() {
            return bench.test().model().sampleCount() > 2500;
        }

        private void testPane(String name) {
            bench.frame().go(bench.test());
            bench.test().showPane(name);
        }

        private void curve() {
            testPane("Curves");
            bench.desk().state().cells().values().stream()
                    .filter(cell -> cell.dcMilliohms().isPresent())
                    .skip(3)
                    .findFirst()
                    .ifPresent(cell -> bench.desk().select(cell.id()));
        }

        private void stock() {
            bench.frame().go(bench.stock());
            bench.desk().select(new CellId("HB02-11"));
        }

        private void match() {
            bench.frame().go(bench.match());
            bench.match().takeInHand("Long night 24 V");
            bench.desk().select(new CellId("HB04-06"));
            bench.match().drawCurve();
        }

        private void pick() {
            bench.frame().go(bench.match());
            bench.match().takeInHand("Dome shutter 12 V");
            bench.match().showPick();
        }

        @Override
        public void handle(long now) {
            if (bench.desk().state().cells().isEmpty()) return;
            if (next == shots.size()) {
                stop();
                bench.desk().close();
                Platform.exit();
                return;
            }
            Shot shot = shots.get(next);
            if (!isPrepared) {
                // first, or a view that cannot be shown would be tried for ever
                isPrepared = true;
                bench.frame().dress(shot.theme());
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
