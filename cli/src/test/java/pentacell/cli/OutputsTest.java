package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;

/// What commands write: nothing that was there to be read, and always by the same rules.
final class OutputsTest {
    @TempDir private Path folder;
    private Commands commands = new Commands(Path.of(""));

    @BeforeEach
    void begin() {
        commands = new Commands(folder);
    }

    private int run(String... arguments) {
        return commands.run(arguments);
    }

    private int run(String command, Path file) {
        return run(command.replace("IN", file.toString()).split(" "));
    }

    /// Every command with an input, each time with that input as its output.
    @ParameterizedTest
    @ValueSource(
            strings = {
                "match --cells IN --series 2 --parallel 2 --out IN",
                "match --cells IN --series 2 --parallel 2 --summary IN",
                "match --cells IN --series 2 --parallel 2 --trade-off IN",
                "plan --need IN --summary IN",
                "plan --need other.json --stock IN --summary IN",
                "network --layout IN --load=1A --summary IN",
                "taps --series 3 --readings IN --summary IN",
                "prove --log IN --end-voltage 3 --summary IN",
                "service --log IN --parallel 3 --summary IN",
                "simulate --groups IN --cells other.csv --load 1A --summary IN",
                "simulate --groups other.csv --cells IN --load 1A --out IN",
                "simulate --groups g.csv --cells c.csv --ocv IN --load 1A --out IN",
                "triage --cells IN --out IN",
                "diagnose --readings IN --summary IN",
                "analyse IN --summary IN",
                "report IN --what labels --out IN",
                "check IN --summary IN",
                "check IN --salvage IN",
            })
    void anInputIsNeverWrittenOver(String command) throws Exception {
        Path input = folder.resolve("input");
        Files.writeString(input, "cell_id,capacity_mah\nA-1,2000\n");
        byte[] before = Files.readAllBytes(input);
        assertEquals(Exit.WRONG_USAGE, run(command, input), commands.errors());
        assertTrue(commands.errors().contains("Choose another name"), commands.errors());
        assertArrayEquals(before, Files.readAllBytes(input));
        Path link = Files.createSymbolicLink(folder.resolve("link"), input);
        String lastByLink =
                command.substring(0, command.lastIndexOf("IN")).replace("IN", input.toString())
                        + link;
        assertEquals(Exit.WRONG_USAGE, run(lastByLink.split(" ")));
        assertArrayEquals(before, Files.readAllBytes(input));
    }

    @Test
    void aWorkshopIsNeverWrittenOverByAnyOutput() throws Exception {
        Path workshop = folder.resolve("bench.pentacell");
        new DemoWorkshop(folder.resolve("kept")).write(workshop, false, false);
        byte[] before = Files.readAllBytes(workshop);
        String file = workshop.toString();
        for (List<String> words :
                List.of(
                        List.of("report", file, "--what", "labels", "--out", file),
                        List.of("demo", "--write", file),
                        List.of("demo", "--write", file, "--force"))) {
            assertEquals(Exit.WRONG_USAGE, run(words.toArray(String[]::new)), words.toString());
            assertArrayEquals(before, Files.readAllBytes(workshop));
        }
        assertEquals(Exit.WRONG_USAGE, conductor(file));
        assertArrayEquals(before, Files.readAllBytes(workshop));
    }

    @Test
    void theDemoReplacesAFileOnlyWhenTold() throws Exception {
        Path notes = Files.writeString(folder.resolve("notes.txt"), "do not lose");
        assertEquals(Exit.WRONG_USAGE, run("demo", "--write", notes.toString()));
        assertTrue(commands.errors().contains("--force"), commands.errors());
        assertEquals("do not lose", Files.readString(notes));
        assertEquals(Exit.DONE, run("demo", "--write", notes.toString(), "--force"));
        assertTrue(Files.size(notes) > 10_000);
        assertEquals(Exit.WRONG_USAGE, run("demo", "--write", folder.toString(), "--force"));
    }

    @Test
    void outputsThatCannotBeWrittenAreSaidAndEndWithFour() throws Exception {
        Path file = Files.writeString(folder.resolve("file"), "x");
        for (Path bad :
                List.of(
                        folder.resolve("none/out.json"),
                        file.resolve("out.json"),
                        folder.resolve("x".repeat(300)))) {
            assertEquals(Exit.UNREADABLE_INPUT, conductor(bad.toString()), bad.toString());
            assertFalse(commands.errors().contains("internal error"), commands.errors());
        }
        assertEquals(Exit.WRONG_USAGE, conductor("/dev/zero"));
        assertEquals(Exit.WRONG_USAGE, conductor(folder.toString()));
        assertEquals(Exit.DONE, conductor("/dev/null"));
        assertEquals(Exit.DONE, conductor("-"));
    }

    private int conductor(String summary) {
        return run(
                "conductor",
                "--awg",
                "12",
                "--length-m",
                "1",
                "--material",
                "copper",
                "--summary",
                summary);
    }

    @Test
    void theResultGoesToStandardOutputWhetherAFileIsNamedOrNot() throws Exception {
        Path summary = folder.resolve("s.json");
        assertEquals(Exit.DONE, conductor(summary.toString()));
        assertEquals(Files.readString(summary), commands.said());
        for (String command :
                List.of(
                        "match",
                        "simulate",
                        "plan",
                        "conductor",
                        "network",
                        "taps",
                        "prove",
                        "service",
                        "diagnose",
                        "analyse",
                        "check")) {
            run(command, "--help");
            assertTrue(
                    commands.said().replaceAll("\\s+", " ").contains("standard output as JSON"),
                    command);
        }
    }

    @Test
    void readingAWorkshopLeavesNothingBehind() throws Exception {
        Path workshop = folder.resolve("bench.pentacell");
        new DemoWorkshop(folder.resolve("kept")).write(workshop, false, false);
        List<Path> before = files();
        Path out = Files.createTempFile("report", ".pdf");
        try {
            assertEquals(
                    Exit.DONE,
                    run("report", workshop.toString(), "--what", "donors", "--out", out.toString()),
                    commands.errors());
            assertEquals(Exit.DONE, run("check", workshop.toString()));
            run("network", "--pack", workshop.toString(), "Long night 24 V", "--load=1A");
        } finally {
            Files.delete(out);
        }
        assertEquals(before, files());
    }

    private List<Path> files() throws Exception {
        try (Stream<Path> all = Files.walk(folder)) {
            return new ArrayList<>(all.sorted().toList());
        }
    }

    @Test
    void aReportOfAnOpenWorkshopIsWrittenAllTheSame() throws Exception {
        Path workshop = folder.resolve("bench.pentacell");
        new DemoWorkshop(folder.resolve("kept")).write(workshop, false, false);
        try (Logbook open = opened(workshop)) {
            assertTrue(open.state().hashCode() != 0);
            Path out = folder.resolve("donors.pdf");
            assertEquals(
                    Exit.DONE,
                    run("report", workshop.toString(), "--what", "donors", "--out", out.toString()),
                    commands.errors());
        }
    }

    /// An `--out` is looked at as a file before its command runs.
    @Test
    void noCommandTakesAFolderForAnOutput() {
        List<String> folders =
                Main.commandLine().getSubcommands().values().stream()
                        .flatMap(command -> command.getCommandSpec().options().stream())
                        .filter(option -> option.longestName().equals("--out"))
                        .filter(option -> option.paramLabel().contains("FOLDER"))
                        .map(Object::toString)
                        .toList();
        assertEquals(List.of(), folders);
    }

    private static Logbook opened(Path file) throws LogbookException, java.io.IOException {
        return DemoWorkshop.opened(file);
    }
}
