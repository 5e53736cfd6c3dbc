package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.exchange.LotFiles;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The `match` command by its contract: options, files, exit codes, what goes to which stream.
@Tag("exhaustive")
final class MatchCommandTest {
    private static final Path DEMO_LOT = Path.of("..", "demo", "lot.csv");

    @TempDir Path folder;
    private String out = "";
    private String err = "";

    @BeforeEach
    void forget() {
        out = "";
        err = "";
    }

    @Test
    void theDemoLotIsTheDemoWorkshopsStock() throws IOException {
        WorkshopState state = TarnHollow.state(TarnHollow.journal());
        MatchableStock stock =
                MatchableStock.of(state, JudgedStock.of(state), TarnHollow.LONG_NIGHT);
        assertTrue(stock.candidates().size() > 100);
        assertEquals(LotFiles.csv(stock.candidates()), Files.readString(DEMO_LOT));
    }

    @Test
    void groupsAndSummaryAreWrittenAndAgree() throws IOException {
        Path groups = folder.resolve("g.csv");
        Path summary = folder.resolve("s.json");
        assertEquals(
                0,
                run(
                        "--cells",
                        DEMO_LOT.toString(),
                        "--series",
                        "7",
                        "--parallel",
                        "10",
                        "--out",
                        groups.toString(),
                        "--summary",
                        summary.toString()),
                err);
        JsonNode figures = JsonMapper.shared().readTree(Files.readString(summary));
        assertEquals(figures, JsonMapper.shared().readTree(out), "standard output says the same");
        for (String name :
                List.of(
                        "usableCapacityMah",
                        "capacitySpreadMah",
                        "capacityUpperBoundMah",
                        "capacitySpreadLowerBoundMah",
                        "groupResistanceSpreadPct",
                        "maxWithinGroupIrSpreadMohm",
                        "elapsedMs",
                        "method")) assertTrue(figures.has(name), name);
        List<String> lines = Files.readAllLines(groups);
        assertEquals("cell_id,group,position", lines.get(0));
        assertEquals(71, lines.size());
        var lot =
                Files.readAllLines(DEMO_LOT).stream()
                        .skip(1)
                        .map(line -> line.split(",", -1))
                        .collect(
                                Collectors.toMap(
                                        cells -> cells[0], cells -> Double.parseDouble(cells[1])));
        double smallest =
                lines.stream()
                        .skip(1)
                        .map(line -> line.split(",", -1))
                        .collect(
                                Collectors.groupingBy(
                                        cells -> cells[1],
                                        Collectors.summingDouble(
                                                cells -> lot.getOrDefault(cells[0], Double.NaN))))
                        .values()
                        .stream()
                        .mapToDouble(Double::doubleValue)
                        .min()
                        .orElseThrow();
        assertEquals(figures.get("usableCapacityMah").asDouble(), smallest);
        assertTrue(smallest >= 0.999 * figures.get("capacityUpperBoundMah").asDouble());
    }

    @Test
    void theSameSeedGivesTheSameGroups() throws IOException {
        for (String name : List.of("a.csv", "b.csv"))
            assertEquals(
                    0,
                    run(
                            "--cells",
                            DEMO_LOT.toString(),
                            "--series",
                            "6",
                            "--parallel",
                            "4",
                            "--seed",
                            "9",
                            // it is done in a second; one cut short on a busy machine may differ
                            "--time-limit",
                            "60s",
                            "--out",
                            folder.resolve(name).toString()));
        assertEquals(
                Files.readString(folder.resolve("a.csv")),
                Files.readString(folder.resolve("b.csv")));
    }

    @Test
    void aGroupsFileServesAsLocksAndTheTradeOffIsWritten() throws IOException {
        Path lot =
                lot("A,2000,50", "B,2100,40", "C,2200,45", "D,1900,60", "E,2050,52", "F,2150,48");
        Path locks =
                Files.writeString(
                        folder.resolve("locks.csv"), "cell_id,group,position\nA,2,1\nD,2,2\n");
        Path curve = folder.resolve("front.csv");
        Path groups = folder.resolve("g.csv");
        assertEquals(
                0,
                run(
                        "--cells",
                        lot.toString(),
                        "--series",
                        "2",
                        "--parallel",
                        "2",
                        "--lock",
                        locks.toString(),
                        "--repeatability",
                        "0",
                        "--out",
                        groups.toString(),
                        "--trade-off",
                        curve.toString()),
                err);
        String written = Files.readString(groups);
        assertTrue(written.contains("A,2,") && written.contains("D,2,"), written);
        List<String> points = Files.readAllLines(curve);
        assertTrue(points.size() > 2);
        assertEquals(
                "max_ir_spread_mohm,usable_mah,spread_mah,worst_ir_spread_mohm,simulated_usable_mah,worst_cell_current_share",
                points.get(0));
        String[] last = points.getLast().split(",");
        assertTrue(Double.parseDouble(last[4]) <= Double.parseDouble(last[1]), points::toString);
        assertTrue(Double.parseDouble(last[5]) >= 1, points::toString);
    }

