package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import pentacell.core.circuit.Discharged;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;
import pentacell.core.circuit.VoltageCurve;
import pentacell.workshop.exchange.CellTable.Problem;
import pentacell.workshop.exchange.CurveCsv;
import pentacell.workshop.exchange.SafeCsv;
import pentacell.workshop.exchange.SimulationFiles;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Discharges a pack that is not built yet.
@Command(
        name = "simulate",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description =
                "Discharges a pack from full, cell by cell, and says what it gives and which group ends it.",
        footer = {
            "",
            "GROUPS.csv is what match --out writes: cell_id,group. LOT.csv has cell_id, capacity_mah and ir_mohm; with",
            "test_amps and test_end_volts the whole charge is found from how the capacity was measured.",
            "",
            "Example:",
            "  ./pentacell simulate --groups groups.csv --cells demo/lot.csv --load 10A --summary M.json"
        })
final class SimulateCommand implements Callable<Integer> {
    private static final Pattern LOAD = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*([aAwW])");

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--groups",
            required = true,
            paramLabel = "GROUPS.csv",
            description = "which cell is in which group")
    private Path groupsFile = Path.of("");

    @Option(
            names = "--cells",
            required = true,
            paramLabel = "LOT.csv",
            description = "table of cells")
    private Path cells = Path.of("");

    @Option(
            names = "--load",
            required = true,
            paramLabel = "10A|200W",
            description = "constant current or constant power at the pack's terminals")
    private String load = "";

    @Option(
            names = "--end-voltage",
            paramLabel = "V",
            description = "of a group under load (default: 2.5 V, LFP 2.0 V)")
    private @Nullable Double endVolts;

    @Option(
            names = "--ocv",
            paramLabel = "CURVE.csv",
            description = "rest curve: soc,volts (default: the program's own)")
    private @Nullable Path ocv;

    @CommandLine.Mixin private ChemistryOption chemistryOption = new ChemistryOption();

    @Option(
            names = "--step",
            paramLabel = "S",
            defaultValue = "1",
            description = "width of a step in s (default 1)")
    private double step = 1;

    @Option(
            names = "--out",
            paramLabel = "CURVE.csv",
            description = "where to write time_s,pack_v,current_a,group_1_v …")
    private @Nullable Path out;

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        Load drawn = load();
        double end = endVolts == null ? chemistryOption.get().endVolts() : endVolts;
        if (!(end > 0 && end < 5))
            throw Usage.wrong(spec, "--end-voltage must be above 0 and under 5 V, was " + end);
        if (!(step >= 0.001 && step <= 3600))
            throw Usage.wrong(spec, "--step must be 0.001 to 3600 s, was " + step);
        List<Problem> problems = new ArrayList<>();
        VoltageCurve curve = RestCurve.of(chemistryOption.get()).curve();
        if (ocv != null) {
            CurveCsv read = CurveCsv.read(ocv);
            problems.addAll(read.problems());
            curve = read.curve().orElse(curve);
        }
        GroupedLot lot = GroupedLot.read(groupsFile, cells, curve);
        problems.addAll(lot.problems());
        PrintWriter errors = spec.commandLine().getErr();
        lot.notes().forEach(errors::println);
        problems.forEach(problem -> errors.println(problem.text()));
        if (!problems.isEmpty()) return Exit.UNREADABLE_INPUT;
        List<List<String>> lines = new ArrayList<>();
        Discharged outcome;
        try {
            outcome =
                    PackSimulation.discharge(
                            lot.circuit(),
                            curve,
                            drawn,
                            end,
                            step,
                            (seconds, volts, amps, groupVolts) -> {
                                if (out != null) lines.add(line(seconds, volts, amps, groupVolts));
                            });
        } catch (IllegalArgumentException endless) {
            throw Usage.wrong(spec, endless.getMessage() + "; take a larger load or --step");
        }
        if (out != null) Result.write(spec, out, SafeCsv.text(header(lot.groups().size()), lines));
        result.give(SimulationFiles.json(outcome, lot.cans()));
        return Exit.DONE;
    }

    private Load load() {
        Matcher written = LOAD.matcher(load.strip());
        if (!written.matches())
            throw Usage.wrong(
                    spec, "--load must be a current or a power such as 10A or 200W, was " + load);
        double number = Double.parseDouble(written.group(1));
        try {
            return written.group(2).equalsIgnoreCase("a")
                    ? new Load.Amps(number)
                    : new Load.Watts(number);
        } catch (IllegalArgumentException wrong) {
            throw Usage.wrong(spec, "--load: " + wrong.getMessage());
        }
    }

    private static List<String> header(int groups) {
        List<String> header = new ArrayList<>(List.of("time_s", "pack_v", "current_a"));
        for (int g = 1; g <= groups; g++) header.add("group_" + g + "_v");
        return header;
    }

    private static List<String> line(
            double seconds, double volts, double amps, double[] groupVolts) {
        List<String> line = new ArrayList<>();
        line.add(number(seconds));
        line.add(number(volts));
        line.add(number(amps));
        for (double each : groupVolts) line.add(number(each));
        return line;
    }

    private static String number(double value) {
        return String.valueOf(Math.round(value * 1e5) / 1e5);
    }
}
