package pentacell.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import pentacell.desktop.Shots;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Rewrites the pictures in docs/screenshots from the demo workshop.
@Command(
        name = "shots",
        mixinStandardHelpOptions = true,
        description = "Rewrites docs/screenshots from the demo data, without a display.",
        footer = {"", "Example:", "  ./pentacell shots --width 1280 --height 800"})
final class ShotsCommand implements Callable<Integer> {
    @Option(
            names = "--folder",
            paramLabel = "FOLDER",
            description = "where to write the pictures (default: docs/screenshots)")
    private Path pictures = Path.of("docs", "screenshots");

    @Option(
            names = "--width",
            paramLabel = "PX",
            description = "width of the window (default 1280)")
    private int width = 1280;

    @Option(
            names = "--height",
            paramLabel = "PX",
            description = "height of the window (default 800)")
    private int height = 800;

    @Override
    public Integer call() throws Exception {
        Path folder = Files.createTempDirectory("pentacell-shots");
        Path demo = folder.resolve("Tarn Hollow.pentacell");
        new DemoWorkshop(DemoWorkshop.folderOfPerson()).put(demo, false);
        Files.createDirectories(pictures);
        Shots.take(demo, pictures, width, height);
        return Exit.DONE;
    }
}