    @ParameterizedTest(name = "{0}: exit {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "--series 2 --parallel 2                        | 0 | ''",
                "--group-sizes 2,1                              | 0 | ''",
                "--group-sizes 2,1 --select tightest            | 0 | ''",
                "--series 2                                     | 2 | --parallel",
                "--series 2 --parallel 2 --select best          | 2 | --select",
                "--series 2 --parallel 2 --time-limit soon      | 2 | --time-limit",
                "--series 2 --parallel 2 --repeatability 99     | 2 | repeatability",
                "--series 0 --parallel 2                        | 2 | --series",
                "--group-sizes 2,1 --parallel 2                 | 2 | --group-sizes",
                "--series 2 --parallel 9                        | 3 | needs 18 cells",
                "--series 2 --parallel 2 --select all           | 3 | every one",
                "--series 2 --parallel 2 --max-ir-spread 0.5    | 3 | mΩ works",
                "--series 2 --parallel 2 --max-ir 41            | 3 | mΩ works",
                "--series 2 --parallel 2 --min-soh 99           | 3 | % works",
                "--series 2 --parallel 2 --lock none.csv        | 4 | none.csv"
            })
    void exitCodesSayWhatHappened(String options, int code, String said) throws IOException {
        Path lot =
                Files.writeString(
                        folder.resolve("lot.csv"),
                        "cell_id,capacity_mah,ir_mohm,rated_mah\nA,2000,40,2200\nB,2010,43,2200\nC,2020,47,2200\nD,2030,52,2200\nE,2040,58,2200\n");
        String[] arguments =
                Stream.concat(
                                Stream.of("--cells", lot.toString()),
                                Arrays.stream(options.strip().split(" +")))
                        .toArray(String[]::new);
        assertEquals(code, run(arguments), out + err);
        assertTrue(err.replace('\u00a0', ' ').contains(said), err);
        assertEquals(code == 0, !out.isEmpty(), "results and nothing else go to standard output");
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "''                                             | is empty",
                "'date,price\n1,2'                              | expected cell_id",
                "'cell_id,capacity_mah\nA,2000\nB,2O00'         | lot.csv:3: column 2",
                "'cell_id,capacity_mah\nA,2000\nA,2001'         | lot.csv:3: cell id \"A\" is already in line 2"
            })
    void unreadableInputNamesFileAndLine(String text, String said) throws IOException {
        Path lot = Files.writeString(folder.resolve("lot.csv"), text);
        assertEquals(4, run("--cells", lot.toString(), "--series", "1", "--parallel", "1"));
        assertTrue(err.contains(said), err);
    }

    @Test
    void goodLinesCanBeTakenWithoutTheBad() throws IOException {
        Path lot = lot("A,2000,50", "B,oops,40", "C,2200,45");
        assertEquals(
                0,
                run(
                        "--cells",
                        lot.toString(),
                        "--series",
                        "2",
                        "--parallel",
                        "1",
                        "--skip-bad-lines"),
                err);
        assertTrue(err.contains("lot.csv:3:"), err);
    }

    @Test
    void whatIsLeftOutIsSaid() throws IOException {
        Path lot =
                Files.writeString(
                        folder.resolve("lot.csv"),
                        "cell_id,capacity_mah,chemistry\nA,2000,nmc\nB,2100,nmc\nC,2200,lfp\nD,,nmc\n");
        assertEquals(0, run("--cells", lot.toString(), "--series", "2", "--parallel", "1"), err);
        assertTrue(
                err.contains("1 line without a capacity")
                        && err.contains("more than one chemistry"),
                err);
        assertTrue(out.contains("\"usableCapacityMah\" : 2000"), out);
    }

    /// A welded pair is one id and fills two places; its 25 mΩ are two cans of 50.
    @Test
    void aUnitFillsAsManyPlacesAsItHasCans() throws IOException {
        Path lot =
                Files.writeString(
                        folder.resolve("lot.csv"),
                        "cell_id,capacity_mah,ir_mohm,count\nP,4200,25,2\nA,2100,50,1\nB,2100,50,\nC,2000,60,1\n");
        Path groups = folder.resolve("g.csv");
        assertEquals(
                0,
                run(
                        "--cells",
                        lot.toString(),
                        "--series",
                        "2",
                        "--parallel",
                        "2",
                        "--max-ir-spread",
                        "1",
                        "--out",
                        groups.toString()),
                err);
        assertTrue(out.contains("\"usableCapacityMah\" : 4200"), out);
        assertTrue(out.contains("\"maxWithinGroupIrSpreadMohm\" : 0"), out);
        assertEquals(4, Files.readAllLines(groups).size(), "three ids under a head");
        Path odd =
                Files.writeString(
                        folder.resolve("odd.csv"), "cell_id,capacity_mah,count\nP,4200,2.5\n");
        assertEquals(4, run("--cells", odd.toString(), "--series", "1", "--parallel", "1"));
        assertTrue(
                err.contains("odd.csv:2: column 3 \"count\": \"2.5\" is no number of cans"), err);
    }

    @Test
    void helpHasAnExample() {
        assertEquals(0, run("--help"));
        assertTrue(out.contains("Example:"), out);
    }

    private Path lot(String... lines) throws IOException {
        return Files.writeString(
                folder.resolve("lot.csv"),
                "cell_id,capacity_mah,ir_mohm\n" + String.join("\n", lines) + "\n");
    }

    private int run(String... options) {
        PrintStream standardOut = System.out;
        PrintStream standardErr = System.err;
        ByteArrayOutputStream outBytes = new ByteArrayOutputStream();
        ByteArrayOutputStream errBytes = new ByteArrayOutputStream();
        System.setOut(new PrintStream(outBytes, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(errBytes, true, StandardCharsets.UTF_8));
        try {
            return Main.run(
                    Stream.concat(Stream.of("match"), Stream.of(options)).toArray(String[]::new));
        } finally {
            System.setOut(standardOut);
            System.setErr(standardErr);
            out = outBytes.toString(StandardCharsets.UTF_8);
            err = errBytes.toString(StandardCharsets.UTF_8);
        }
    }
}
