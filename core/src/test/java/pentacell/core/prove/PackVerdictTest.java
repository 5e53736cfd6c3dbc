package pentacell.core.prove;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import pentacell.core.journal.Origin;
import pentacell.core.prove.PackVerdict.Level;
import pentacell.core.prove.facts.ChargeRun;
import pentacell.core.prove.facts.PackLog;
import pentacell.core.prove.facts.ProofFact;
import pentacell.core.service.GatePack;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;

/// Whether a pack may go into use.
final class PackVerdictTest {
    @ParameterizedTest(name = "3S and a charger that ends at {0} V: {1}")
    @DisplayName("a charger may end 15 mV a cell above the limit (common practice)")
    @CsvSource({"12.6, FIT", "12.5, FIT", "12.64, FIT", "12.65, NOT_YET", "12.73, NOT_YET"})
    void aChargerThatOverchargesStopsIt(double volts, Level level) {
        WorkshopState state =
                GatePack.pack()
                        .log(
                                new ProofFact.ChargeSeen(
                                        GatePack.PACK,
                                        new ChargeRun(
                                                OptionalDouble.of(volts),
                                                OptionalDouble.empty(),
                                                ChargeRun.Supply.HELD)))
                        .state();
        PackVerdict verdict =
                PackVerdict.of(
                        ProvedPack.of(state, JudgedStock.of(state), GatePack.PACK).orElseThrow());
        Level charger =
                verdict.checks().stream()
                        .filter(ProveCheck.Charger.class::isInstance)
                        .findFirst()
                        .orElseThrow()
                        .level();
        assertEquals(level, charger);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @DisplayName("no cells are swapped in a group that may only need a charge")
    @ValueSource(booleans = {true, false})
    void aGroupThatMayOnlyHaveStartedLowIsChargedFirst(boolean orStartedLow) {
        WorkshopState state = GatePack.pack().state();
        ProvedPack pack = ProvedPack.of(state, JudgedStock.of(state), GatePack.PACK).orElseThrow();
        List<LoadTest.Group> groups = new ArrayList<>();
        for (int g = 0; g < GatePack.SERIES; g++)
            groups.add(
                    new LoadTest.Group(
                            3,
                            OptionalDouble.empty(),
                            OptionalDouble.empty(),
                            g == 1 ? 2 : 0,
                            g == 1 ? LoadTest.Cause.LOW_CAPACITY : LoadTest.Cause.OK,
                            g == 1 && orStartedLow));
        LoadTest test =
                new LoadTest(
                        8,
                        80,
                        3600,
                        true,
                        1,
                        8,
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalInt.of(1),
                        groups);
        ProvedPack.Tested tested =
                new ProvedPack.Tested(
                        "steady",
                        Instant.EPOCH,
                        Origin.IMPORTED,
                        true,
                        3,
                        LogThinning.log(
                                new PackLog(
                                        List.of(0.0, 3600.0),
                                        List.of(8.0, 8.0),
                                        Collections.nCopies(GatePack.SERIES, List.of(4.1, 3.0)))),
                        test,
                        new GroupFan(List.of(), List.of(), List.of(), OptionalDouble.empty()),
                        Shortfall.of(test, Optional.empty()));
        ProvedPack proved =
                new ProvedPack(
                        pack.built(),
                        pack.said(),
                        List.of(tested),
                        List.of(),
                        pack.layout(),
                        List.of(),
                        List.of());
        List<ProveCheck> ofGroups =
                PackVerdict.of(proved).checks().stream()
                        .filter(each ->
                                each instanceof ProveCheck.FaultyGroups
                                        || each instanceof ProveCheck.WeakestGroup)
                        .toList();
        assertEquals(
                List.of(
                        orStartedLow
                                ? new ProveCheck.FaultyGroups(
                                        ProveCheck.Fault.MAY_HAVE_STARTED_LOW, List.of(2))
                                : new ProveCheck.WeakestGroup(2, 2)),
                ofGroups);
    }
}
