package pentacell.workshop.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;

/// Logs of whole packs, in the ways boards write them.
final class GroupLogCsvTest {
    @TempDir private Path folder = Path.of("");

    private GroupLogCsv.Read read(String text) throws IOException {
        Path file = folder.resolve("pack.csv");
        Files.writeString(file, text.replace('|', '\n'), StandardCharsets.UTF_8);
        return GroupLogCsv.read(file);
    }

    private static List<Double> list(Column column) {
        return IntStream.range(0, column.size()).mapToObj(column::get).toList();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '!',
            value = {
                "plain! time_s,current_a,group_1_v,group_2_v|0,2,3.7,3.71|60,2,3.6,3.61|120,2,3.5,3.51|",
                "in mV and mA! time_s,current_ma,cell1_mv,cell2_mv|0,2000,3700,3710|60,2000,3600,3610|120,2000,3500,3510|",
                "mV without a word! t;I;C1;C2|0;2;3700;3710|60;2;3600;3610|120;2;3500;3510|",
                "mV named V! time;current;Cell 1 V;Cell 2 V|0;2;3700;3710|60;2;3600;3610|120;2;3500;3510|",
                "decimal commas, minutes! time_min;current_a;v1;v2|0;2,0;3,7;3,71|1;2,0;3,6;3,61|2;2,0;3,5;3,51|",
                "discharge under 0! time_s,current_a,s1,s2|0,-2,3.7,3.71|60,-2,3.6,3.61|120,-2,3.5,3.51|",
                "temperatures first! temp_1_c,time_s,current_a,group_1_v,group_2_v|20,0,2,3.7,3.71|20,60,2,3.6,3.61|21,120,2,3.5,3.51|",
                "groups in any order! group_2_v,group_1_v,time_s,current_a|3.71,3.7,0,2|3.61,3.6,60,2|3.51,3.5,120,2|"
            })
    void everyWayOfWritingComesToTheSame(String name, String text) throws IOException {
        GroupLogCsv.Read read = read(text);
        GroupLog log = read.log().orElseThrow();
        assertEquals(List.of(), read.problems());
        assertEquals(List.of(0.0, 60.0, 120.0), list(log.seconds()));
        assertEquals(List.of(2.0, 2.0, 2.0), list(log.amps()), "drawn: the voltage falls");
        assertEquals(List.of(3.7, 3.6, 3.5), list(log.volts().get(0)));
        assertEquals(List.of(3.71, 3.61, 3.51), list(log.volts().get(1)));
    }

    @Test
    void temperaturesAreReadWhereThereAreAny() throws IOException {
        GroupLogCsv.Read read =
                read(
                        """
                        time,current_a,group_1_v,T1,temp_2_f,NTC3
                        2026-01-01T00:00:00,1,3.7,-4.5,50,850
                        2026-01-01T00:10:00,1,3.6,,68,
                        2026-01-01T00:20:00,1,3.5,3,n/a,12.5
                        """);
        GroupLog log = read.log().orElseThrow();
        assertEquals(List.of(-4.5, Double.NaN, 3.0), list(log.celsius().get(0)));
        assertEquals(List.of(10.0, 20.0, Double.NaN), list(log.celsius().get(1)));
        assertEquals(List.of(Double.NaN, Double.NaN, 12.5), list(log.celsius().get(2)));
        assertEquals(
                List.of("1 temperature was left out: no can gets that cold or that hot"),
                read.notes());
        assertEquals(List.of(), read.problems(), "a missing temperature spoils no line");
    }

    @Test
    void aClockSetBackIsCarriedOnAndOneThatSlipsIsNamed() throws IOException {
        StringBuilder text = new StringBuilder("time,current_a,group_1_v\n");
        for (int i = 0; i < 30; i++) {
            int minute = i < 12 ? i : i - 8;
            text.append("2026-10-25T02:%02d:00,1,%.3f%n".formatted(minute, 3.9 - 0.01 * i));
            if (i == 4) text.append("2026-10-25T09:00:00,1,3.86\n");
        }
        GroupLogCsv.Read read = read(text.toString());
        GroupLog log = read.log().orElseThrow();
        assertEquals(30, log.size(), "all but the slip");
        assertEquals(1, read.skipped());
        assertTrue(read.problems().get(0).text().contains("pack.csv:7"), "" + read.problems());
        for (int i = 1; i < log.size(); i++)
            assertEquals(60, log.seconds().get(i) - log.seconds().get(i - 1), 1e-6, "reading " + i);
        assertEquals(List.of("time starts over at line 15: carried on from there"), read.notes());
    }

    @ParameterizedTest(name = "{0}")
    @DisplayName("what a board sends where it has read nothing is left out and told with its line")
    @CsvSource(
            delimiter = '!',
            value = {
                "60,0,0,0! pack.csv:3: group 1 reads 0.00 V between 3.90 V and 3.88 V",
                "60,2,3.89,0! pack.csv:3: group 2 reads 0.00 V between 3.90 V and 3.88 V",
                "60,2,3.89,65.535! pack.csv:3: group 2 reads 65.54 V, which no cell gives",
                "60,655.35,3.89,3.89! pack.csv:3: 655.4 A flow and no voltage moves",
                "60,6553.5,3.89,3.89! pack.csv:3: 6553.5 A is no current of such a pack",
                // a weak group breaks down under a peak, a dead one stays at nothing
                "60,30,3.7,0.4!",
                "60,2,3.89,3.1!"
            })
    void whatABoardCannotHaveReadIsLeftOut(String line, String said) throws IOException {
        GroupLogCsv.Read read =
                read(
                        "time_s,current_a,group_1_v,group_2_v|0,2,3.9,3.9|%s|120,2,3.88,3.88|180,2,3.87,3.87|240,2,3.86,3.86|"
                                .formatted(line));
        assertEquals(
                Stream.ofNullable(said).toList(),
                read.problems().stream().map(each -> each.text().replace('\u00a0', ' ')).toList());
        assertEquals(said == null ? 5 : 4, read.log().orElseThrow().size());
    }

    @Test
    void aGroupThatNeverReadsAnythingLeavesNoLogButSaysWhy() throws IOException {
        GroupLogCsv.Read read =
                read("time_s,current_a,group_1_v,group_2_v|0,2,3.9,65.535|60,2,3.8,65.535|");
        assertTrue(read.log().isEmpty());
        assertEquals(2, read.skipped());
        assertEquals(
                "pack.csv:2: group 2 reads 65.54 V, which no cell gives",
                read.problems().get(0).text().replace('\u00a0', ' '));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '!',
            value = {
                "time_s,group_1_v|0,3.7| ! were not all found",
                "time_s,current_a,group_1_v,group_3_v|0,1,3.7,3.7| ! columns of groups were found for [1, 3]",
                "time_s,current_a,group_1_v| ! has no lines under its column names",
                "time_s,current_a,group_1_v|0,1,full| ! group 1 \"full\" is not a number"
            })
    void whatCannotBeReadIsSaidWithWhatWasExpected(String text, String said) throws IOException {
        GroupLogCsv.Read read = read(text);
        assertTrue(read.log().isEmpty());
        assertTrue(read.problems().get(0).text().contains(said.strip()), "" + read.problems());
    }
}
