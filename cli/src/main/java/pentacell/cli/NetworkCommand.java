package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import pentacell.core.build.PackCurrents;
import pentacell.core.build.PackToBuild;
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
            "A file may be up to 32 MiB.",
            "",
            "Example:",
            "  ./pentacell network --layout layout.json --load=20A --summary N.json",
            "  ./pentacell network --pack bench.pentacell \"Long night 24 V\" --load=10A"
        })
final class NetworkCommand implements Callable<Integer> {
    private static final Pattern LOAD =
            Pattern.compile("([+\\-−]?[\\d.,]+)\\s*A?", Pattern.CASE_INSENSITIVE);
    private static final double MOST_AMPS = 1e6;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--layout",
            paramLabel = "LAYOUT.json",
            description = "cells and conductors between nodes")
    private @Nullable Path layout;

    @Option(
            names = "--pack",
            arity = "2",
            paramLabel = "FILE NAME",
            description = "a workshop and a pack of it that was laid out, instead of --layout")
    private List<String> pack = List.of();

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

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        if (!(celsius >= -100 && celsius <= 300))
            throw Usage.wrong(spec, "--celsius must be −100 to 300, was " + celsius);
        double amps = amps();
        PrintWriter errors = spec.commandLine().getErr();
        if ((layout == null) == pack.isEmpty())
            throw Usage.wrong(spec, "give --layout LAYOUT.json, or --pack FILE NAME");
        Optional<LayoutJson.Layout> read =
                layout == null ? ofPack(amps, errors) : ofFile(layout, errors);
        if (read.isEmpty()) return Exit.UNREADABLE_INPUT;
        LayoutJson.Layout circuit = read.get();
        try {
            Network.Flow flow =
                    Network.solve(
                            circuit.cells(),
                            circuit.wires(),
                            circuit.positive(),
                            circuit.negative(),
                            amps);
            result.give(LayoutJson.json(circuit, flow));
            return Exit.DONE;
        } catch (IllegalArgumentException wrong) {
            errors.println(
                    (layout == null ? pack.get(1) : layout.getFileName())
                            + ": "
                            + wrong.getMessage());
            return Exit.UNREADABLE_INPUT;
        }
    }

    private Optional<LayoutJson.Layout> ofFile(Path file, PrintWriter errors) {
        LayoutJson.Read read = LayoutJson.read(file, celsius);
        read.problems().forEach(problem -> errors.println(problem.text()));
        return read.layout();
    }

    /// A pack of a workshop, in the layout that was taken for it.
    private Optional<LayoutJson.Layout> ofPack(double amps, PrintWriter errors) {
        Path file = Path.of(pack.get(0));
        String name = pack.get(1);
        Optional<PackToBuild> built =
                WorkshopPack.state(file, errors)
                        .flatMap(state ->
                                WorkshopPack.built(
                                        state,
                                        file,
                                        name,
                                        PackToBuild.Asked.NOTHING.at(OptionalDouble.of(amps)),
                                        errors));
        Optional<PackCurrents.Circuit> circuit = built.flatMap(known -> known.circuit(celsius));
        if (built.isPresent() && circuit.isEmpty())
            errors.println("%s: take a layout for it first, at Build".formatted(name));
        return circuit.map(known ->
                new LayoutJson.Layout(
                        known.cells(), known.wires(), known.positive(), known.negative()));
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
