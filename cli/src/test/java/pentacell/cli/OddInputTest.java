package pentacell.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/// Odd input to commands: a sentence with the place, exit 4, and never a fault of ours.
final class OddInputTest {
    private static final String LAYOUT =
            """
            {"cells": [
               {"id": "A", "positive": "p", "negative": "n", "volts": 4.0, "milliohms": 50},
               {"id": "B", "positive": "p", "negative": "n", "volts": 4.0, "milliohms": 50}],
             "conductors": [{"id": "w", "from": "p", "to": "t", "milliohms": 1}],
             "terminals": {"positive": "t", "negative": "n"}}
            """;
    private static final String NEED =
            """
            {"chemistry": "nmc",
             "device": {"lowTripVolts": 20, "highTripVolts": 30},
             "load": {"steadyWatts": 60, "peakWatts": 100},
             "wanted": {"hours": 4},
             "cell": {"capacityMah": 2000, "milliohms": 60, "maxContinuousAmps": 2, "grams": 46,
                      "price": 2.5},
             "charger": {"volts": 29.4, "amps": 2}}
            """;

    @TempDir private Path folder;
    private Commands commands = new Commands(Path.of(""));

    @BeforeEach
    void begin() {
        commands = new Commands(folder);
    }

    private int run(String... arguments) {
        return commands.run(arguments);
    }

    private int network(Path file) {
        return run("network", "--layout", file.toString(), "--load=1A");
    }

