package pentacell.core.test.facts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.school.HoldSchool;
import pentacell.core.school.TestSchool;
import pentacell.core.test.facts.BenchHours.Span;
import pentacell.core.test.facts.Programme.Limits;

/// Bays, hours and programmes.
final class BayTest {
    /// Monday to Friday in the evening, Saturday all day.
    private static final BenchHours EVENINGS =
            new BenchHours(
                    Map.of(
                            DayOfWeek.MONDAY, new Span(18, 22),
                            DayOfWeek.FRIDAY, new Span(18, 22),
                            DayOfWeek.SATURDAY, new Span(0, 24)));

    // 2 November 2026 is a Monday
    @ParameterizedTest
    @CsvSource({
        "2026-11-02T09:00, 2026-11-02T18:00",
        "2026-11-02T18:00, 2026-11-02T18:00",
        "2026-11-02T21:59, 2026-11-02T21:59",
        "2026-11-02T22:00, 2026-11-06T18:00",
        "2026-11-06T23:00, 2026-11-07T00:00",
        "2026-11-07T23:59, 2026-11-07T23:59",
        "2026-11-08T00:00, 2026-11-09T18:00"
    })
    void somebodyIsThereNextWhenTheHoursSaySo(LocalDateTime from, LocalDateTime next) {
        assertEquals(next, EVENINGS.next(from));
        assertEquals(from.equals(next), EVENINGS.isThere(from));
        assertTrue(EVENINGS.isThere(next));
    }

    @Test
    void oneDayAWeekIsEnough() {
        BenchHours sundays = new BenchHours(Map.of(DayOfWeek.SUNDAY, new Span(9, 10)));
        assertEquals(
                LocalDateTime.of(2026, 11, 15, 9, 0),
                sundays.next(LocalDateTime.of(2026, 11, 8, 10, 0)));
    }

    @Test
    void aBayTestsOnlyWhatItCanChargeAndDischarge() {
        Bay both = new Bay("Charger A", 2, 1, 1, EnumSet.of(Chemistry.NMC));
        assertEquals("Charger A · 2", both.name());
        assertTrue(both.canTest(Chemistry.NMC));
        assertFalse(both.canTest(Chemistry.LFP));
        assertFalse(new Bay("Load", 1, 0, 5, Set.of()).canTest(Chemistry.NMC));
        assertEquals(
                "four-slot",
                new Instrument("A", Instrument.simulated("four-slot"), List.of()).simulatedKind());
        assertFalse(new Instrument("A", "127.0.0.1:7801", List.of()).isSimulated());
    }

    static Stream<Executable> nonsense() {
        return Stream.of(
                () -> new Span(22, 8),
                () -> new Span(-1, 8),
                () -> new Span(8, 25),
                () -> new BenchHours(Map.of()),
                () -> new Bay("A", 0, 1, 1, Set.of()),
                () -> new Bay("A", 1, Double.NaN, 1, Set.of()),
                () -> new Bay("A", 1, 1, -1, Set.of()),
                () -> new Instrument(" ", "x", List.of()),
                () -> new Programme(List.of(), 10, new Limits(4.2, 2, 45, 100)),
                () -> new Programme(List.of(new Programme.Rest(1)), 0, new Limits(4.2, 2, 45, 100)),
                () -> new Programme.Charge(1, 5.5, 0.1),
                () -> new Programme.Charge(1, 4.2, 2),
                () -> new Programme.Charge(Double.NaN, 4.2, 0.1),
                () -> new Programme.Rest(0),
                () -> new Programme.Discharge(0, 3),
                () -> new Programme.Discharge(1, Double.NaN),
                () -> new Programme.Pulse(List.of()),
                () -> new Programme.Level(1, 7200),
                () -> new Limits(2, 4.2, 45, 100),
                () ->
                        new TestSchool(
                                "both",
                                OptionalDouble.of(1),
                                OptionalDouble.of(0.2),
                                3,
                                2.5,
                                0.05,
                                15,
                                25),
                () -> new HoldSchool("short", 0, 21, 12, 30, 100, 120),
                () -> new HoldSchool("rescued sooner", 7, 3, 12, 30, 100, 120),
                () -> new HoldSchool("out under fine", 7, 21, 12, 30, 20, 120));
    }

    @ParameterizedTest
    @MethodSource("nonsense")
    void nonsenseIsRefused(Executable make) {
        assertThrows(IllegalArgumentException.class, make);
    }

    /// The schools by common practice; 0.2 C by IEC 61960-3 (from memory).
    @ParameterizedTest
    @CsvSource({"0, 2200, 1.0, 3.0, 2.5", "1, 2200, 0.5, 2.8, 2.3", "2, 2200, 0.44, 2.5, 2.0"})
    void theSchoolsOfTesting(
            int index, double rated, double amps, double endVolts, double lfpEndVolts) {
        TestSchool policy = TestSchool.SHIPPED.get(index);
        assertEquals(amps, policy.dischargeAmps(OptionalDouble.of(rated)), 1e-9);
        assertEquals(endVolts, policy.endVolts(Chemistry.NMC));
        assertEquals(lfpEndVolts, policy.endVolts(Chemistry.LFP));
    }
}
