package pentacell.workshop.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import pentacell.core.cell.CellLimits;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.harvest.HarvestYield;
import pentacell.core.harvest.TableReading;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.workshop.demo.TarnHollow;

/// Tables of readings, the catalogue of models, yield and cost.
final class SmallTablesTest {
    @TempDir Path folder;

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "group,voltage_v~1,3.9~2,3.4",
                "Group;Voltage / V~1;3,9~2;3,4",
                "voltage_mV\tgroup\tnote~3900\t1\tx~3400\t2\t",
                "no,volts~2,3.4~1,3.9"
            })
    void readingsComeInAnyUsualShape(String text) throws IOException {
        ReadingsCsv read = ReadingsCsv.read(file(text));
        assertEquals(List.of(), read.problems());
        assertEquals(
                "1 3.9, 2 3.4",
                read.readings().stream()
                        .sorted(java.util.Comparator.comparingInt(TableReading::group))
                        .map(each -> each.group() + " " + each.volts())
                        .collect(Collectors.joining(", ")));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "group,voltage_v~1,3.9~0,3.4 | t.csv:3",
                "group,voltage_v~1,~2,3.4    | t.csv:2",
                "group,voltage_v~1,9999      | t.csv:2",
                "group,current~1,3.9         | t.csv:2",
                "group,voltage_v             | t.csv: has no lines",
                "group,voltage_v~1,3,97      | t.csv: every line has more fields than there are column names: numbers with a decimal comma",
                "group,voltage_v~1,3.97~2,3,97 | t.csv:3: has 3 fields under 2 column names",
                "group,voltage_v,voltage_mv~1,3.97,3970 | t.csv:2: columns \"voltage_mv\" and \"voltage_v\" say the same",
                "''                          | t.csv"
            })
    void aBadReadingIsNamedByItsPlace(String text, String place) throws IOException {
        ReadingsCsv read = ReadingsCsv.read(file(text));
        assertTrue(read.problems().get(0).text().startsWith(place), read.problems().toString());
    }

    @Test
    void aCellThatIsLockedTwiceIsNamed() throws IOException {
        LockCsv locks = LockCsv.read(file("cell_id,group~A-1,1~A-2,1~A-1,2"));
        assertEquals(
                List.of("t.csv:4: cell id \"A-1\" is already in line 2"),
                locks.problems().stream().map(CellTable.Problem::text).toList());
    }

    @Test
    void theCatalogueIsReadBackAsItIsWritten() throws IOException {
        Path file = folder.resolve("models.csv");
        OutputFile.write(file, ModelCsv.text(TarnHollow.models()));
        ModelCsv read = ModelCsv.read(file);
        assertEquals(List.of(), read.problems());
        assertEquals(TarnHollow.models(), read.models());
    }

    @Test
    void aDesignationGivesFormatAndChemistryAndLimitsAreCareful() throws IOException {
        ModelCsv read = ModelCsv.read(file("model,format,rated_mah~Quill Q30,IFpR27/66,3000"));
        CellModel model = read.models().get(0);
        assertEquals(Chemistry.LFP, model.chemistry());
        assertEquals("26650", model.format().code());
        assertEquals(CellLimits.careful(Chemistry.LFP, 3000), model.limits());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Q,18650,,2000    | chemistry",
                "Q,18650,lead,2000| lead",
                "Q,ICR19/66,lfp,2000 | does not fit",
                "Q,round,nmc,2000 | neither five digits",
                "Q,18650,nmc,zwei | not a number",
                ",18650,nmc,2000  | model",
                "Q,18650,nmc,-5   | above 0"
            })
    void aBadModelSaysWhatIsWrong(String line, String words) throws IOException {
        ModelCsv read = ModelCsv.read(file("model,format,chemistry,rated_mah~" + line));
        assertEquals(List.of(), read.models());
        assertTrue(read.problems().get(0).text().contains(words), read.problems().toString());
        assertTrue(read.problems().get(0).text().startsWith("t.csv:2: "));
    }

    @ParameterizedTest
    @EnumSource(HarvestYield.By.class)
    void yieldAndCostOfTheDemoAddUpHoweverTheyAreTakenTogether(HarvestYield.By by) {
        WorkshopState state = TarnHollow.state(TarnHollow.journal());
        List<HarvestYield> yields = HarvestYield.of(state, JudgedStock.of(state), by);
        assertEquals(181, yields.stream().mapToInt(HarvestYield::cells).sum());
        assertEquals(25, yields.stream().mapToInt(HarvestYield::donors).sum());
        // 96 + 14, 20, 24 + 6.5, 40 + 25: every pack of the lots has its donor
        assertEquals(225.5, yields.stream().mapToDouble(each -> each.cost().orElse(0)).sum(), 1e-6);
        String csv = HarvestFiles.csv(yields);
        assertEquals(yields.size() + 1, csv.lines().count());
        assertTrue(csv.startsWith("name,currency,donors,opened,cells,good_cells,"));
    }

    private Path file(String text) throws IOException {
        Path file = folder.resolve("t.csv");
        Files.writeString(file, text.strip().replace("~", "\n"));
        return file;
    }
}
