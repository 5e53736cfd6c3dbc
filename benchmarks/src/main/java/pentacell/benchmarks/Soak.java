package pentacell.benchmarks;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import pentacell.core.Chapters;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.workshop.logbook.FileCheck;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.LogbookException;
import pentacell.workshop.logbook.Opening;
import pentacell.workshop.logbook.Salvage;

/// Kills, damages and full disks, at random, and how each ended. `Soak ROUNDS [SEED]`; full disks
/// need a small file system of their own, which only root can have.
public final class Soak {
    private static final int ACTS = 400;

    private final Random random;
    private final Path folder;
    private final Map<String, Integer> ended = new TreeMap<>();

    private Soak(long seed, Path folder) {
        random = new Random(seed);
        this.folder = folder;
    }

    /// Prints the table.
    public static void main(String[] arguments) throws Exception {
        if (arguments.length > 1 && arguments[0].equals("log")) {
            logUntilKilled(Path.of(arguments[1]));
            return;
        }
        int rounds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 50;
        long seed = arguments.length > 1 ? Long.parseLong(arguments[1]) : 1;
        Soak soak = new Soak(seed, Files.createTempDirectory("soak"));
        for (int i = 0; i < rounds; i++) soak.kill();
        for (int i = 0; i < rounds; i++) soak.damage();
        for (int i = 0; i < rounds; i++) soak.fillUp();
        soak.ended.forEach(
                (how, count) -> System.out.printf(Locale.ROOT, "| %s | %d |%n", how, count));
    }

    private void count(String how) {
        ended.merge(how, 1, Integer::sum);
    }

    private static void logUntilKilled(Path file) throws LogbookException {
        Logbook book = opened(file);
        int begun = Cells.of(book.state()).all().size();
        for (int i = begun + 1; ; i++) {
            log(book, i);
            System.out.println(i);
        }
    }

    private static void log(Logbook book, int number) throws LogbookException {
        CellId cell = new CellId("K-" + number);
        book.log(
                "Log " + cell,
                List.of(
                        new CellFact.VoltageRead(cell, 3.7),
                        new CellFact.CellNoted(cell, "from the hire-bicycle module")));
    }

    private void kill() throws IOException, InterruptedException {
        Path file = folder.resolve("killed.pentacell");
        Process child =
                new ProcessBuilder(
                                System.getProperty("java.home") + "/bin/java",
                                "-cp",
                                System.getProperty("java.class.path"),
                                Soak.class.getName(),
                                "log",
                                file.toString())
                        .redirectErrorStream(true)
                        .start();
        int confirmed = 0;
        int last = 1 + random.nextInt(60);
        int heard = 0;
        try (BufferedReader says =
                new BufferedReader(
                        new InputStreamReader(child.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = says.readLine(); line != null; line = says.readLine()) {
                if (!line.matches("\\d+")) continue;
                confirmed = Integer.parseInt(line);
                if (++heard == last) child.toHandle().destroyForcibly();
            }
        }
        child.waitFor();
        FileCheck check = FileCheck.of(file, Chapters.ALL);
        count(
                !check.isWhole()
                        ? "kill: file not whole"
                        : check.cells() < confirmed
                                ? "kill: confirmed acts missing"
                                : "kill: whole, every confirmed act there");
    }

    private void damage() throws IOException, LogbookException {
        Path file = Files.createTempDirectory(folder, "damaged").resolve("bench.pentacell");
        try (Logbook book = opened(file)) {
            for (int i = 1; i <= ACTS; i++) log(book, i);
        }
        opened(file).close();
        byte[] bytes = Files.readAllBytes(file);
        byte[] whole = bytes.clone();
        int from = random.nextInt(bytes.length);
        int length = 1 + random.nextInt(Math.min(8192, bytes.length - from));
        for (int i = from; i < from + length; i++) bytes[i] = (byte) random.nextInt();
        if (random.nextInt(4) == 0) bytes = java.util.Arrays.copyOf(whole, from);
        Files.write(file, bytes);
        String seen;
        switch (Logbook.open(file, Clock.systemUTC())) {
            case Opening.Opened opened -> {
                boolean isAllThere = Cells.of(opened.logbook().state()).all().size() == ACTS;
                opened.logbook().close();
                boolean isHarmless = isAllThere && FileCheck.of(file, Chapters.ALL).isWhole();
                seen =
                        isHarmless
                                ? "harmless (unused bytes)"
                                : isAllThere
                                        ? "journal whole, seen by the deep look only"
                                        : "opened with facts missing, not a word";
            }
            case Opening.Damaged damaged ->
                    seen =
                            damaged.damage().copy().isPresent()
                                    ? "seen, whole copy offered"
                                    : "seen, no copy";
            case Opening.Refused refused -> seen = "refused: " + refused.message();
        }
        count("damage: " + seen);
        Files.write(file, bytes);
        try {
            Salvage.Saved saved =
                    Salvage.of(file, file.resolveSibling("saved.pentacell"), Chapters.ALL);
            count(
                    saved.facts() == 2 * ACTS
                            ? "salvage: every entry, with the copy"
                            : saved.lost().isEmpty()
                                    ? "salvage: a part, without a word"
                                    : "salvage: a part, the rest listed");
        } catch (IOException nothing) {
            count("salvage: nothing readable");
        }
    }

    private void fillUp() throws IOException, InterruptedException, LogbookException {
        Path small = Files.createTempDirectory(folder, "small");
        if (!done("mount", "-t", "tmpfs", "-o", "size=1m", "tmpfs", small.toString())) {
            count("full disk: not tried, no file system of one's own here");
            return;
        }
        try {
            Path ballast = small.resolve("ballast");
            Files.write(ballast, new byte[200_000 + random.nextInt(500_000)]);
            Path file = small.resolve("bench.pentacell");
            Logbook book = opened(file);
            int confirmed = 0;
            try {
                for (int i = 1; i < 20_000; i++) {
                    log(book, i);
                    confirmed = i;
                }
            } catch (LogbookException full) {
                // as wanted
            }
            Files.delete(ballast);
            log(book, ++confirmed);
            book.close();
            FileCheck check = FileCheck.of(file, Chapters.ALL);
            count(
                    check.isWhole() && check.cells() == confirmed
                            ? "full disk: whole, went on with room"
                            : "full disk: not whole");
        } finally {
            done("umount", "-l", small.toString());
        }
    }

    private static boolean done(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        return process.waitFor(20, TimeUnit.SECONDS) && process.exitValue() == 0;
    }

    private static Logbook opened(Path file) {
        return switch (Logbook.open(file, Clock.systemUTC())) {
            case Opening.Opened opened -> opened.logbook();
            case Opening.Refused refused -> throw new IllegalStateException(refused.message());
            case Opening.Damaged damaged ->
                    throw new IllegalStateException(damaged.damage().message());
        };
    }
}
