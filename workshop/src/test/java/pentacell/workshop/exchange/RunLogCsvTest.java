package pentacell.workshop.exchange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Oddity;
import pentacell.core.measure.Analyse;
import pentacell.core.measure.AnalysisSettings;
import pentacell.core.measure.StepKind;
import pentacell.core.unit.NumberText;

/// Logs as instruments of all kinds write them.
final class RunLogCsvTest {
    @TempDir Path folder;

    private RunLog read(String text) throws IOException {
        return read(text, StandardCharsets.UTF_8);
    }

    private RunLog read(String text, Charset charset) throws IOException {
        Path file = folder.resolve("run.csv");
        Files.writeString(file, text, charset);
        return RunLogCsv.read(file);
    }

    /// One hour at 1 A, 4.0 to 3.0 V, written in every manner: always 1000 mAh.
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "time_s,voltage_v,current_a | , | . | 1 | 1 | -1",
                "Time / s;Voltage / V;Current / A | ; | , | 1 | 1 | -1",
                "t (min),U (mV),I (mA) | , | . | 60 | 1000 | -1000",
                "elapsed_h,volts,amps | , | . | 3600 | 1 | -1",
                "Test time (s)\tVoltage(V)\tCurrent(mA) | tab | . | 1 | 1 | -1000",
                "seconds,voltage,current | , | . | 1 | 1000 | -1000",
                "seconds,voltage,current | , | . | 1 | 1 | 1",
                "no,step,seconds,ma,mv | wide | . | 1 | 1000 | -1000",
                "time_s,voltage_v,current_a | , | . | 1 | 1000 | -1"
            })
    void anyMannerOfWritingGivesTheSameCapacity(
            String header, String separator, String mark, double time, double volts, double amps)
            throws IOException {
        StringBuilder text = new StringBuilder(header).append('\n');
        String between =
                separator.equals("tab") ? "\t" : separator.equals("wide") ? "," : separator;
        for (int t = 0; t <= 3600; t += 10) {
            String line =
                    separator.equals("wide")
                            ? "%d,1,%d,%s,%s".formatted(t, t, -1000.0, 1000 * (4 - t / 3600.0))
                            : String.join(
                                    between,
                                    String.valueOf(t / time),
                                    String.valueOf(volts * (4 - t / 3600.0)),
                                    String.valueOf(amps));
            text.append(mark.equals(",") ? line.replace('.', ',') : line).append('\n');
        }
        RunLog log = read(text.toString());
        assertEquals(List.of(), log.problems());
        var discharge = Analyse.log(log.log(), AnalysisSettings.NONE).discharge().orElseThrow();
        assertEquals(1000, discharge.milliampHours(), 0.01);
        assertEquals(3.5, discharge.meanVolts(), 0.001);
    }

    @Test
    void badLinesAreToldWithTheirPlaceAndTheGoodOnesTaken() throws IOException {
        RunLog log =
                read(
                        """
                        time_s,voltage_v,current_a
                        0,4.1,-1
                        10,NaN,-1
                        20,4.08,-1
                        15,4.07,-1
                        30,4.06,x
                        40
                        40,4.05,-1
                        40,4.05,-1

                        50,99,-1
                        60,4.03,-1
                        """);
        assertEquals(4, log.log().size());
        assertEquals(
                List.of(3L, 5L, 6L, 7L, 9L, 11L),
                log.problems().stream().map(CellTable.Problem::line).sorted().toList());
        assertTrue(
                log.problems().stream()
                        .anyMatch(problem ->
                                problem.text().startsWith("run.csv:5: time goes back to 15 s")),
                () -> log.problems().toString());
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '!',
            value = {
                "0,0! reads 0.00 V between 3.90 V and 3.90 V",
                "6.5535,-1! reads 6.55 V between 3.90 V and 3.90 V",
                "3.8990,-65.5! −65.5 A flow and no voltage moves",
                // a pulse is no slip, nor is a line that only looks odd
                "3.2000,-20!",
                "3.7000,-1!"
            })
    void aReadingThatItsNeighboursRuleOutIsNotTaken(String values, String said) throws IOException {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a\n");
        for (int t = 0; t < 600; t++)
            text.append(
                    t == 300
                            ? "%d,%s%n".formatted(t, values)
                            : "%d,%.4f,-1%n".formatted(t, 4.2 - t * 0.001));
        RunLog log = read(text.toString());
        assertEquals(
                Stream.ofNullable(said).map("run.csv:302: "::concat).toList(),
                log.problems().stream().map(each -> each.text().replace('\u00a0', ' ')).toList());
        assertEquals(said == null ? 600 : 599, log.log().size());
    }

    @Test
    void aClockThatStartsAnewIsCarriedOn() throws IOException {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a\n");
        for (int t = 0; t <= 1000; t += 10) text.append(t).append(",3.8,0.5\n");
        for (int t = 0; t <= 1000; t += 10) text.append(t).append(",3.7,-0.5\n");
        RunLog log = read(text.toString());
        assertEquals(List.of(), log.problems());
        assertEquals(202, log.log().size());
        assertEquals(2010, log.log().seconds(201), 1e-9);
        assertTrue(log.notes().get(0).contains("line 103"), () -> log.notes().toString());
    }

    @ParameterizedTest
    @ValueSource(strings = {"-1", "1"})
    void signsAreToldByTheVoltage(String discharge) throws IOException {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a\n");
        String charge = discharge.equals("1") ? "-1" : "1";
        for (int t = 0; t < 600; t += 10)
            text.append("%d,%.4f,%s%n".formatted(t, 3.6 + t * 0.001, charge));
        for (int t = 600; t < 900; t += 10) text.append("%d,4.1,0%n".formatted(t));
        for (int t = 900; t < 1500; t += 10)
            text.append("%d,%.4f,%s%n".formatted(t, 4.1 - (t - 900) * 0.001, discharge));
        assertEquals(
                List.of(StepKind.CHARGE, StepKind.REST, StepKind.DISCHARGE),
                Analyse.log(read(text.toString()).log(), AnalysisSettings.NONE).steps().stream()
                        .map(step -> step.kind())
                        .toList());
    }

    @Test
    void currentsWithoutASignAreToldApart() throws IOException {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a\n");
        for (int t = 0; t < 600; t += 10) text.append("%d,%.4f,1%n".formatted(t, 3.6 + t * 0.001));
        for (int t = 600; t < 900; t += 10) text.append("%d,4.15,0%n".formatted(t));
        for (int t = 900; t < 1500; t += 10)
            text.append("%d,%.4f,1%n".formatted(t, 4.1 - (t - 900) * 0.001));
        RunLog log = read(text.toString());
        assertEquals(
                List.of(StepKind.CHARGE, StepKind.REST, StepKind.DISCHARGE),
                Analyse.log(log.log(), AnalysisSettings.NONE).steps().stream()
                        .map(step -> step.kind())
                        .toList());
        assertTrue(log.notes().contains("currents have no sign: told by the voltage"));
    }

    @Test
    void preambleMarksClocksAndTemperaturesAreUnderstood() throws IOException {
        RunLog log =
                read(
                        """
                        \ufeffMeasured on the bench
                        Cell: HB03-07; bay 2

                        Time;Voltage (V);Current (A);Temp (°C)
                        0:00:00;4,100;-1,0;21,5
                        0:00:10;4,090;-1,0;21,6
                        0:01:00;4,050;-1,0;21,9
                        """,
                        StandardCharsets.UTF_8);
        assertEquals(List.of(), log.problems());
        assertEquals(60, log.log().seconds(2));
        assertEquals(21.9, log.log().celsius(2));
        RunLog western =
                read(
                        "Time;Voltage (V);Current (A);Temp (°C)\n0;4,1;-1;20\n",
                        Charset.forName("windows-1252"));
        assertEquals(1, western.log().size());
    }

    @Test
    void nothingToReadIsSaid() throws IOException {
        assertTrue(read("").problems().get(0).text().contains("no columns"));
        assertTrue(read("a,b\n1,2\n").problems().get(0).text().contains("no columns"));
        assertTrue(
                read("time_s,voltage_v,current_a\n")
                        .problems()
                        .get(0)
                        .text()
                        .contains("no samples"));
        assertTrue(
                RunLogCsv.read(folder.resolve("none.csv"))
                        .problems()
                        .get(0)
                        .text()
                        .contains("no such file"));
        assertTrue(RunLogCsv.read(folder).problems().get(0).text().contains("folder"));
        assertEquals(2, read("0,4.1,-1\n10,4.0,-1\n").log().size(), "no header: time, V, A");
    }

    /// The quick reading of plain decimals agrees with the language's own, digit for digit.
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3})
    void quickNumbersAreTheSameNumbers(int seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 2000; i++) {
            String text =
                    String.format(
                            Locale.ROOT,
                            "%." + random.nextInt(12) + "f",
                            (random.nextDouble() - 0.5) * Math.pow(10, random.nextInt(8)));
            assertEquals(Double.parseDouble(text), LogNumber.parse(text), text);
            assertEquals(
                    NumberText.parse(text).orElseThrow(), LogNumber.parse(text.replace('.', ',')));
        }
        for (String none : List.of("", "-", ".", "1.2.3", "abc", "NaN", "Infinity", "1e999"))
            assertTrue(Double.isNaN(LogNumber.parse(none)), none);
        assertEquals(1200, LogNumber.parse("1.2e3"));
    }

    /// An hour at 1 A with one line changed.
    private RunLog hourWith(int second, String line) throws IOException {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a,temp_c\n");
        for (int t = 0; t <= 3600; t += 10)
            text.append(
                    t == second
                            ? line + "\n"
                            : String.format(Locale.ROOT, "%d,%.4f,-1,25%n", t, 4.0 - t / 3600.0));
        return read(text.toString());
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "570  | 57000,3.84,-1,25   | run.csv:59: time 57000 s lies between 560 s and 580 s; left out",
                "570  | 1e308,3.84,-1,25   | is out of place; left out",
                "570  | -1e300,3.84,-1,25  | is out of place; left out",
                "570  | 5700000,3.84,-1,25 | run.csv:59: time 5700000 s lies between 560 s and 580 s; left out",
                "570  | 5,3.84,-1,25       | run.csv:59: time goes back to 5 s after 560 s",
                "570  | 570,3,84,-1,25     | run.csv:59: has 5 fields under 4 column names",
            })
    void oneBadLineIsNamedAndChangesNothing(int second, String line, String complaint)
            throws IOException {
        RunLog log = hourWith(second, line);
        assertTrue(log.problems().get(0).text().contains(complaint), log.problems().toString());
        assertEquals(1, log.problems().size());
        assertEquals(1000, milliampHours(log), 0.5);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e308", "-273", "999", "hot", "", "NaN"})
    void aTemperatureThatCannotBeIsLeftOutAndTheSampleKept(String celsius) throws IOException {
        RunLog log = hourWith(570, "570,3.8417,-1," + celsius);
        assertEquals(List.of(), log.problems());
        assertEquals(361, log.log().size());
        assertTrue(Double.isNaN(log.log().celsius(57)));
        boolean isNumber = NumberText.parse(celsius).isPresent();
        assertEquals(
                isNumber, log.notes().toString().contains("1 temperature was left out"), celsius);
        assertTrue(Analyse.log(log.log(), AnalysisSettings.NONE).discharge().isPresent());
    }

    /// A short gap under the same current is bridged, a long one or one over a change is not
    /// counted, and both are named.
    @ParameterizedTest(name = "from {0} to {1} s at {2} A")
    @CsvSource({"1000, 1200, -1, 1000", "1000, 1900, -1, 750", "1000, 1200, -0.5, 611"})
    void sumsDoNotRunOverAGapAsIfItHadBeenMeasured(
            int from, int to, double ampsAfter, double milliampHours) throws IOException {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a\n");
        for (int t = 0; t <= 3600; t += 10)
            if (t <= from || t >= to)
                text.append(
                        String.format(
                                Locale.ROOT,
                                "%d,%.4f,%.1f%n",
                                t,
                                4.0 - t / 3600.0,
                                t <= from ? -1 : ampsAfter));
        RunLog log = read(text.toString());
        assertEquals(List.of(), log.problems());
        assertEquals(milliampHours, milliampHours(log), 1);
        assertTrue(
                Analyse.log(log.log(), AnalysisSettings.NONE).anomalies().stream()
                        .anyMatch(each -> each.kind() == Oddity.TIME_GAP));
    }

    private static double milliampHours(RunLog log) {
        return Analyse.log(log.log(), AnalysisSettings.NONE)
                .discharge()
                .orElseThrow()
                .milliampHours();
    }

    @Test
    void aLogOfTwoBytesALetterIsNamed() throws IOException {
        RunLog log = read("\ufefftime_s,voltage_v,current_a\n0,4,-1\n", StandardCharsets.UTF_16LE);
        assertTrue(log.problems().get(0).text().contains("it is UTF-16"));
    }
}
