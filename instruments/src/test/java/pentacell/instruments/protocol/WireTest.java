package pentacell.instruments.protocol;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.test.facts.Programme;

/// The protocol as docs/instrument-protocol.md describes it.
final class WireTest {

    static Stream<Ask> asks() {
        return Stream.of(
                new Ask.Identify(1),
                new Ask.Slots(2),
                new Ask.Start(
                        3,
                        2,
                        "HB03-07#1",
                        new Programme(
                                List.of(
                                        new Programme.Charge(1, 4.2, 0.05),
                                        new Programme.Rest(900),
                                        new Programme.Pulse(
                                                List.of(
                                                        new Programme.Level(0.4, 10),
                                                        new Programme.Level(2, 1))),
                                        new Programme.Discharge(1, 3)),
                                10,
                                new Programme.Limits(4.25, 2, 45, 86400))),
                new Ask.Stop(4, 2),
                new Ask.Replay(5, 2, "HB03-07#1", 117),
                new Ask.Read(6, 1),
                new Ask.Insert(7, 1, "HB03-07"),
                new Ask.Fault(8, 1, Ask.FaultKind.CONTACT_BLIP, 600));
    }

    @ParameterizedTest
    @MethodSource("asks")
    void whatIsAskedIsRead(Ask ask) throws Wire.NotUnderstoodException {
        String line = Wire.line(ask);
        assertEquals(ask, Wire.ask(line));
        assertEquals(-1, line.indexOf('\n'), "one line");
    }

    static Stream<Tell> tells() {
        return Stream.of(
                new Tell.Identity(
                        1,
                        "Charger A",
                        1,
                        true,
                        10_000,
                        List.of(new Tell.SlotAbility(1, 1, 1, List.of("nmc"), false))),
                new Tell.SlotStates(
                        2,
                        List.of(
                                new Tell.SlotState(
                                        1, OptionalDouble.of(3.7), Optional.of("R"), 4, true),
                                new Tell.SlotState(
                                        2, OptionalDouble.empty(), Optional.empty(), 0, false))),
                new Tell.Done(3),
                new Tell.Refused(4, "the slot is busy"),
                new Tell.Reading(5, 1, 3.7, OptionalDouble.of(56.2), OptionalDouble.empty()),
                new Tell.Stage(1, "R", 3, 812.5),
                new Tell.Ended(1, "R", "limit", "hotter than 45 °C"));
    }

    @ParameterizedTest
    @MethodSource("tells")
    void whatIsToldIsRead(Tell tell) throws Wire.NotUnderstoodException {
        assertEquals(tell, Wire.tell(Wire.line(tell)));
    }

    @Test
    void theLinesAreThoseOfTheDocument() throws Wire.NotUnderstoodException {
        assertEquals(new Ask.Identify(1), Wire.ask("{\"ask\":\"identify\",\"id\":1}"));
        Tell.Samples samples =
                (Tell.Samples)
                        Wire.tell(
                                "{\"tell\":\"samples\",\"slot\":1,\"run\":\"R\",\"first\":7,\"rows\":[[60,3.9,-1,22.5],[70,3.89,-1,22.6]],\"more\":true}");
        assertEquals(7, samples.first());
        assertEquals(3.89, samples.rows().get(1)[1]);
        assertTrue(Wire.line(new Ask.Stop(4, 2)).contains("\"ask\":\"stop\""));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "null", "hello", "{}", "{\"ask\":\"dance\",\"id\":1}", "[1,2"})
    void anythingElseIsNotUnderstood(String line) {
        assertThrows(Wire.NotUnderstoodException.class, () -> Wire.ask(line));
    }
}
