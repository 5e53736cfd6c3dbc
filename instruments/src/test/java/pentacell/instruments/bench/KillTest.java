package pentacell.instruments.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static pentacell.instruments.bench.BenchBook.ID;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import pentacell.core.cell.Cells;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.measure.OpenRun;
import pentacell.workshop.logbook.Logbook;

/// kill −9 in mid-run, of the program and of the instrument: each a process of its own.
@Tag("exhaustive")
final class KillTest {
    @TempDir Path folder;
    private final List<Process> processes = new ArrayList<>();
    private Path file;

    @BeforeEach
    void prepare() throws Exception {
        file = folder.resolve("bench.pentacell");
        try (Logbook book = open()) {
            BenchBook.addCell(book);
        }
    }

    @AfterEach
    void tidy() {
        processes.forEach(Process::destroyForcibly);
    }

    private Logbook open() {
        return BenchBook.open(file);
    }

    /// A child and what it says.
    private record Spoken(Process process, BufferedReader out) {
        /// The number behind a word, in the first line that begins with it and reaches a least.
        int await(String word, int least) throws IOException {
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                if (!line.startsWith(word + " ")) continue;
                int number = Integer.parseInt(line.substring(word.length() + 1));
                if (number >= least) return number;
            }
            throw new AssertionError("the child ended without a " + word);
        }

        void kill() throws InterruptedException {
            process.destroyForcibly().waitFor();
        }
    }

    private Spoken child(String... arguments) throws IOException {
        List<String> command =
                new ArrayList<>(
                        List.of(
                                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                                "--enable-native-access=ALL-UNNAMED",
                                "-cp",
                                System.getProperty("java.class.path"),
                                Child.class.getName()));
        command.addAll(List.of(arguments));
        Process process =
                new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.INHERIT).start();
        processes.add(process);
        return new Spoken(
                process,
                new BufferedReader(
                        new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8)));
    }

    private Finished finishHere(int port) throws Exception {
        BlockingQueue<Finished> finished = new LinkedBlockingQueue<>();
        try (Logbook book = open();
                TestBench bench = new TestBench(Keeper.of(book), finished::add, trouble -> {})) {
            bench.connect(BenchBook.charger(port));
            Finished end = finished.poll(60, TimeUnit.SECONDS);
            assertTrue(end != null, "the run ended");
            return Objects.requireNonNull(end);
        }
    }

    @Test
    void aKilledProgramHasEverySampleItShowedAndTakesTheRunUp() throws Exception {
        Spoken instrument = child("instrument", "0", "4000");
        int port = instrument.await("port", 1);
        Spoken program = child("bench", file.toString(), String.valueOf(port), ID.text());
        int shown = program.await("shown", 100);
        program.kill();
        try (Logbook book = open()) {
            assertTrue(book.samples(ID.text() + "#1").size() >= shown, "shown and there");
            assertEquals(1, OpenRun.of(book.state()).size());
        }
        Finished end = finishHere(port);
        assertEquals(RunEnd.DONE, end.end());
        try (Logbook book = open()) {
            assertEquals(
                    2000,
                    Cells.of(book.state()).cell(ID).orElseThrow().milliampHours().orElseThrow(),
                    30);
        }
    }

    @Test
    void aKilledInstrumentBreaksTheRunWhenItComesBackWithoutIt() throws Exception {
        Spoken instrument = child("instrument", "0", "4000");
        int port = instrument.await("port", 1);
        Spoken program = child("bench", file.toString(), String.valueOf(port), ID.text());
        int shown = program.await("shown", 100);
        instrument.kill();
        program.kill();
        child("instrument", String.valueOf(port), "4000").await("port", 1);
        Finished end = finishHere(port);
        assertEquals(RunEnd.BROKEN, end.end());
        try (Logbook book = open()) {
            assertTrue(book.samples(ID.text() + "#1").size() >= shown, "what came in is kept");
            assertEquals(List.of(), OpenRun.of(book.state()));
        }
    }
}
