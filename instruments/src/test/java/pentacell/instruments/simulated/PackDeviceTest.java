package pentacell.instruments.simulated;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.instruments.protocol.Ask;
import pentacell.instruments.protocol.Tell;

/// Stand-ins on a whole pack, without a line.
final class PackDeviceTest {
    private static final double OHMS = 0.02;

    private final VirtualPack pack =
            new VirtualPack(
                    List.of(new VirtualPack.Group(10, OHMS), new VirtualPack.Group(5, OHMS)),
                    Chemistry.NMC,
                    1);
    private final PackDevice board = new PackDevice(PackDevice.Kind.BOARD, "board", 1, pack);
    private final PackDevice load = new PackDevice(PackDevice.Kind.LOAD, "load", 1, pack);

    private Tell.Groups read() {
        return assertInstanceOf(Tell.Groups.class, board.answer(new Ask.Groups(1)).get(0));
    }

    @Test
    void groupsFallAsTheirCurvesSay() {
        load.answer(new Ask.Load(1, 4));
        board.pass(1800);
        RestCurve curve = RestCurve.of(Chemistry.NMC);
        // 2 Ah of 10 and of 5, and Ohm under 4 A; the board reads to a few tenths of a mV
        assertEquals(curve.volts(0.8) - 4 * OHMS, read().volts().get(0), 0.003);
        assertEquals(curve.volts(0.6) - 4 * OHMS, read().volts().get(1), 0.003);
        assertEquals(1800, read().seconds());
        assertEquals(4, read().amps());
    }

    @Test
    void anEmptyGroupCollapses() {
        load.answer(new Ask.Load(1, 5));
        board.pass(3600);
        double empty = read().volts().get(1);
        board.pass(60);
        assertTrue(read().volts().get(1) < empty - 0.3, "fell from " + empty);
    }

    @Test
    void aLoadThatHearsNothingLetsGo() {
        load.answer(new Ask.Load(1, 4));
        load.pass(PackDevice.SILENCE_SECONDS - 1);
        assertEquals(4, read().amps());
        load.answer(new Ask.Load(2, 4));
        load.pass(PackDevice.SILENCE_SECONDS - 1);
        assertEquals(4, read().amps(), "it was heard of again");
        load.pass(2);
        assertEquals(0, read().amps());
    }

    @ParameterizedTest(name = "{0} A")
    @CsvSource({"-1", "10001", "NaN"})
    void whatNoLoadDrawsIsRefused(double amps) {
        assertInstanceOf(Tell.Refused.class, load.answer(new Ask.Load(1, amps)).get(0));
        assertEquals(0, read().amps());
    }

    @Test
    void eachIsAskedForItsOwnThingsOnly() {
        assertInstanceOf(Tell.Refused.class, load.answer(new Ask.Groups(1)).get(0));
        assertInstanceOf(Tell.Refused.class, board.answer(new Ask.Load(1, 4)).get(0));
        assertInstanceOf(Tell.Refused.class, board.answer(new Ask.Stop(1, 1)).get(0));
        assertThrows(
                IllegalArgumentException.class,
                () -> new PackDevice(PackDevice.Kind.BOTH, "both", 0, pack));
        assertThrows(IllegalArgumentException.class, () -> new VirtualPack.Group(0, 0.1));
    }
}
