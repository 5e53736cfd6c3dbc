package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The commands `plan` and `conductor` by their contracts.
final class PlanCommandsTest {
    private static final String NEED =
            """
            {"chemistry": "nmc",
             "device": {"lowTripVolts": 20, "highTripVolts": 30},
             "load": {"steadyWatts": 60, "peakWatts": 150},
             "wanted": {"hours": 8},
             "cell": {"capacityMah": 2200, "milliohms": 55, "maxContinuousAmps": 1.1,
                      "maxPeakAmps": 2.2, "grams": 45}%s}
            """;

    @TempDir Path folder;
    private Commands commands = new Commands(Path.of(""));

    @BeforeEach
    void begin() {
        commands = new Commands(folder);
    }

    @Test
    void everyOptionHasItsFiguresAndObstacles() throws IOException {
        Path plan = folder.resolve("plan.json");
        assertEquals(
                0,
                commands.run(
                        "plan",
                        "--need",
                        commands.write("need.json", NEED.formatted("")),
                        "--summary",
                        plan.toString()),
                commands.errors());
        JsonNode json = JsonMapper.shared().readTree(Files.readString(plan));
        assertEquals(json, commands.json());
        JsonNode best = json.get("options").get(json.get("best").asInt());
        assertTrue(best.get("feasible").asBoolean());
        assertTrue(best.get("hours").asDouble() >= 8);
        assertEquals(
                best.get("cells").asInt(),
                best.get("series").asInt() * best.get("parallel").asInt());
        for (JsonNode option : json.get("options")) {
            for (String name :
                    List.of(
                            "series",
                            "parallel",
                            "fullVolts",
                            "emptyVolts",
                            "usableShare",
                            "usableWh",
                            "hours",
                            "kilometres",
                            "steadyAmpsPerCell",
                            "peakAmpsPerCell",
                            "massKilograms",
                            "cells",
                            "fits",
                            "feasible",
                            "obstacles")) assertTrue(option.has(name), name);
            assertEquals(option.get("feasible").asBoolean(), option.get("obstacles").isEmpty());
            assertTrue(option.get("fits").isNull(), "no box was named");
        }
        assertTrue(
                json.get("options")
                        .valueStream()
                        .anyMatch(option ->
                                option.get("series").asInt() == 8
                                        && option.get("obstacles")
                                                .get(0)
                                                .get("check")
                                                .asString()
                                                .equals("high-trip")));
    }

    @Test
    void theStockSaysWhatACellIsAndHowManyThereAre() throws IOException {
        StringBuilder lot = new StringBuilder("cell_id,capacity_mah,ir_mohm\n");
        for (int i = 0; i < 30; i++) lot.append("C%d,2000,50\n".formatted(i));
        String need =
                commands.write(
                        "need.json",
                        "{\"device\":{\"highTripVolts\":13},\"load\":{\"steadyWatts\":20},\"wanted\":{\"hours\":6}}");
        assertEquals(
                0,
                commands.run(
                        "plan",
                        "--need",
                        need,
                        "--stock",
                        commands.write("lot.csv", lot.toString())));
        String more = Files.readString(Path.of(need)).replace(":6}", ":60}");
        assertEquals(
                3,
                commands.run(
                        "plan",
                        "--need",
                        commands.write("more.json", more),
                        "--stock",
                        folder.resolve("lot.csv").toString()));
        assertTrue(commands.json().get("best").isNull());
        assertTrue(commands.errors().contains("comes nearest"), commands.errors());
    }

    @Test
    void chargerAndBoardAtHandAreHeldAgainstEachPack() throws IOException {
        String need =
                NEED.formatted(
                        ", \"charger\": {\"volts\": 29.4, \"amps\": 5, \"supplyWatts\": 100}, \"board\": {\"series\": 6, \"chemistry\": \"nmc\", \"continuousAmps\": 20, \"peakAmps\": 40, \"balanceLeads\": true}");
        assertEquals(
                0,
                commands.run("plan", "--need", commands.write("need.json", need)),
                commands.errors());
        JsonNode seven =
                commands.json()
                        .get("options")
                        .valueStream()
                        .filter(option -> option.get("series").asInt() == 7)
                        .findFirst()
                        .orElseThrow();
        assertEquals(
                List.of("charger-supply", "board-series"),
                seven.get("cautions")
                        .valueStream()
                        .map(each -> each.get("check").asString())
                        .toList());
        assertTrue(seven.get("chargeHours").asDouble() > 1);
    }

