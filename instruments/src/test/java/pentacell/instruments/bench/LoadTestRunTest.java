package pentacell.instruments.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.RestCurve;
import pentacell.instruments.bench.LoadTestRun.Moment;
import pentacell.instruments.simulated.PackDevice;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.VirtualPack;

/// A whole pack loaded over the line, against what it is in truth.
final class LoadTestRunTest {
    private static final double OHMS = 0.01;
    private static final double SPEED = 3000;

    private static VirtualPack pack(double... ampHours) {
        List<VirtualPack.Group> groups = new ArrayList<>();
        for (double each : ampHours) groups.add(new VirtualPack.Group(each, OHMS));
        return new VirtualPack(groups, Chemistry.NMC, 5);
    }

    private static SimulatedInstrument start(PackDevice.Kind kind, VirtualPack pack)
            throws Exception {
        return SimulatedInstrument.start(kind, kind.words(), SPEED, pack, 0);
    }

    private static String address(SimulatedInstrument instrument) {
        return "127.0.0.1:" + instrument.port();
    }

    /// Hears a run out.
    private static final class Heard implements LoadTestRun.Listener {
        private final List<Moment> moments = new ArrayList<>();
        private volatile boolean isAllSimulated = true;
        private final CompletableFuture<Boolean> drawn = new CompletableFuture<>();
        private final CompletableFuture<String> end = new CompletableFuture<>();

        @Override
        public synchronized void read(List<Moment> more, boolean isSimulated) {
            isAllSimulated &= isSimulated;
            moments.addAll(more);
            if (more.stream().anyMatch(each -> each.amps() > 0)) drawn.complete(true);
        }

        @Override
        public void ended(String how) {
            end.complete(how);
        }

        String end() throws Exception {
            return end.get(60, TimeUnit.SECONDS);
        }
    }

    @Test
    void theWeakerGroupEndsItWhereItsCurveSays() throws Exception {
        VirtualPack pack = pack(2.0, 1.8);
        try (SimulatedInstrument board = start(PackDevice.Kind.BOARD, pack);
                SimulatedInstrument load = start(PackDevice.Kind.LOAD, pack)) {
            Heard heard = new Heard();
            LoadTestRun.begin(
                    new LoadTestRun.Wanted(address(board), address(load), 2, 3.2, 2), heard);
            assertTrue(heard.end().startsWith("A group reached its end"), heard.end());
            assertTrue(heard.isAllSimulated, "board and load say that they are stand-ins");
            double given = 0;
            for (int i = 1; i < heard.moments.size(); i++) {
                Moment one = heard.moments.get(i - 1);
                Moment next = heard.moments.get(i);
                assertTrue(next.seconds() > one.seconds());
                given += (one.amps() + next.amps()) / 2 * (next.seconds() - one.seconds()) / 3600;
            }
            // at 2 A the group of 1.8 Ah is at 3.2 V where it rests at 3.22 V
            double expected = 1.8 * (1 - RestCurve.of(Chemistry.NMC).share(3.2 + 2 * OHMS));
            assertEquals(expected, given, 0.06 * expected);
            Moment last = heard.moments.get(heard.moments.size() - 1);
            assertEquals(0, last.amps(), "the load is off");
            assertEquals(0, heard.moments.get(0).amps(), "it rested first");
            assertTrue(last.volts().get(0) > last.volts().get(1));
        }
    }

    @Test
    void stoppedItLetsTheLoadGo() throws Exception {
        VirtualPack pack = pack(200, 200);
        try (SimulatedInstrument both = start(PackDevice.Kind.BOTH, pack)) {
            Heard heard = new Heard();
            LoadTestRun run =
                    LoadTestRun.begin(
                            new LoadTestRun.Wanted(address(both), address(both), 5, 3, 2), heard);
            assertTrue(heard.drawn.get(60, TimeUnit.SECONDS), "the load draws");
            run.stop();
            assertTrue(heard.end().startsWith("The test was stopped"), heard.end());
            assertEquals(0, PackProbe.groups(address(both)).amps());
        }
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "3, reads 2 groups",
        "2, draws nothing",
    })
    void whatDoesNotFitIsSaid(int series, String words) throws Exception {
        VirtualPack pack = pack(2, 2);
        try (SimulatedInstrument board = start(PackDevice.Kind.BOARD, pack)) {
            Heard heard = new Heard();
            // a board is no load
            LoadTestRun.begin(
                    new LoadTestRun.Wanted(address(board), address(board), 2, 3, series), heard);
            assertTrue(heard.end().contains(words), heard.end());
        }
    }

    @ParameterizedTest
    @CsvSource({"nowhere, is no address", "127.0.0.1:1, broke off"})
    void whereNobodyAnswersIsSaid(String address, String words) throws Exception {
        Heard heard = new Heard();
        LoadTestRun.begin(new LoadTestRun.Wanted(address, address, 2, 3, 2), heard);
        assertTrue(heard.end().contains(words), heard.end());
    }
}
