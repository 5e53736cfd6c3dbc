package pentacell.cli;

import java.io.IOException;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import pentacell.core.conductor.Conductor;
import pentacell.core.conductor.Material;
import pentacell.core.conductor.Section;
import pentacell.workshop.exchange.ConductorFiles;
import picocli.CommandLine;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// What a wire or strip loses, may carry, and melts at.
@Command(
        name = "conductor",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description = "What a wire, strip or bar loses, what it may carry, and what melts it.",
        footer = {
            "",
            "The area is that of all layers. What a wire may carry is for insulated wire in the open at 30 °C; local codes come first.",
            "",
            "Examples:",
            "  ./pentacell conductor --awg 12 --length-m 0.6 --material copper --amps 20",
            "  ./pentacell conductor --strip-mm 8x0.15 --layers 2 --length-m 0.02 --material nickel --amps 10"
        })
final class ConductorCommand implements Callable<Integer> {
    private static final Pattern STRIP =
            Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*[xX×]\\s*(\\d+(?:[.,]\\d+)?)");
    private static final Pattern GAUGE = Pattern.compile("(?:([2-4])/0|(-?\\d{1,2}|0{2,4}))");

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @ArgGroup(exclusive = true, multiplicity = "1")
    private Shape shape = new Shape();

    /// One of these.
    static final class Shape {
        @Option(
                names = "--awg",
                paramLabel = "N",
                description = "American gauge of a round wire; 2/0 to 4/0 as well")
        private @Nullable String awg;

        @Option(names = "--area-mm2", paramLabel = "A", description = "area, as of a stranded wire")
        private @Nullable Double area;

        @Option(names = "--round-mm", paramLabel = "D", description = "diameter of a round wire")
        private @Nullable Double round;

        @Option(
                names = "--strip-mm",
                paramLabel = "WxT",
                description = "width and thickness of a strip, such as 8x0.15")
        private @Nullable String strip;
    }

    @Option(names = "--length-m", required = true, paramLabel = "L", description = "length in m")
    private double length;

    @Option(
            names = "--material",
            required = true,
            paramLabel = "M",
            description = "copper, nickel, plated-steel or aluminium")
    private String material = "";

    @Option(
            names = "--layers",
            defaultValue = "1",
            paramLabel = "N",
            description = "how many lie on each other (default 1)")
    private int layers = 1;

    @Option(names = "--amps", paramLabel = "A", description = "current through it")
    private @Nullable Double amps;

    @Option(
            names = "--celsius",
            defaultValue = "20",
            paramLabel = "T",
            description = "its temperature (default 20)")
    private double celsius = 20;

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        Material metal =
                Material.parse(material)
                        .orElseThrow(() ->
                                Usage.wrong(
                                        spec,
                                        "--material is copper, nickel, plated-steel or aluminium, was "
                                                + material));
        if (amps != null && !(Math.abs(amps) <= 1e6))
            throw Usage.wrong(spec, "--amps must be a current of at most 1000000 A, was " + amps);
        try {
            Conductor conductor = new Conductor(metal, section(), length, layers);
            OptionalDouble current =
                    amps == null ? OptionalDouble.empty() : OptionalDouble.of(amps);
            result.give(ConductorFiles.json(conductor, celsius, current));
        } catch (IllegalArgumentException wrong) {
            throw Usage.wrong(spec, String.valueOf(wrong.getMessage()));
        }
        return Exit.DONE;
    }

    private Section section() {
        if (shape.area != null) return new Section.Area(shape.area);
        if (shape.round != null) return new Section.Round(shape.round);
        if (shape.awg != null) return Section.Round.ofAwg(gauge(shape.awg));
        Matcher written = STRIP.matcher(String.valueOf(shape.strip).strip());
        if (!written.matches())
            throw Usage.wrong(
                    spec,
                    "--strip-mm is width x thickness in mm such as 8x0.15, was " + shape.strip);
        return new Section.Strip(number(written.group(1)), number(written.group(2)));
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    private int gauge(String text) {
        Matcher written = GAUGE.matcher(text.strip());
        if (!written.matches())
            throw Usage.wrong(spec, "--awg is a gauge such as 12 or 2/0, was " + text);
        if (written.group(1) != null) return 1 - Integer.parseInt(written.group(1));
        String digits = written.group(2);
        return digits.matches("0{2,4}") ? 1 - digits.length() : Integer.parseInt(digits);
    }
}
