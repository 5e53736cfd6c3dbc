package pentacell.instruments.bench;

import java.nio.file.Path;
import pentacell.core.cell.CellId;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.workshop.logbook.Logbook;

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
                            id -> BenchBook.truth(),
                            1,
                            Integer.parseInt(arguments[1]));
            System.out.println("port " + instrument.port());
        } else bench(Path.of(arguments[1]), arguments[2], new CellId(arguments[3]));
        Thread.currentThread().join();
    }

    private static void bench(Path file, String port, CellId id) throws Exception {
        Logbook book = BenchBook.open(file);
        TestBench bench =
                new TestBench(
                        Keeper.of(book),
                        finished -> System.out.println("finished"),
                        trouble -> System.out.println("trouble " + trouble));
        bench.connect(BenchBook.charger(Integer.parseInt(port)));
        while (!bench.link("Charger A").connected()) Thread.onSpinWait();
        bench.start(id, BenchBook.bay(2), BenchBook.programme(book.state()));
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