    private Path file(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text);
    }

    static Stream<Arguments> odd() {
        return Stream.of(
                Arguments.of("\"volts\": 4.0", "\"volts\": 1e308", "2: column 59: cells[0].volts"),
                Arguments.of(
                        "\"milliohms\": 50}]", "\"milliohms\": 1e-320}]", "cells[1].milliohms"),
                Arguments.of("\"milliohms\": 50}]", "\"milliohms\": 0}]", "a number over 0"),
                Arguments.of("\"milliohms\": 1}", "\"milliohms\": -1}", "conductors[0].milliohms"),
                Arguments.of("\"id\": \"B\"", "\"id\": \"A\"", "two cells are called A"),
                Arguments.of("\"id\": \"B\"", "\"id\": \"B\", \"id\": \"C\"", "3: column"),
                Arguments.of(
                        "{\"positive\": \"t\", \"negative\": \"n\"}", "{}", "positive is missing"),
                Arguments.of(
                        "{\"positive\": \"t\", \"negative\": \"n\"}",
                        "null",
                        "terminals: is missing"),
                Arguments.of(
                        "\"negative\": \"n\"}}", "\"negative\": null}}", "negative is missing"),
                Arguments.of("\"volts\": 4.0", "\"volts\": " + "9".repeat(1200), "is not JSON"),
                Arguments.of(
                        "\"volts\": 4.0",
                        "\"volts\": " + "[".repeat(900) + "]".repeat(900),
                        "is not JSON"),
                Arguments.of("\"id\": \"A\"", "\"id\": \"\u001b[31mA\"", "is not JSON"),
                Arguments.of("\"id\": \"w\"", "\"id\": \"w\"} junk", "is not JSON"));
    }

    @ParameterizedTest
    @MethodSource("odd")
    void anOddLayoutIsRefusedWithItsPlace(String part, String odd, String said) throws Exception {
        Path layout =
                file(
                        "layout.json",
                        LAYOUT.replaceFirst(
                                java.util.regex.Pattern.quote(part),
                                java.util.regex.Matcher.quoteReplacement(odd)));
        assertEquals(Exit.UNREADABLE_INPUT, network(layout), commands.errors());
        assertTrue(commands.errors().contains(said), commands.errors());
        assertTrue(
                commands.errors().matches("(?s)layout\\.json:\\d+: column \\d+: .*"),
                "line and column: " + commands.errors());
        assertFalse(commands.errors().contains("\u001b"), "no control characters");
    }

    static Stream<Arguments> oddNeeds() {
        return Stream.of(
                Arguments.of("\"price\": 2.5", "\"price\": -2.5", "cell.price"),
                Arguments.of("\"amps\": 2}", "\"amps\": -2}", "charger.amps"),
                Arguments.of(
                        "\"maxContinuousAmps\": 2",
                        "\"maxContinuousAmps\": -2",
                        "cell.maxContinuousAmps"),
                Arguments.of("\"steadyWatts\": 60", "\"steadyWatts\": 1e308", "load.steadyWatts"),
                Arguments.of("\"steadyWatts\": 60", "\"steadyWatts\": \"60\"", "load.steadyWatts"),
                Arguments.of(
                        "\"capacityMah\": 2000", "\"capacityMah\": 1e-320", "cell.capacityMah"),
                Arguments.of("\"hours\": 4", "\"hours\": 4, \"hours\": 5", "is not JSON"),
                Arguments.of("\"device\": {", "\"gadget\": {", "device: is missing"));
    }

    @ParameterizedTest
    @MethodSource("oddNeeds")
    void anOddNeedIsRefusedWithItsPlace(String part, String odd, String said) throws Exception {
        Path need = file("need.json", NEED.replace(part, odd));
        assertEquals(
                Exit.UNREADABLE_INPUT, run("plan", "--need", need.toString()), commands.errors());
        assertTrue(commands.errors().contains(said), commands.errors());
        assertTrue(
                commands.errors().matches("(?s)need\\.json:\\d+: column \\d+: .*"),
                commands.errors());
    }

    @Test
    void aByteOrderMarkIsPassedOver() throws Exception {
        assertEquals(Exit.DONE, network(file("layout.json", "\ufeff" + LAYOUT)), commands.errors());
        assertEquals(
                Exit.DONE,
                run("plan", "--need", file("need.json", "\ufeff" + NEED).toString()),
                commands.errors());
    }

    @Test
    void whatIsFarTooLargeIsRefusedAtItsLimit() throws Exception {
        Path large = folder.resolve("large.json");
        Files.write(large, new byte[(32 << 20) + 1]);
        assertEquals(Exit.UNREADABLE_INPUT, network(large));
        assertTrue(commands.errors().contains("32 MiB"), commands.errors());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "network --layout /dev/zero --load=1A",
                "plan --need /dev/zero",
                "match --cells /dev/zero --series 2 --parallel 2",
                "prove --log /dev/zero --end-voltage 3",
                "taps --series 3 --readings /dev/zero",
                "analyse /dev/zero"
            })
    void anEndlessDeviceIsNoText(String command) {
        assertEquals(Exit.UNREADABLE_INPUT, run(command.split(" ")));
        assertTrue(commands.errors().contains("not a text"), commands.errors());
    }

    @Test
    void aStreamIsReadOnceAndServesWhereItIsNeededTwice() throws Exception {
        Path fifo = folder.resolve("lot.csv");
        new ProcessBuilder("mkfifo", fifo.toString()).start().waitFor();
        String lot = "cell_id,capacity_mah,ir_mohm\nA-1,2000,50\nA-2,2010,50\n";
        Thread writer =
                Thread.ofVirtual()
                        .start(() -> {
                            try {
                                Files.writeString(fifo, lot);
                            } catch (IOException failure) {
                                throw new java.io.UncheckedIOException(failure);
                            }
                        });
        Path groups = file("groups.csv", "cell_id,group,position\nA-1,1,1\nA-2,2,1\n");
        assertEquals(
                Exit.DONE,
                run(
                        "simulate",
                        "--groups",
                        groups.toString(),
                        "--cells",
                        fifo.toString(),
                        "--load",
                        "1A",
                        "--step",
                        "60"),
                commands.errors());
        writer.join();
    }

    @ParameterizedTest
    @ValueSource(strings = {"prove --end-voltage 3 --log", "service --parallel 2 --log"})
    void aLogThatHoldsNoVoltagesOrTooManyFieldsIsRefused(String command) throws Exception {
        for (String[] each :
                new String[][] {
                    {
                        "time_s,current_a,group_1_v,group_2_v\n0,1,3.9,0\n10,1,3.8,0\n20,1,3.7,0\n",
                        "group 2 reads 0 V in every line"
                    },
                    {
                        "time_s,current_a,group_1_v,group_2_v\n0,1,-1,3.9\n10,1,-1,3.8\n20,1,-1,3.7\n",
                        "group 1 reads -1 V in every line"
                    },
                    {
                        "time_s,current_a,group_1_v,group_2_v\n0,1,0,3,9,3,8\n10,1,0,3,8,3,7\n",
                        "decimal comma"
                    },
                    {"time_s,current_a,group_1_v,group_2_v\n0,1,3.9,3.9,7\n", "more fields"}
                }) {
            begin();
            Path log = file("log.csv", each[0]);
            assertEquals(
                    Exit.UNREADABLE_INPUT,
                    run((command + " " + log).split(" ")),
                    commands.errors());
            assertTrue(commands.errors().contains(each[1]), commands.errors());
        }
        begin();
        Path one =
                file(
                        "log.csv",
                        "time_s,current_a,group_1_v,group_2_v\n0,0,3.9,3.9\n10,1,3.9,3.9,5\n20,1,3.8,3.8\n30,1,3.7,3.7\n");
        run((command + " " + one).split(" "));
        assertTrue(
                commands.errors().contains("log.csv:3: has 5 fields"),
                "the line is named: " + commands.errors());
    }

    @Test
    void controlCharactersNeverReachATerminal() {
        StringWriter terminal = new StringWriter();
        PrintWriter printer = PlainText.printer(terminal);
        printer.print("a\u001b[31mb\u0007c\u009b2J\td\n");
        printer.flush();
        assertEquals("a�[31mb�c�2J\td\n", terminal.toString());
    }
}
