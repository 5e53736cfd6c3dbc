package pentacell.core.line;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.build.BuildLine;
import pentacell.core.build.facts.AssemblyFact;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;
import pentacell.core.prove.ProveLine;
import pentacell.core.service.CanFault;
import pentacell.core.service.GatePack;
import pentacell.core.service.ServiceLine;
import pentacell.core.state.WorkshopState;

/// What is typed at Build, Prove and Service over a pack of three groups of twelve cells.
final class PackLinesTest {
    private static final Instant NOW = Instant.parse("2026-04-02T10:00:00Z");
    private static final WorkshopState STATE = GatePack.pack().state();

    enum At {
        BUILD,
        PROVE,
        SERVICE,
        /// Service, while a warm cell is searched and G2-01 is next.
        HEATER
    }

    private static Line<LineAct> read(At at, String text) {
        return switch (at) {
            case BUILD -> BuildLine.read(text, STATE, GatePack.PACK, Optional.empty());
            case PROVE -> ProveLine.read(text, STATE, GatePack.PACK, NOW, ZoneOffset.UTC);
            case SERVICE -> service(text, CanFault.BROKEN_JOINT, Optional.empty());
            case HEATER -> service(text, CanFault.HEATER, Optional.of(new CellId("G2-01")));
        };
    }

