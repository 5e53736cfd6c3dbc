package pentacell.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import pentacell.core.Chapters;
import pentacell.core.cell.Chemistry;
import pentacell.instruments.simulated.PackDevice;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.StandInCells;
import pentacell.instruments.simulated.VirtualPack;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Runs a stand-in for an instrument as a program of its own.
@Command(
        name = "instrument",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description = "Runs a stand-in for an instrument that speaks the line protocol.",
        footer = {
            "",
            "It listens on this machine only, says its port, and runs until it is stopped. In Pentacell it is",
            "added at Test, Bench, by its address; docs/instrument-protocol.md says how to write an adapter.",
            "",
            "Example:",
            "  ./pentacell instrument --kind four-slot --port 7801 --speed 600"
        })
final class InstrumentCommand implements Callable<Integer> {
    private static final int PACK_GROUPS = 7;
    private static final int WEAK_GROUP = 4;
    private static final double PACK_AMP_HOURS = 22;
    private static final double PACK_OHMS = 0.006;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--kind",
            defaultValue = "four-slot",
            paramLabel = "KIND",
            description =
                    "four-slot (default), eight-slot, bench-load, ac-meter; on a whole pack of 7S10P: pack-board, pack-load, or pack for both in one")
    private String kind = "four-slot";

    @Option(
            names = "--port",
            defaultValue = "7801",
            paramLabel = "PORT",
            description = "port to listen on (default 7801)")
    private int port = 7801;

    @Option(
            names = "--speed",
            defaultValue = "1",
            paramLabel = "TIMES",
            description = "how many times faster its clock runs, up to 10000 (default 1)")
    private double speed = 1;

    @Override
    public Integer call() throws InterruptedException {
        Optional<StandIn> standIn = StandIn.of(kind);
        Optional<PackDevice.Kind> onPack = PackDevice.Kind.of(kind);
        if (standIn.isEmpty() && onPack.isEmpty())
            throw Usage.wrong(
                    spec,
                    "--kind must be four-slot, eight-slot, bench-load, ac-meter, pack-board, pack-load or pack, was "
                            + kind);
        if (port < 0 || port > 65_535)
            throw Usage.wrong(spec, "--port must be 0 to 65535, was " + port);
        if (!(speed >= 0.01 && speed <= 10_000))
            throw Usage.wrong(spec, "--speed must be 0.01 to 10000, was " + speed);
        try (SimulatedInstrument instrument =
                onPack.isPresent()
                        ? SimulatedInstrument.start(
                                onPack.get(), onPack.get().words(), speed, pack(), port)
                        : SimulatedInstrument.start(
                                standIn.orElseThrow(),
                                standIn.orElseThrow().words(),
                                speed,
                                new StandInCells(Chapters::empty),
                                1,
                                port)) {
            spec.commandLine().getOut().println("port " + instrument.port());
            spec.commandLine().getOut().flush();
            Thread.currentThread().join();
            return Exit.DONE;
        } catch (IOException failure) {
            throw Usage.wrong(
                    spec,
                    "port " + port + " is taken (" + failure.getMessage() + "); choose another");
        }
    }

    /// Seven groups of ten; the fifth holds a little less.
    private static VirtualPack pack() {
        List<VirtualPack.Group> groups = new ArrayList<>();
        for (int g = 0; g < PACK_GROUPS; g++)
            groups.add(
                    new VirtualPack.Group(
                            g == WEAK_GROUP ? 0.95 * PACK_AMP_HOURS : PACK_AMP_HOURS, PACK_OHMS));
        return new VirtualPack(groups, Chemistry.NMC, 1);
    }
}
