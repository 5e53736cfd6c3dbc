package pentacell.workshop.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.build.PickLine;
import pentacell.core.build.PickWalk;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFormat;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.Place;
import pentacell.core.donor.Donors;
import pentacell.core.imports.ImportedFiles;
import pentacell.core.journal.Act;
import pentacell.core.journal.Entry;
import pentacell.core.journal.Fact;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Pack;
import pentacell.core.pack.Packs;
import pentacell.core.pack.Selection;
import pentacell.core.state.WorkshopState;
import pentacell.workshop.demo.TarnHollow;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// What goes out and comes in again.
final class ExchangeTest {
    @TempDir Path folder;

    @RepeatedTest(10)
    void aLotWrittenAndReadAgainIsTheSameLot(RepetitionInfo repetition) throws IOException {
        SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
        List<Candidate> lot = new ArrayList<>();
        for (int i = 0; i < 25; i++)
            lot.add(
                    new Candidate(
                            new CellId("Ä" + i + "-" + random.nextInt(9)),
                            random.nextInt(10_000, 30_000) / 10.0,
                            random.nextInt(5) == 0
                                    ? OptionalDouble.empty()
                                    : OptionalDouble.of(random.nextInt(100, 900) / 10.0),
                            random.nextBoolean() ? "Quill, \"Q22\"" : "",
                            random.nextBoolean() ? "LD0" + random.nextInt(9) : "",
                            random.nextBoolean() ? Optional.of(Chemistry.LFP) : Optional.empty(),
                            random.nextBoolean() ? CellFormat.parse("18650") : Optional.empty(),
                            random.nextBoolean() ? OptionalDouble.of(2150) : OptionalDouble.empty(),
                            random.nextBoolean() ? "T1-A0" + (1 + random.nextInt(9)) : "",
                            false,
                            random.nextInt(4) == 0 ? 2 : 1));
        Path file = folder.resolve("lot.csv");
        OutputFile.write(file, LotFiles.csv(lot));
        CellTable table = CellCsv.read(file);
        assertEquals(List.of(), table.problems());
        assertEquals(
                lot,
                table.rows().stream().map(CellRow::candidate).flatMap(Optional::stream).toList());
    }

    @Test
    void aMatchedGroupsFileReadsBackAsLocks() throws IOException {
        List<List<CellId>> groups =
                List.of(List.of(new CellId("A"), new CellId("B")), List.of(new CellId("C")));
        Path file = folder.resolve("groups.csv");
        OutputFile.write(file, MatchFiles.groupsCsv(groups));
        LockCsv locks = LockCsv.read(file);
        assertEquals(List.of(), locks.problems());
        assertEquals(
                Map.of(new CellId("A"), 0, new CellId("B"), 0, new CellId("C"), 1), locks.locks());
    }

    @ParameterizedTest(name = "{0}")
    @ValueSource(
            strings = {
                "cell_id,group\nA,0\n",
                "cell_id,group\nA,first\n",
                "cell_id,group\nA B,1\n",
                "cell,where\nA,1\n"
            })
    void aLockThatIsNoneNamesItsLine(String text) throws IOException {
        Path file = Files.writeString(folder.resolve("locks.csv"), text);
        LockCsv locks = LockCsv.read(file);
        assertTrue(locks.locks().isEmpty());
        assertTrue(
                locks.problems().get(0).text().startsWith("locks.csv:2: "),
                locks.problems().get(0).text());
    }

    @Test
    void aSummarySaysNullForWhatWasNotMeasured() {
        List<Candidate> lot =
                Stream.of("A", "B", "C")
                        .map(id ->
                                new Candidate(
                                        new CellId(id),
                                        2000,
                                        OptionalDouble.empty(),
                                        "",
                                        "",
                                        Optional.empty(),
                                        Optional.empty(),
                                        OptionalDouble.empty(),
                                        "",
                                        false,
                                        1))
                        .toList();
        MatchOutcome outcome =
                Matcher.match(
                        lot, MatchRules.of(2, 1, Selection.STRONGEST), new SearchEffort(1, 1));
        MatchOutcome.Matched matched =
                org.junit.jupiter.api.Assertions.assertInstanceOf(
                        MatchOutcome.Matched.class, outcome);
        JsonNode json = JsonMapper.shared().readTree(MatchFiles.summaryJson(matched.result(), 12));
        assertTrue(json.get("groupResistanceSpreadPct").isNull());
        assertTrue(json.get("maxWithinGroupIrSpreadMohm").isNull());
        assertEquals(12, json.get("elapsedMs").asInt());
        assertEquals(2, json.get("groups").size());
        assertEquals(1, json.get("cellsLeftOver").asInt());
    }

