package pentacell.benchmarks;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/// How long starts take, from the shell to the end of the program, as multiples of a bare window
/// and of a bare virtual machine. All of them take turns, so that a busy machine slows them alike.
public final class StartRatios {
    private static final int ROUNDS = 9;

    private final Path root;
    private final Path home;

    private StartRatios(Path root, Path home) {
        this.root = root;
        this.home = home;
    }

    /// Prints a table. A display is needed.
    public static void main(String[] arguments) throws Exception {
        Path home = Files.createTempDirectory("start");
        new StartRatios(Path.of(System.getProperty("pentacell.root", ".")), home).run();
    }

    private void run() throws IOException, InterruptedException {
        Path demo = home.resolve("demo.pentacell");
        Path cells =
                Files.writeString(
                        home.resolve("cells.csv"),
                        "cell_id,voltage_v\nA1,3.71\nA2,2.30\nA3,0.40\n");
        timed(List.of(launcher(), "demo", "--write", demo.toString()), "");
        String until = "-Dpentacell.rehearsal=shown";
        Map<String, List<Double>> times = new LinkedHashMap<>();
        for (int round = 0; round <= ROUNDS; round++) {
            Map<String, Double> once = new LinkedHashMap<>();
            once.put("bare line", timed(bare("BareLine"), ""));
            once.put(
                    "triage of three cells",
                    timed(List.of(launcher(), "triage", "--cells", cells.toString()), ""));
            once.put("bare window", timed(bare("BareWindow"), ""));
            once.put("open", timed(List.of(launcher(), "open", demo.toString()), until));
            once.put("demo", timed(List.of(launcher(), "demo"), until));
            // the first round fills the disk's cache
            if (round > 0)
                once.forEach((name, seconds) ->
                        times.computeIfAbsent(name, each -> new ArrayList<>()).add(seconds));
        }
        double line = median(times, "bare line");
        double window = median(times, "bare window");
        double open = median(times, "open");
        print("triage of three cells ÷ bare line", median(times, "triage of three cells") / line);
        print("open ÷ bare window", open / window);
        print("demo ÷ open", median(times, "demo") / open);
        times.forEach((name, all) ->
                System.out.printf(
                        Locale.ROOT,
                        "%s: median %.3f s, %.3f to %.3f%n",
                        name,
                        median(times, name),
                        all.stream().min(Double::compare).orElse(Double.NaN),
                        all.stream().max(Double::compare).orElse(Double.NaN)));
    }

    private static void print(String what, double ratio) {
        System.out.printf(Locale.ROOT, "| %s | %.2f |%n", what, ratio);
    }

    private static double median(Map<String, List<Double>> times, String name) {
        double[] sorted =
                times.getOrDefault(name, List.of()).stream()
                        .mapToDouble(Double::doubleValue)
                        .sorted()
                        .toArray();
        return sorted.length == 0 ? Double.NaN : sorted[sorted.length / 2];
    }

    private String launcher() {
        return root.resolve("pentacell").toString();
    }

    private List<String> bare(String name) {
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        List<String> command = new ArrayList<>(List.of(java, "-XX:+UseSerialGC"));
        if (name.equals("BareWindow"))
            command.addAll(
                    List.of(
                            "--module-path",
                            root.resolve(Path.of("cli", "target", "dist", "javafx")).toString(),
                            "--add-modules",
                            "javafx.controls",
                            "--enable-native-access=javafx.graphics"));
        command.addAll(
                List.of(
                        "-cp",
                        Arrays.stream(
                                        System.getProperty("java.class.path")
                                                .split(File.pathSeparator))
                                .filter(each -> each.contains("benchmarks"))
                                .findFirst()
                                .orElseThrow(),
                        "pentacell.benchmarks." + name));
        return command;
    }

    /// Seconds from the start of a process to its end.
    private double timed(List<String> command, String option)
            throws IOException, InterruptedException {
        ProcessBuilder start =
                new ProcessBuilder(command)
                        .redirectErrorStream(true)
                        .redirectOutput(home.resolve("said.txt").toFile());
        start.environment().put("PENTACELL_NO_BUILD", "1");
        start.environment().put("PENTACELL_JAVA_OPTS", "-Duser.home=" + home + " " + option);
        long begin = System.nanoTime();
        int code = start.start().waitFor();
        double seconds = (System.nanoTime() - begin) / 1e9;
        if (code != 0)
            throw new IllegalStateException(
                    command
                            + " ended with "
                            + code
                            + ": "
                            + Files.readString(home.resolve("said.txt")));
        return seconds;
    }
}
