package pentacell.core.prove;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.OptionalDouble;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.prove.PackVerdict.Level;
import pentacell.core.prove.facts.ChargeRun;
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
                        .filter(each -> each.what().equals("Charger"))
                        .findFirst()
                        .orElseThrow()
                        .level();
        assertEquals(level, charger);
    }
}
