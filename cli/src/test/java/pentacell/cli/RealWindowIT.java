package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The packaged program in a real window on a virtual display, started as a person starts it.
final class RealWindowIT {
    @TempDir Path folder;

    @Test
    void theProgramOpensTheDemoFileInAWindowThatIsNotBlank() throws Exception {
        Path demo = folder.resolve("demo.pentacell");
        assertEquals(0, Main.run("demo", "--write", demo.toString()));
        Path screen = Files.createDirectory(folder.resolve("screen"));
        Path number = folder.resolve("display");
        Process display =
                new ProcessBuilder(
                                "Xvfb",
                                "-displayfd",
                                "1",
                                "-screen",
                                "0",
                                "1280x800x24",
                                "-nolisten",
                                "tcp",
                                "-fbdir",
                                screen.toString())
                        .redirectOutput(number.toFile())
                        .redirectError(ProcessBuilder.Redirect.DISCARD)
                        .start();
        Process program = null;
        try {
            Awaitility.await("the virtual display")
                    .atMost(20, TimeUnit.SECONDS)
                    .until(() -> Files.exists(number) && !Files.readString(number).isBlank());
            ProcessBuilder start =
                    new ProcessBuilder(
                            Path.of(System.getProperty("pentacell.root"), "pentacell").toString(),
                            "open",
                            demo.toString());
            start.environment().put("DISPLAY", ":" + Files.readString(number).strip());
            start.environment().put("PENTACELL_NO_BUILD", "1");
            start.environment().remove("WAYLAND_DISPLAY");
            program =
                    start.redirectErrorStream(true)
                            .redirectOutput(folder.resolve("said.txt").toFile())
                            .start();
            Process started = program;
            Awaitility.await("a window with more than a few colours")
                    .atMost(90, TimeUnit.SECONDS)
                    .until(() ->
                            !started.isAlive() || coloursOn(screen.resolve("Xvfb_screen0")) > 40);
            assertTrue(program.isAlive(), () -> "the program ended: " + said());
        } finally {
            if (program != null) {
                program.descendants().forEach(ProcessHandle::destroy);
                program.destroy();
                program.waitFor(20, TimeUnit.SECONDS);
            }
            display.destroy();
            display.waitFor(20, TimeUnit.SECONDS);
        }
    }

    private String said() {
        try {
            return Files.readString(folder.resolve("said.txt"));
        } catch (IOException missing) {
            return missing.toString();
        }
    }

    /// Counts the colours on a screen kept as an X window dump: a header of 32-bit numbers,
    /// big-endian, then colours, then pixels (X.Org XWDFile.h, from memory: header size first,
    /// bytes per line 13th, number of colours 20th).
    private static int coloursOn(Path dump) throws IOException {
        ByteBuffer bytes = ByteBuffer.wrap(Files.readAllBytes(dump));
        int headerSize = bytes.getInt(0);
        int height = bytes.getInt(5 * 4);
        int bytesPerLine = bytes.getInt(12 * 4);
        int colours = bytes.getInt(19 * 4);
        int begin = headerSize + colours * 12;
        Set<Integer> seen = new HashSet<>();
        for (int at = begin;
                at + 4 <= Math.min(bytes.capacity(), begin + height * bytesPerLine);
                at += 4) seen.add(bytes.getInt(at));
        return seen.size();
    }
}
