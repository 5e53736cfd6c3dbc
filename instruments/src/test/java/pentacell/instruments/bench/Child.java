package pentacell.instruments.bench;

import java.nio.file.Path;
import java.time.Clock;
import pentacell.core.bay.Instrument;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Chemistry;
import pentacell.core.fact.WorkshopState;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.measure.TestProgramme;
import pentacell.instruments.simulated.CellTruth;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.VirtualCell;
import pentacell.workshop.logbook.Logbook;
import pentacell.workshop.logbook.Opening;

/// A process of its own, to be killed: a stand-in, or a test bench that runs a test on one.
final class Child {
    private Child() {}

    /// `instrument PORT SPEED`, or `bench FILE PORT CELL`.
    public static void main(String[] arguments) throws Exception {
        if (arguments[0].equals("instrument")) {
            SimulatedInstrument instrument =
                    SimulatedInstrument.start(
                            StandIn.FOUR_SLOT,
                            "Charger A",
                            Double.parseDouble(arguments[2]),
                            id -> new VirtualCell(CellTruth.sound(Chemistry.NMC, 2000, 0.06, 0.5)),
                            1,
                            Integer.parseInt(arguments[1]));
            System.out.println("port " + instrument.port());
        } else bench(Path.of(arguments[1]), arguments[2], new CellId(arguments[3]));
        Thread.currentThread().join();
    }

    private static void bench(Path file, String port, CellId id) throws Exception {
        Logbook book = ((Opening.Opened) Logbook.open(file, Clock.systemUTC())).logbook();
        TestBench bench =
                new TestBench(
                        Keeper.of(book),
                        finished -> System.out.println("finished"),
                        trouble -> System.out.println("trouble " + trouble));
        bench.connect(
                new Instrument(
                        "Charger A", "127.0.0.1:" + port, StandIn.FOUR_SLOT.bays("Charger A")));
        while (!bench.link("Charger A").connected()) Thread.onSpinWait();
        WorkshopState state = book.state();
        WaitingForTest waiting = WaitingForTest.of(state).get(0);
        bench.start(
                id,
                StandIn.FOUR_SLOT.bays("Charger A").get(1),
                TestProgramme.of(
                        waiting.cell(),
                        state.modelOf(waiting.cell()),
                        waiting.chemistry(),
                        waiting.instruction(),
                        state.schools().test(),
                        StandIn.FOUR_SLOT.bays("Charger A").get(1)));
        int told = 0;
        while (true) {
            int shown = bench.runs().stream().mapToInt(run -> run.log().size()).sum();
            if (shown > told) {
                told = shown;
                System.out.println("shown " + shown);
            }
            Thread.onSpinWait();
        }
    }
}
