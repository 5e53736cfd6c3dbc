package pentacell.workshop.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

final class CellCsvTest {
    @TempDir Path folder;

    @ParameterizedTest(name = "{0}")
    @ValueSource(
            strings = {
                "cell_id,voltage_v,ir_mohm,capacity_mah\nA-1,3.68,56.2,2143\n",
                "cell_id;voltage_v;ir_mohm;capacity_mah\nA-1;3,68;56,2;2143\n",
                "Capacity (Ah)\tIR / Ω\tCell ID\tOCV [mV]\n2.143\t0.0562\tA-1\t3680\n",
                "\ufeff\"Cell\",\"mAh\",\"mΩ\",\"Voltage / V\"\r\n\"A-1\",\"2143\",\"56,2\",\"3,68\"\r\n",
                "cellId;voltageMv;IR mOhm;capacityMah\nA-1;3680;56,2;2143\n",
                "cell,voltage,resistance_milliohms,cap mAh,colour\n\nA-1,3.68,56.2,2143,red\n\n"
            })
    void separatorsDecimalMarksUnitsAndOrderDoNotMatter(String text) throws IOException {
        CellTable table = read(text);
        assertEquals(List.of(), table.problems());
        CellRow row = table.rows().get(0);
        assertEquals("A-1", row.id().text());
        assertEquals(3.68, row.volts().orElseThrow(), 1e-9);
        assertEquals(56.2, row.milliohms().orElseThrow(), 1e-9);
        assertEquals(2143, row.milliampHours().orElseThrow(), 1e-9);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "A-1,5O.2,2100 | column 2 \"ir\": \"5O.2\" is not a number (letter O?)",
                "A-1,-4,2100   | column 2 \"ir\": \"-4\" cannot be, expected a resistance above 0",
                "A-1,50,9e9    | column 3 \"mah\": \"9e9\" cannot be, expected a capacity above 0",
                "A-1,50,NaN    | column 3 \"mah\": \"NaN\" is not a number",
                ",50,2100      | column 1 \"cell\": \"\" is empty",
                "A 1,50,2100   | has a space in it",
                "GOOD,50,2100  | cell id \"GOOD\" is already in line 2"
            })
    void aBadLineIsNamedWithLineAndColumnAndTheGoodOnesAreKept(String line, String complaint)
            throws IOException {
        CellTable table = read("cell,ir,mah\nGOOD,50,2100\n" + line + "\nALSO-GOOD,51,2101\n");
        assertEquals(2, table.rows().size());
        assertEquals(1, table.problems().size());
        String text = table.problems().get(0).text();
        assertTrue(text.startsWith("cells.csv:3: ") && text.contains(complaint), text);
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "''                        | is empty",
                "'date,price\n2026,7'      | no column holds the cell''s id",
                "'cell_id,colour\nA,red'   | no column holds a reading",
                "'cell_id,voltage_v'       | no lines under them"
            })
    void aFileOfAnotherThingSaysWhatWasExpected(String text, String complaint) throws IOException {
        CellTable table = read(text);
        assertTrue(table.rows().isEmpty());
        assertTrue(
                table.problems().get(0).text().contains(complaint.replace("''", "'")),
                table.problems().get(0).text());
    }

    @Test
    void oldEncodingsAreRecognised() throws IOException {
        Path file = folder.resolve("cells.csv");
        Files.write(
                file,
                "cell_id,voltage_v,model\nÄ-1,3.6,Größe\n"
                        .getBytes(Charset.forName("windows-1252")));
        CellTable table = CellCsv.read(file);
        assertEquals("windows-1252", table.encoding());
        assertEquals("Größe", table.rows().get(0).model().orElseThrow());
    }

    @Test
    void aHundredThousandLinesAreReadAndProblemsStayCountable() throws IOException {
        StringBuilder text = new StringBuilder("cell_id,voltage_v,capacity_mah\n");
        for (int i = 1; i <= 100_000; i++)
            text.append("C-")
                    .append(i)
                    .append(i % 20 == 0 ? ",oops," : ",3.6,")
                    .append(2000 + i % 300)
                    .append('\n');
        CellTable table = read(text.toString());
        assertEquals(95_000, table.rows().size());
        assertEquals(CellCsv.MOST_PROBLEMS + 1, table.problems().size());
        assertTrue(table.problems().get(CellCsv.MOST_PROBLEMS).text().contains("and 4000 more"));
    }

    @RepeatedTest(30)
    void noFileWhateverItHoldsMakesTheReaderFail(RepetitionInfo repetition) throws IOException {
        SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
        byte[] bytes = new byte[random.nextInt(1, 4000)];
        random.nextBytes(bytes);
        byte[] head = "cell_id,voltage_v\nA,3.6\n".getBytes(StandardCharsets.UTF_8);
        boolean beginsWell = random.nextBoolean();
        if (beginsWell) System.arraycopy(head, 0, bytes, 0, Math.min(head.length, bytes.length));
        Path file = folder.resolve("noise.csv");
        Files.write(file, bytes);
        CellTable table = CellCsv.read(file);
        assertTrue(!table.rows().isEmpty() || !table.problems().isEmpty(), "it says something");
        table.problems().forEach(problem -> assertTrue(problem.text().startsWith("noise.csv")));
    }

    @Test
    void whatIsNoTextIsRefusedInWords() throws IOException {
        Path file = folder.resolve("cells.csv");
        Files.write(file, new byte[] {0, 1, 2, 0, 9});
        assertTrue(CellCsv.read(file).problems().get(0).text().contains("is not a text file"));
        assertTrue(CellCsv.read(folder).problems().get(0).text().contains("is a folder"));
        assertTrue(
                CellCsv.read(folder.resolve("none.csv"))
                        .problems()
                        .get(0)
                        .text()
                        .contains("no such file"));
    }

    @Test
    void everyColumnIsSaidForWhatItWasTaken() throws IOException {
        CellTable table =
                read("Cell,OCV mV,Rated mAh,Capacity,Donor,Colour\nA,3600,2200,2100,HB03,red\n");
        assertEquals(
                "cell id; voltage in V (from mV); rated capacity in mAh; capacity in mAh; donor; not taken",
                table.columns().stream().map(CellColumn::words).collect(Collectors.joining("; ")));
    }

    /// Nothing is guessed in silence: what does not fit is refused or said.
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "cell_id,capacity_wh~A,9.4 | no column holds a reading; the columns are \"cell_id\", \"capacity_wh\" (its unit does not fit capacity in mAh)",
                "cell_id,capacity_pct~A,94 | (its unit does not fit capacity in mAh)",
                "cell_id,capacity %~A,94 | (its unit does not fit capacity in mAh)",
                "cell_id,ir_kohm~A,0.05 | (its unit does not fit internal resistance in mΩ)",
                "cell_id,voltage_drop_mv~A,30 | (\"drop\" is not the voltage of a resting cell)",
                "cell_id,cap first mAh,cap second mAh~A,2100,2200 | cells.csv:1: \"cap first mAh\" and \"cap second mAh\" could each be the capacity in mAh; name the one to use capacity_mah",
                "cell_id;capacity_mah~A;2,150 | column 2 \"capacity_mah\": \"2,150\" could be 2150 or 2.150; write it without a thousands mark",
                "cell_id,capacity_mah~A,\"2,150\" | could be 2150 or 2.150",
                "cell_id,voltage_v~A-1,3,61 | cells.csv: every line has more fields than there are column names: numbers with a decimal comma need semicolons",
                "cell_id,ir_mohm~A-1,5,x | cells.csv: every line has more fields than there are column names",
                "cell_id,ir_mohm~A-1,46,4~B,46 | cells.csv:2: has 3 fields under 2 column names",
            })
    void whatDoesNotFitIsRefusedAndSaid(String text, String complaint) throws IOException {
        CellTable table = read(text.replace('~', '\n') + "\n");
        String said =
                table.problems().stream()
                        .map(CellTable.Problem::text)
                        .collect(Collectors.joining("\n"));
        assertTrue(said.contains(complaint), said);
        table.rows().forEach(row -> assertEquals("B", row.id().text()));
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                // the plain name counts, and what was left aside is said
                "cell_id,cap_nominal_mah,capacity_mah,capacity_old_mah~A,2200,2143,1 | 2143 | \"capacity_mah\" was taken for it",
                "cell_id,voltage_drop_mv,capacity_mah~A,20,2143 | 2143 | is not the voltage of a resting cell",
                "cell_id,Capacity (Ah)~A,2.143 | 2143 | capacity in mAh (from Ah)",
                "cell_id;capacity Ah~A;2,143 | 2143 | capacity in mAh (from Ah)",
                // empty fields at the end are no surplus
                "cell_id,cap Ah~A,2.143,, | 2143 | (from Ah)",
            })
    void whatWasTakenForWhatIsSaid(String text, double milliampHours, String note)
            throws IOException {
        CellTable table = read(text.replace('~', '\n') + "\n");
        assertEquals(List.of(), table.problems());
        assertEquals(milliampHours, table.rows().get(0).milliampHours().orElseThrow(), 1e-9);
        assertTrue(String.join("\n", table.notes()).contains(note), table.notes().toString());
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-16LE", "UTF-16BE"})
    void textOfTwoBytesALetterIsRead(String charset) throws IOException {
        Path file = folder.resolve("cells.csv");
        Files.writeString(
                file, "\ufeffcell_id,ir_mohm,model\nÄ-1,56,Größe\n", Charset.forName(charset));
        CellTable table = CellCsv.read(file);
        assertEquals(List.of(), table.problems());
        assertEquals("Größe", table.rows().get(0).model().orElseThrow());
        assertEquals(charset, table.encoding());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "=1+2", " =1+2", "\n=1+2", "\r\n@x", "\u00a0-x", "\ufeff+x", "\u200b=x", "＝1",
                "＋x", "－x", "＠x", "\u2003＝1", "\t", "\tx", "−x", "\u0000=1"
            })
    void nothingThatCouldBeginAFormulaIsWrittenPlainly(String text) {
        String cell = SafeCsv.text(List.of("a"), List.of(List.of(text))).substring(3);
        assertTrue(cell.startsWith("'") || cell.startsWith("\"'"), cell);
    }

    @Test
    void writtenCellsNeverBeginAFormula() {
        assertEquals(
                "a\r\n'=1+2\r\n'@x\r\n-3.5\r\n'-x\r\n",
                SafeCsv.text(
                        List.of("a"),
                        List.of(List.of("=1+2"), List.of("@x"), List.of("-3.5"), List.of("-x"))));
    }

    private CellTable read(String text) throws IOException {
        return CellCsv.read(
                Files.writeString(folder.resolve("cells.csv"), text, StandardCharsets.UTF_8));
    }
}
