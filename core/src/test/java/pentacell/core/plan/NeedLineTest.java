package pentacell.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.plan.facts.Need;

/// A need in one line.
final class NeedLineTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "60w peak 150w 8h 10.5-15v",
                "8h 10,5-15v 60W peak 0.15kw",
                "10.5v-15v 60w 8h peak 150w",
                "peak 150w; 60w; 10.5–15V; 8h"
            })
    void orderAndCommaDoNotMatter(String text) {
        NeedLine line = NeedLine.read(text);
        assertEquals(java.util.List.of(), line.problems());
        assertEquals(OptionalDouble.of(60), line.steadyWatts());
        assertEquals(OptionalDouble.of(150), line.peakWatts());
        assertEquals(OptionalDouble.of(8), line.hours());
        assertEquals(OptionalDouble.of(10.5), line.lowTripVolts());
        assertEquals(OptionalDouble.of(15), line.highTripVolts());
    }

    @Test
    void aBicycleSaysWhatAKilometreTakes() {
        NeedLine line = NeedLine.read("250w 12wh/km 40km 30-42v lfp 85% idle 5w");
        assertEquals(OptionalDouble.of(12), line.wattHoursPerKilometre());
        assertEquals(OptionalDouble.of(40), line.kilometres());
        assertEquals(OptionalDouble.of(0.85), line.efficiency());
        assertEquals(OptionalDouble.of(5), line.idleWatts());
        assertEquals(Optional.of(Chemistry.LFP), line.chemistry());
        Need need = line.need(Optional.empty(), Chemistry.NMC);
        assertEquals(Chemistry.LFP, need.chemistry());
        assertEquals(250 / 0.85 + 5, need.steadyFromPack(), 1e-9);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "60w 8h, what voltage",
        "10-15v 8h, what does it draw",
        "60w 15-10v, lower voltage first",
        "60w 10-15v soon, was not understood",
        "2kwh 60w 10-15v, for how long"
    })
    void whatIsMissingOrNotUnderstoodIsSaid(String text, String words) {
        NeedLine line = NeedLine.read(text);
        assertTrue(
                line.problems().stream().anyMatch(each -> each.contains(words)),
                line.problems().toString());
        assertThrows(
                IllegalArgumentException.class, () -> line.need(Optional.empty(), Chemistry.NMC));
    }
}
