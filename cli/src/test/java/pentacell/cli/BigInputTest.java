package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Long files in a small heap: what a log and a table take is bounded by a few bytes a reading and
/// some hundred a cell.
@Tag("exhaustive")
final class BigInputTest {
    @TempDir private Path folder = Path.of("");

    private int run(int megabytes, String... command) throws IOException, InterruptedException {
        List<String> words = new ArrayList<>();
        words.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        words.addAll(List.of("-Xmx" + megabytes + "m", "-XX:+UseSerialGC", "-cp"));
        words.add(System.getProperty("java.class.path"));
        words.add("pentacell.cli.Main");
        words.addAll(List.of(command));
        return new ProcessBuilder(words)
                .directory(folder.toFile())
                .redirectOutput(folder.resolve("out").toFile())
                .redirectError(folder.resolve("err").toFile())
                .start()
                .waitFor();
    }

    @Test
    void aLogOfAMillionLinesTakesAFewBytesALine() throws Exception {
        int lines = 1_000_000;
        try (BufferedWriter out = Files.newBufferedWriter(folder.resolve("log.csv"))) {
            out.write("time_s,voltage_v,current_a,temp_c\n");
            for (int i = 0; i < lines; i++)
                out.write(i + "," + (4.2 - i / 1e6) + ",-0.036,2" + i % 2 + ".5\n");
        }
        // as plain columns of doubles, doubled while they grow, it would be 80 MB and more
        assertEquals(0, run(40, "analyse", "log.csv"), Files.readString(folder.resolve("err")));
        // 36 mA for 999,999 s are 9999.99 mAh
        assertTrue(
                Files.readString(folder.resolve("out"))
                        .contains("\"dischargeCapacityMah\" : 9999.99"),
                Files.readString(folder.resolve("out")));
    }

    @Test
    void aTableOfManyCellsTakesSomeHundredBytesACell() throws Exception {
        int cells = 100_000;
        try (BufferedWriter out = Files.newBufferedWriter(folder.resolve("lot.csv"))) {
            out.write("cell_id,voltage_v,capacity_mah,ir_mohm,model,donor,location\n");
            for (int i = 0; i < cells; i++)
                out.write(
                        "C-%d,3.%d,%d,4%d.%d,AB,D%d,T%d-%d%n"
                                .formatted(
                                        i,
                                        300 + i % 500,
                                        1800 + i % 601,
                                        i % 7,
                                        i % 10,
                                        i / 60,
                                        i / 200,
                                        i % 200));
        }
        assertEquals(
                0,
                run(60, "triage", "--cells", "lot.csv"),
                Files.readString(folder.resolve("err")));
        try (var said = Files.lines(folder.resolve("out"))) {
            assertEquals(cells + 1, said.count());
        }
        assertEquals(
                0,
                run(60, "match", "--cells", "lot.csv", "--series", "7", "--parallel", "10"),
                Files.readString(folder.resolve("err")));
        // 166 cells of 2400 mAh are there, 70 are needed
        assertTrue(
                Files.readString(folder.resolve("out")).contains("\"usableCapacityMah\" : 24000.0"),
                Files.readString(folder.resolve("out")));
    }
}
