package pentacell.benchmarks;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;

/// How much memory the commands take for input far over the usual: a log of fourteen million lines
/// and a table of a million cells. Run by hand, where the launcher is; needs 500 MB of disk and the
/// process table of Linux.
public final class BigInput {
    private static final int LINES = 14_000_000;
    private static final int CELLS = 1_000_000;

    private BigInput() {}

    /// Prints time and largest resident memory of each command.
    public static void main(String[] arguments) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("big");
        String log = folder.resolve("log.csv").toString();
        String lot = folder.resolve("lot.csv").toString();
        try {
            writeLog(Path.of(log));
            writeLot(Path.of(lot));
            run("analyse", log, "--end-voltage", "3.0");
            run("triage", "--cells", lot);
            run(("match --series 14 --parallel 120 --time-limit 12s --cells " + lot).split(" "));
            run(
                    ("match --series 14 --parallel 120 --time-limit 12s --max-ir-spread 5 --cells "
                                    + lot)
                            .split(" "));
        } finally {
            Files.delete(Path.of(log));
            Files.delete(Path.of(lot));
            Files.delete(folder);
        }
    }

    private static void run(String... command) throws IOException, InterruptedException {
        List<String> words = new ArrayList<>(List.of("./pentacell"));
        words.addAll(List.of(command));
        long begin = System.nanoTime();
        Process process =
                new ProcessBuilder(words)
                        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                        .redirectError(ProcessBuilder.Redirect.INHERIT)
                        .start();
        Path status = Path.of("/proc/" + process.pid() + "/status");
        long kilobytes = 0;
        while (!process.waitFor(100, TimeUnit.MILLISECONDS))
            kilobytes = Math.max(kilobytes, peak(status));
        System.out.printf(
                "%s: ended with %d after %.1f s, %d MB%n",
                command[0],
                process.exitValue(),
                (System.nanoTime() - begin) / 1e9,
                kilobytes / 1024);
    }

    private static long peak(Path status) {
        try {
            for (String line : Files.readAllLines(status))
                if (line.startsWith("VmHWM:")) return Long.parseLong(line.replaceAll("\\D", ""));
            return 0;
        } catch (IOException gone) {
            return 0;
        }
    }

    /// A charge, a rest and a discharge at 500 samples a second, with the noise of an instrument.
    private static void writeLog(Path file) throws IOException {
        Random random = new Random(1);
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write("time_s,voltage_v,current_a,temp_c\n");
            for (int i = 0; i < LINES; i++) {
                double part = (double) i / LINES;
                double amps = part < 0.4 ? 0.5 : part < 0.5 ? 0 : -0.5;
                double volts =
                        part < 0.4 ? 3.4 + 2 * part : part < 0.5 ? 4.18 : 4.1 - 2.6 * (part - 0.5);
                out.write(decimal(0.002 * i, 3) + ',');
                out.write(decimal(volts + 0.0002 * random.nextGaussian(), 5) + ',');
                out.write(decimal(amps * (1 + 0.0004 * random.nextGaussian()), 5) + ',');
                out.write(decimal(24 + 2 * part, 1) + '\n');
            }
        }
    }

    private static void writeLot(Path file) throws IOException {
        Random random = new Random(1);
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write("cell_id,voltage_v,capacity_mah,ir_mohm,model,donor,rated_mah,location\n");
            for (int i = 0; i < CELLS; i++) {
                String capacity = decimal(2000 + 150 * random.nextGaussian(), 0);
                String milliohms = decimal(40 + 8 * Math.abs(random.nextGaussian()), 1);
                out.write(
                        "C-%d,3.%d,%s,%s,AB-2200,D%d,2200,T%d-%d%n"
                                .formatted(
                                        i,
                                        300 + i % 500,
                                        capacity,
                                        milliohms,
                                        i / 60,
                                        i / 200,
                                        i % 200));
            }
        }
    }

    /// Faster than a pattern, which would take most of the time here.
    private static String decimal(double value, int places) {
        long unit = (long) Math.pow(10, places);
        long whole = Math.round(Math.abs(value) * unit);
        String fraction = places == 0 ? "" : "." + String.valueOf(unit + whole % unit).substring(1);
        return (value < 0 ? "-" : "") + whole / unit + fraction;
    }
}