    private static Line<LineAct> service(String text, CanFault fault, Optional<CellId> next) {
        return ServiceLine.read(
                text,
                STATE,
                GatePack.PACK,
                LocalDate.ofInstant(NOW, ZoneOffset.UTC),
                new ServiceLine.Probing(fault, next));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "BUILD   | g2 3,712        | GroupVoltageRead[pack=Gate, group=1, volts=3.712]",
                "BUILD   | GROUP 3 -0.4v   | GroupVoltageRead[pack=Gate, group=2, volts=-0.4]",
                "BUILD   | tap 0 0.01      | TapsRead[pack=Gate, readings=[TapReading[lead=0, volts=OptionalDouble[0.01]]]]",
                "BUILD   | lead3 11.2V     | TapsRead[pack=Gate, readings=[TapReading[lead=3, volts=OptionalDouble[11.2]]]]",
                "BUILD   | pack 11.2       | WholeRead[pack=Gate, point=PACK, volts=11.2]",
                "BUILD   | output 11.1     | WholeRead[pack=Gate, point=OUTPUT, volts=11.1]",
                "BUILD   | G1-02 3.68      | VoltageRead[cell=G1-02, volts=3.68]",
                "PROVE   | g2 20.9Ah       | GroupTested[pack=Gate, group=1, run=AloneRun[ampHours=20.9, wattHours=OptionalDouble.empty]]",
                "PROVE   | g2 20.9 ah 75wh | GroupTested[pack=Gate, group=1, run=AloneRun[ampHours=20.9, wattHours=OptionalDouble[75.0]]]",
                "PROVE   | full g3 4.18    | FullRead[pack=Gate, group=2, volts=4.18]",
                "PROVE   | trip 9.6 9.9    | TripSeen[pack=Gate, trip=DeviceTrip[volts=9.6, springBackVolts=OptionalDouble[9.9]]]",
                "PROVE   | ambient 22 Sun  | AmbientRead[pack=Gate, celsius=22.0, note=Sun]",
                "PROVE   | t 2.3 41°C      | WarmRead[pack=Gate, spot=column 2, row 3, celsius=41.0]",
                "PROVE   | bar 3 4.5mV 30A | BarRead[pack=Gate, joint=3, reading=BarReading[millivolts=4.5, amps=30.0]]",
                "PROVE   | 4a 3.7 3.6 3.7  | HandRead[pack=Gate, test=by hand, 2 Apr 2026, endVolts=2.5, amps=4.0, volts=[3.7, 3.6, 3.7]]",
                "SERVICE | 0a 3.7 3.6 3.7  | GroupsSeen[pack=Gate, amps=0.0, volts=[3.7, 3.6, 3.7]]",
                "SERVICE | g1-03 3.71      | CanProbed[pack=Gate, cell=G1-03, volts=3.71]",
                "SERVICE | G1-03 41        | CanWarm[pack=Gate, cell=G1-03, celsius=41.0]",
                "SERVICE | G1-03 5c        | CanWarm[pack=Gate, cell=G1-03, celsius=5.0]",
                "HEATER  | 31              | CanWarm[pack=Gate, cell=G2-01, celsius=31.0]",
                "HEATER  | 3.7v            | CanProbed[pack=Gate, cell=G2-01, volts=3.7]",
                "HEATER  | G1-03 9         | CanWarm[pack=Gate, cell=G1-03, celsius=9.0]",
                "SERVICE | retest g2 23.9Ah 2026-03-30 | GroupRetested[pack=Gate, group=1, ampHours=23.9, on=2026-03-30]",
                "SERVICE | note fell from the bench | EventNoted[pack=Gate, words=fell from the bench, on=2026-04-02]"
            })
    void aLineIsLoggedAsItIsSaid(At at, String text, String fact) {
        Line<LineAct> line = read(at, text);
        List<Fact> facts = TypedLines.facts(line, STATE);
        assertEquals(1, facts.size(), line::toString);
        assertEquals(fact, facts.getFirst().toString());
        assertTrue(!line.pieces().isEmpty(), "it shows what was understood");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "BUILD   | g4 3.7           | groups 1 to 3",
                "BUILD   | g0 3.7           | groups 1 to 3",
                "BUILD   | g1 37            | expected a voltage from −10 to 10 V",
                "BUILD   | tap 4 3.7        | leads 0 to 3",
                "BUILD   | tap 2 high       | expected a voltage",
                "BUILD   | Z9-01            | no cell Z9-01",
                "BUILD   | S-1 3.7          | S-1",
                "BUILD   | G1-01 out        | not in the holder",
                "PROVE   | g2 0ah           | expected a charge above 0",
                "PROVE   | g2 20ah -3wh     | expected an energy above 0",
                "PROVE   | full g9 4.18     | groups 1 to 3",
                "PROVE   | trip 0           | expected a voltage",
                "PROVE   | t 99.1 40        | no cell in column 99, row 1",
                "PROVE   | t 1.1 900        | expected a temperature",
                "PROVE   | bar 4 4mv 3a     | joints 0 to 3",
                "PROVE   | bar 1 4mv 0a     | current above 0 A",
                "PROVE   | 4a 3.7 3.6       | 2 of 3 groups; type them all",
                "PROVE   | 4a 3.7 37 3.7    | \"37\": expected a voltage",
                "PROVE   | 99999a 3.7 3 3   | expected a current",
                "PROVE   | what             | expected a group alone",
                "SERVICE | 3.7              | which cell?",
                "SERVICE | G1-03 900        | expected a temperature",
                "SERVICE | note fell 2027-01-01       | not after today",
                "SERVICE | retest g2 23.9Ah yesterday | expected a day",
                "SERVICE | retest g2 999999ah         | expected a charge",
                "SERVICE | G9-99 3.7        | expected amps with all groups"
            })
    void whatCannotBeLoggedSaysWhy(At at, String text, String why) {
        String said = TypedLines.whyNot(read(at, text));
        assertTrue(said.contains(why), said);
    }

    @Test
    void aCellAloneIsToldItsPlaceAndPutIntoTheHolder() {
        LineAct act = TypedLines.act(read(At.BUILD, "G2-05"));
        assertTrue(act.answer().contains("roup 2"), act::answer);
        assertEquals(
                List.of(
                        new AssemblyFact.CellPut(
                                GatePack.PACK, new CellId("G2-05"), AssemblyFact.Put.IN)),
                TypedLines.facts(read(At.BUILD, "G2-05"), STATE));
    }

    @Test
    void aFigureAloneSpellsOutItsCellForLater() {
        assertEquals(
                "G2-01 31", TypedLines.act(read(At.HEATER, " 31 ")).toLog().orElseThrow().text());
    }

    @Test
    void withoutAPackNothingIsLogged() {
        String said = TypedLines.whyNot(BuildLine.read("g1 3.7", STATE, "none", Optional.empty()));
        assertTrue(said.startsWith("Match a pack first"), said);
    }
}