    @Test
    void aNeedIsTypedInOneLine() throws IOException {
        StringBuilder lot = new StringBuilder("cell_id,capacity_mah,ir_mohm,chemistry\n");
        for (int i = 0; i < 90; i++) lot.append("C%d,2200,50,nmc\n".formatted(i));
        for (int i = 0; i < 90; i++) lot.append("L%d,1000,20,lfp\n".formatted(i));
        String stock = commands.write("lot.csv", lot.toString());
        assertEquals(
                0,
                commands.run("plan", "--line", "40w peak 80w 8h 20-30v", "--stock", stock),
                commands.errors());
        assertEquals(3, commands.run("plan", "--line", "40w 90h 20-30v", "--stock", stock));
        assertTrue(commands.errors().contains("the stock has 90 cells"), commands.errors());
        assertEquals(2, commands.run("plan", "--line", "40w 8h", "--stock", stock));
        assertTrue(commands.errors().contains("what voltage does it run at"), commands.errors());
        assertEquals(2, commands.run("plan", "--line", "40w 8h 20-30v"));
        assertEquals(2, commands.run("plan", "--stock", stock));
    }

    @Test
    void aBoxThatIsTooSmallIsAnObstacle() throws IOException {
        String need =
                NEED.formatted(
                        ", \"box\": {\"lengthMillimetres\": 100, \"widthMillimetres\": 100, \"heightMillimetres\": 75}");
        assertEquals(3, commands.run("plan", "--need", commands.write("need.json", need)));
        assertTrue(
                commands.json()
                        .get("options")
                        .valueStream()
                        .anyMatch(option -> !option.get("fits").asBoolean()));
        assertTrue(commands.errors().contains("the box takes"), commands.errors());
    }

    @ParameterizedTest(name = "{0} → {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "\"steadyWatts\": 60 | \"steadyWatts\": \"sixty\" | load.steadyWatts: expected a number",
                "\"highTripVolts\": 30 | \"highTripVolts\": 10 | from its low to its higher trip",
                "\"nmc\" | \"lead\" | chemistry: expected nmc or lfp",
                "\"capacityMah\": 2200, | '' | cell.capacityMah: is missing",
                "\"wanted\": { | \"wanted\" { | is not JSON"
            })
    void whatIsWrongWithANeedIsSaidWithItsPlace(String part, String wrong, String sentence)
            throws IOException {
        String need = NEED.formatted("").replace(part, wrong);
        assertEquals(4, commands.run("plan", "--need", commands.write("need.json", need)));
        assertTrue(commands.errors().contains(sentence), commands.errors());
        assertTrue(commands.errors().startsWith("need.json:"), commands.errors());
    }

    @ParameterizedTest(name = "{0}: {1} mΩ")
    @CsvSource({
        "--awg 12 --length-m 1 --material copper, 5.2106",
        "--area-mm2 2.5 --length-m 10 --material copper, 68.964",
        "--strip-mm 8x0.15 --length-m 0.02 --material nickel, 1.166667",
        "--strip-mm 8x0.15 --length-m 0.02 --material nickel --layers 2, 0.583333",
        "--strip-mm 10×0.2 --length-m 0.1 --material plated-steel, 6.5",
        "--round-mm 1 --length-m 1 --material copper --celsius 70, 26.266"
    })
    void aConductorByItsName(String options, double milliohms) {
        String[] words = ("conductor --amps 10 " + options).split(" ");
        assertEquals(0, commands.run(words), commands.errors());
        JsonNode json = commands.json();
        assertEquals(milliohms, json.get("milliohms").asDouble(), 2e-4 * milliohms);
        assertEquals(milliohms / 100, json.get("dropVolts").asDouble(), 2e-4 * milliohms / 100);
        assertEquals(milliohms / 10, json.get("watts").asDouble(), 2e-4 * milliohms / 10);
        assertTrue(json.get("allowedAmps").asDouble() > 0);
        assertFalse(json.get("allowedBy").asString().isEmpty());
        assertEquals(
                options.contains("awg") || options.contains("round"),
                !json.get("fusingAmps").isNull());
    }

    @ParameterizedTest
    @CsvSource({
        "conductor --awg 12 --area-mm2 3 --length-m 1 --material copper",
        "conductor --length-m 1 --material copper",
        "conductor --awg 12 --length-m 1 --material silver",
        "conductor --awg 99 --length-m 1 --material copper",
        "conductor --awg 12 --length-m -1 --material copper",
        "conductor --strip-mm 8 --length-m 1 --material nickel"
    })
    void wrongUseIsSaid(String line) {
        assertEquals(2, commands.run(line.split(" ")));
        assertFalse(commands.errors().isEmpty());
    }

    @Test
    void withoutACurrentThereIsNoDrop() {
        assertEquals(
                0,
                commands.run(
                        "conductor", "--awg", "4/0", "--length-m", "1", "--material", "copper"));
        assertTrue(
                commands.json().get("dropVolts").isNull() && commands.json().get("watts").isNull());
        assertEquals(107.22, commands.json().get("areaSquareMillimetres").asDouble(), 0.01);
    }
}
