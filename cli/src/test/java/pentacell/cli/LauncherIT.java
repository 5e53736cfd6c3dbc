package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The packaged program by its launcher, as a script would call it.
final class LauncherIT {
    @TempDir Path folder;

    @ParameterizedTest(name = "pentacell {0}: exit {1}")
    @CsvSource({
        "--help, 0, demo",
        "--version, 0, Pentacell 0.",
        "match --help, 0, --max-ir-spread",
        "open --help, 0, FILE",
        "nonsense, 2, nonsense",
        "match, 2, --cells",
        "match --cells demo/lot.csv --series 7 --parallel 10, 0, usableCapacityMah",
        "match --cells demo/lot.csv --series 7 --parallel 99, 3, needs 693 cells",
        "match --cells README.md --series 7 --parallel 10, 4, README.md"
    })
    void commandsWorkFromTheRootWithTheirExitCodes(String arguments, int code, String said)
            throws Exception {
        assertEquals(code, run(List.of(arguments.split(" "))), this::output);
        assertTrue(output().contains(said), this::output);
    }

    @Test
    void theDemoFileIsWrittenAndNeverWrittenOver() throws Exception {
        Path demo = folder.resolve("démo Ω.pentacell");
        assertEquals(0, run(List.of("demo", "--write", demo.toString())), this::output);
        assertTrue(Files.size(demo) > 50_000);
        assertEquals(2, run(List.of("demo", "--write", demo.toString())), this::output);
    }

    /// Through a link, with no home, in the poorest of locales: the same program.
    @Test
    void itRunsThroughALinkWithoutAHomeAndInAnyLocale() throws Exception {
        Path link =
                Files.createSymbolicLink(
                        folder.resolve("p"),
                        Path.of(System.getProperty("pentacell.root"), "pentacell"));
        Path lot = folder.resolve("Zellen ä 電池.csv");
        Files.writeString(lot, "cell_id,voltage_v\nA-1,3.7\n");
        ProcessBuilder start =
                new ProcessBuilder(link.toString(), "triage", "--cells", lot.toString())
                        .directory(folder.toFile())
                        .redirectErrorStream(true)
                        .redirectOutput(folder.resolve("said.txt").toFile());
        start.environment().keySet().removeIf(name -> name.startsWith("LC_"));
        start.environment().remove("HOME");
        start.environment().put("LC_ALL", "C");
        start.environment().put("PENTACELL_NO_BUILD", "1");
        Process process = start.start();
        assertTrue(process.waitFor(60, TimeUnit.SECONDS), "it ended");
        assertEquals(0, process.exitValue(), this::output);
        assertTrue(output().contains("A-1,normal"), this::output);
    }

    @Test
    void everyPaneOfTheDemoIsVisitedAndTheProgramEndsByItself() throws Exception {
        Path demo = folder.resolve("demo.pentacell");
        assertEquals(0, run(List.of("demo", "--write", demo.toString())), this::output);
        assertEquals(
                0,
                run(
                        List.of("open", demo.toString()),
                        "-Dpentacell.rehearsal=visited -Dglass.platform=Headless -Dprism.order=sw"),
                this::output);
        assertFalse(output().contains("Exception"), this::output);
    }

    private int run(List<String> arguments) throws IOException, InterruptedException {
        return run(arguments, "");
    }

    private int run(List<String> arguments, String options)
            throws IOException, InterruptedException {
        Path root = Path.of(System.getProperty("pentacell.root"));
        List<String> command = new ArrayList<>();
        command.add(root.resolve("pentacell").toString());
        command.addAll(arguments);
        ProcessBuilder start =
                new ProcessBuilder(command)
                        .directory(root.toFile())
                        .redirectErrorStream(true)
                        .redirectOutput(folder.resolve("said.txt").toFile());
        start.environment().put("PENTACELL_NO_BUILD", "1");
        start.environment()
                .put(
                        "PENTACELL_JAVA_OPTS",
                        "-Duser.home=" + folder.resolve("home") + " " + options);
        Process process = start.start();
        assertTrue(process.waitFor(60, TimeUnit.SECONDS), "it ended");
        return process.exitValue();
    }

    private String output() {
        try {
            return Files.readString(folder.resolve("said.txt"));
        } catch (IOException missing) {
            return missing.toString();
        }
    }
}