    @Test
    void anImportDefinesRatedModelsAddsDonorsAndLeavesTakenPlacesAlone() throws IOException {
        WorkshopState demo = TarnHollow.state(TarnHollow.journal());
        Path file =
                Files.writeString(
                        folder.resolve("more.csv"),
                        """
                        cell_id,voltage_v,capacity_mah,model,rated_mah,donor,location
                        N-1,3.6,2000,Own 20,2100,N,T1-A01
                        N-2,3.7,2050,Own 20,2100,N,T3-F12
                        HB01-01,3.9,,,,,
                        """);
        CellTable table = CellCsv.read(file);
        List<Fact> facts = ImportedFacts.of(table, demo);
        WorkshopState after = demo.plus(act(facts));
        assertEquals(
                2100,
                Catalogue.of(after).models().values().stream()
                        .filter(model -> model.name().equals("Own 20"))
                        .findFirst()
                        .orElseThrow()
                        .ratedMinimumMilliampHours());
        assertTrue(Donors.of(after).described().containsKey("N"));
        assertTrue(
                Cells.of(after).cell(new CellId("N-1")).orElseThrow().place().isEmpty(),
                "T1-A01 is taken");
        assertEquals(
                "T3-F12",
                Cells.of(after)
                        .cell(new CellId("N-2"))
                        .orElseThrow()
                        .place()
                        .orElseThrow()
                        .toString());
        CellRecord known = Cells.of(after).cell(new CellId("HB01-01")).orElseThrow();
        assertEquals(3.9, known.volts().orElseThrow());
        assertEquals(
                Cells.of(demo).cell(known.id()).orElseThrow().model(),
                known.model(),
                "what the table does not say stays");
        assertTrue(ImportedFiles.of(after).has(table.sha256()));
        assertFalse(ImportedFiles.of(demo).has(table.sha256()));
    }

    @Test
    void aPickWalkIsWrittenInItsOrder() {
        WorkshopState demo = TarnHollow.state(TarnHollow.journal());
        Pack pack = Packs.of(demo).pack(TarnHollow.DOME).orElseThrow();
        List<PickLine> walk = PickWalk.of(pack, demo, PickWalk.Order.BY_PLACE);
        List<String> lines = PickFiles.csv(walk).lines().toList();
        assertEquals(21, lines.size());
        for (int i = 0; i < walk.size(); i++)
            assertTrue(
                    lines.get(i + 1)
                            .startsWith(
                                    (i + 1)
                                            + ","
                                            + walk.get(i).place().map(Place::toString).orElse("")
                                            + ","
                                            + walk.get(i).cell()));
        assertEquals(5, lines.stream().filter(line -> line.endsWith(",yes")).count());
    }

    @Test
    void aFileThatCannotBeWrittenLeavesNothingHalfWritten() throws IOException {
        Path target = Files.createDirectory(folder.resolve("taken"));
        Files.writeString(target.resolve("inside"), "x");
        assertThrows(IOException.class, () -> OutputFile.write(target, "text"));
        try (Stream<Path> left = Files.list(folder)) {
            assertEquals(List.of(target), left.toList(), "no temporary file is left behind");
        }
    }

    @ParameterizedTest(name = "{0} is {1} × {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "Voltage / V         | VOLTAGE    | 1",
                "voltage_v           | VOLTAGE    | 1",
                "mV                  | VOLTAGE    | 0.001",
                "OCV (mV)            | VOLTAGE    | 0.001",
                "IR                  | RESISTANCE | 1",
                "ir_mohm             | RESISTANCE | 1",
                "IR mOhm             | RESISTANCE | 1",
                "IR [mΩ]             | RESISTANCE | 1",
                "R / Ω               | RESISTANCE | 1000",
                "resistance_ohms     | RESISTANCE | 1000",
                "capacity_mah        | CAPACITY   | 1",
                "Capacity (Ah)       | CAPACITY   | 1000",
                "mAh                 | CAPACITY   | 1",
                "rated_mah           | RATED      | 1",
                "Nominal capacity/Ah | RATED      | 1000",
                "Cell ID             | CELL_ID    | 1",
                "cellId              | CELL_ID    | 1",
                "Tray position       | LOCATION   | 1",
                "Donor pack          | DONOR      | 1",
                "colour              | NOT_TAKEN  | 1",
                "Remarks             | NOT_TAKEN  | 1"
            })
    void headersAreTakenByNameAndUnit(String header, CellColumn.Role role, double factor) {
        CellColumn column = CellColumn.of(header);
        assertEquals(role, column.role());
        assertEquals(factor, column.factor());
    }

    private static Act act(List<Fact> facts) {
        List<Entry> entries = new ArrayList<>();
        for (Fact fact : facts) entries.add(new Entry(100_000 + entries.size(), fact));
        return new Act(100_000, Instant.EPOCH, "import", entries);
    }
}
