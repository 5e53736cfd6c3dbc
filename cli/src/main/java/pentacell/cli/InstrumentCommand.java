package pentacell.cli;

import java.io.IOException;
import java.util.Optional;
import java.util.concurrent.Callable;
import pentacell.core.Chapters;
import pentacell.instruments.simulated.SimulatedInstrument;
import pentacell.instruments.simulated.StandIn;
import pentacell.instruments.simulated.StandInCells;
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
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--kind",
            defaultValue = "four-slot",
            paramLabel = "KIND",
            description = "four-slot (default), eight-slot, bench-load or ac-meter")
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
        if (standIn.isEmpty())
            throw Usage.wrong(
                    spec,
                    "--kind must be four-slot, eight-slot, bench-load or ac-meter, was " + kind);
        if (port < 0 || port > 65_535)
            throw Usage.wrong(spec, "--port must be 0 to 65535, was " + port);
        if (!(speed >= 0.01 && speed <= 10_000))
            throw Usage.wrong(spec, "--speed must be 0.01 to 10000, was " + speed);
        try (SimulatedInstrument instrument =
                SimulatedInstrument.start(
                        standIn.get(),
                        standIn.get().words(),
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
}
