package pentacell.core.prove;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;
import pentacell.core.prove.PackVerdict.Level;
import pentacell.core.prove.ProveCheck.Fault;
import pentacell.core.prove.ProveCheck.Missing;
import pentacell.core.prove.facts.BarReading;

/// What was looked at before a pack goes into use, in words.
final class ProveWordsTest {
    static Stream<Arguments> checks() {
        return Stream.of(
                Arguments.of(
                        new ProveCheck.Untested(Missing.BROKEN_OFF),
                        Level.NOT_YET,
                        "Load test",
                        "none came down to its end voltage yet"),
                Arguments.of(
                        new ProveCheck.Untested(Missing.NO_TEST),
                        Level.NOT_YET,
                        "Load test",
                        "none yet: discharge the pack at a usual load until the first group is empty"),
                Arguments.of(
                        new ProveCheck.Untested(Missing.STAND_INS),
                        Level.NOT_YET,
                        "Load test",
                        "only tests with stand-ins, which prove nothing: discharge the pack at a usual load until the first group is empty"),
                Arguments.of(
                        new ProveCheck.Untested(Missing.UNKNOWN_ORIGIN),
                        Level.NOT_YET,
                        "Load test",
                        "only tests of an older version, which did not note whether the board was real: discharge the pack at a usual load until the first group is empty"),
                Arguments.of(
                        new ProveCheck.Capacity(19, 20),
                        Level.FIT,
                        "Capacity",
                        "gave 19.00 Ah of 20.00 Ah expected, 95.0 %"),
                Arguments.of(
                        new ProveCheck.Capacity(18.9, 20),
                        Level.LIMITS,
                        "Capacity",
                        "gave 18.90 Ah of 20.00 Ah expected, 94.5 %"),
                Arguments.of(
                        new ProveCheck.Capacity(17.9, 20),
                        Level.NOT_YET,
                        "Capacity",
                        "gave 17.90 Ah of 20.00 Ah expected, 89.5 %"),
                Arguments.of(
                        new ProveCheck.Capacity(Double.NaN, 20),
                        Level.NOT_YET,
                        "Capacity",
                        "gave – of 20.00 Ah expected, –"),
                Arguments.of(
                        new ProveCheck.Hours(4.2, 21, 4),
                        Level.FIT,
                        "Hours",
                        "4.2 h at the steady load, down to the device's 21.0 V; 4.0 h are needed"),
                Arguments.of(
                        new ProveCheck.Hours(3.9, 21, 4),
                        Level.LIMITS,
                        "Hours",
                        "3.9 h at the steady load, down to the device's 21.0 V; 4.0 h are needed"),
                Arguments.of(
                        new ProveCheck.FaultyGroups(Fault.HIGH_RESISTANCE, List.of(2, 5)),
                        Level.NOT_YET,
                        "Resistance",
                        "higher resistance in groups 2 and 5: look at the joints there first"),
                Arguments.of(
                        new ProveCheck.FaultyGroups(Fault.STARTED_LOW, List.of(3)),
                        Level.LIMITS,
                        "Balance",
                        "group 3 started low: balance, then test again"),
                Arguments.of(
                        new ProveCheck.FaultyGroups(Fault.MAY_HAVE_STARTED_LOW, List.of(1)),
                        Level.LIMITS,
                        "Charge",
                        "group 1 may only have started low: charge it alone and test again before you swap cells"),
                Arguments.of(
                        new ProveCheck.FaultyGroups(Fault.MAY_HAVE_STARTED_LOW, List.of(1, 3)),
                        Level.LIMITS,
                        "Charge",
                        "groups 1 and 3 may only have started low: charge each alone and test again before you swap cells"),
                Arguments.of(
                        new ProveCheck.WeakestGroup(4, 1.25),
                        Level.LIMITS,
                        "Weakest group",
                        "group 4 costs 1.25 Ah; see Load test for what to swap"),
                Arguments.of(
                        new ProveCheck.RestSpread(30),
                        Level.FIT,
                        "At rest, empty",
                        "groups 30 mV apart; up to 30 mV is good"),
                Arguments.of(
                        new ProveCheck.RestSpread(31),
                        Level.LIMITS,
                        "At rest, empty",
                        "groups 31 mV apart; up to 30 mV is good"),
                Arguments.of(
                        new ProveCheck.Heat(warm(33)),
                        Level.FIT,
                        "Heat",
                        "no place is warmer than its load explains"),
                Arguments.of(
                        new ProveCheck.Heat(warm(34)),
                        Level.NOT_YET,
                        "Heat",
                        "TH-17 is 3.5 K over what its load explains: a joint, or the cell itself"),
                Arguments.of(
                        new ProveCheck.Busbars(List.of()),
                        Level.FIT,
                        "Busbars",
                        "no busbar drops more than its conductors explain"),
                Arguments.of(
                        new ProveCheck.Busbars(
                                List.of(new BarLook.Bar(2, new BarReading(12, 10), 4))),
                        Level.NOT_YET,
                        "Busbars",
                        "the busbar at joint 2 drops 12.0 mV, expected 4.0 mV"),
                Arguments.of(
                        new ProveCheck.FullSpread(0.02),
                        Level.FIT,
                        "Full, not balanced",
                        "groups 20 mV apart; up to 20 mV is good"),
                Arguments.of(
                        new ProveCheck.FullSpread(0.04),
                        Level.LIMITS,
                        "Full, not balanced",
                        "groups 40 mV apart; up to 20 mV is good"),
                Arguments.of(
                        new ProveCheck.FullSpread(0.06),
                        Level.NOT_YET,
                        "Full, not balanced",
                        "groups 60 mV apart; up to 20 mV is good"),
                Arguments.of(
                        new ProveCheck.SupplyTripped(),
                        Level.LIMITS,
                        "Supply",
                        "it tripped: charge at fewer amps, or use a larger supply"),
                Arguments.of(
                        new ProveCheck.Charger(12.64, 12.6, 0.045),
                        Level.FIT,
                        "Charger",
                        "ends at 12.64 V; the pack's limit is 12.60 V"),
                Arguments.of(
                        new ProveCheck.Charger(12.65, 12.6, 0.045),
                        Level.NOT_YET,
                        "Charger",
                        "ends at 12.65 V; the pack's limit is 12.60 V, and 45 mV more is tolerated: do not use this charger"));
    }

    private static HeatLook.Warm warm(double celsius) {
        return new HeatLook.Warm(new Spot(4, 2), new CellId("TH-17"), 1, 0.2, celsius, 30.5);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("checks")
    void eachIsSaid(ProveCheck check, Level level, String subject, String sentence) {
        assertEquals(level, check.level());
        assertEquals(subject, ProveWords.subject(check));
        assertEquals(sentence, ProveWords.sentence(check));
    }
}
