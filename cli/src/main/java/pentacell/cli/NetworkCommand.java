package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import pentacell.core.circuit.Network;
import pentacell.core.unit.NumberText;
import pentacell.workshop.exchange.LayoutJson;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Currents and drops in the cells and conductors of a pack.
@Command(
        name = "network",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description =
                "Currents and drops of a pack at one moment: each can's share, each conductor's amps.",
        footer = {
            "",
            "LAYOUT.json: cells [{id, positive, negative (nodes), volts (at rest), milliohms}]; conductors [{id, from, to (nodes),",
            "and milliohms, or material (copper, nickel, plated-steel, aluminium), lengthMillimetres and widthMillimetres,",
            "thicknessMillimetres, or areaSquareMillimetres, or awg; layers}]; terminals {positive, negative}.",
            "",
            "Example:",
            "  ./pentacell network --layout layout.json --load=20A --summary N.json"
        })
final class NetworkCommand implements Callable<Integer> {
    private static final Pattern LOAD =
            Pattern.compile("([+\\-−]?[\\d.,]+)\\s*A?", Pattern.CASE_INSENSITIVE);
    private static final double MOST_AMPS = 1e6;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--layout",
            required = true,
            paramLabel = "LAYOUT.json",
            description = "cells and conductors between nodes")
    private Path layout = Path.of("");

    @Option(
            names = "--load",
            required = true,
            paramLabel = "20A|-15A",
            description = "taken out at the terminals; below 0 for a charge")
    private String load = "";

    @Option(
            names = "--celsius",
            defaultValue = "20",
            paramLabel = "T",
            description = "temperature of the conductors (default 20)")
    private double celsius = 20;

    @Option(names = "--summary", paramLabel = "N.json", description = "where to write the outcome")
    private @Nullable Path summary;

    @Override
    public Integer call() throws IOException {
        if (!(celsius >= -100 && celsius <= 300))
            throw Usage.wrong(spec, "--celsius must be −100 to 300, was " + celsius);
        double amps = amps();
        PrintWriter errors = spec.commandLine().getErr();
        LayoutJson.Read read = LayoutJson.read(layout, celsius);
        read.problems().forEach(problem -> errors.println(problem.text()));
        if (read.layout().isEmpty()) return Exit.UNREADABLE_INPUT;
        LayoutJson.Layout pack = read.layout().get();
        try {
            Network.Flow flow =
                    Network.solve(
                            pack.cells(), pack.wires(), pack.positive(), pack.negative(), amps);
            Result.give(spec, summary, LayoutJson.json(pack, flow));
            return Exit.DONE;
        } catch (IllegalArgumentException wrong) {
            errors.println(layout.getFileName() + ": " + wrong.getMessage());
            return Exit.UNREADABLE_INPUT;
        }
    }

    private double amps() {
        Matcher written = LOAD.matcher(load.strip());
        if (written.matches()) {
            double amps = NumberText.parse(written.group(1)).orElse(Double.NaN);
            if (Math.abs(amps) <= MOST_AMPS) return amps;
        }
        throw Usage.wrong(spec, "--load is a current such as 20A or -15A, was " + load);
    }
}
