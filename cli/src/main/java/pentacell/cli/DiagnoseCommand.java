package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import pentacell.core.donor.WarningSign;
import pentacell.core.harvest.Diagnose;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.PackReadings;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.Schools;
import pentacell.workshop.exchange.HarvestFiles;
import pentacell.workshop.exchange.ReadingsCsv;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Judges a pack by the voltages of its groups.
@Command(
        name = "diagnose",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description = "Says what the voltages of a pack's groups show, and what to do with it.",
        footer = {
            "",
            "R.csv has the columns group and voltage_v; groups count from 1 at the pack's negative.",
            "The diagnosis goes to standard output as JSON as well.",
            "",
            "Example:",
            "  ./pentacell diagnose --readings R.csv --chemistry nmc --pack-voltage 11.42 --summary D.json"
        })
final class DiagnoseCommand implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--readings",
            required = true,
            paramLabel = "R.csv",
            description = "voltages of the groups")
    private Path readings = Path.of("");

    @CommandLine.Mixin private ChemistryOption chemistryOption = new ChemistryOption();

    @Option(names = "--series", paramLabel = "S", description = "number of groups it should have")
    private @Nullable Integer series;

    @Option(
            names = "--pack-voltage",
            paramLabel = "V",
            description = "voltage across the whole string")
    private @Nullable Double packVoltage;

    @Option(
            names = "--output-voltage",
            paramLabel = "V",
            description = "voltage at the output, behind the board")
    private @Nullable Double outputVoltage;

    @Option(
            names = "--charger-refuses",
            description = "its charger says done at once, or does not begin")
    private boolean chargerRefuses;

    @Option(names = "--no-balance-leads", description = "its board has no balance leads")
    private boolean noBalanceLeads;

    @Option(
            names = "--way",
            defaultValue = "repair",
            paramLabel = "repair|harvest",
            description = "what the school does first (default repair)")
    private String way = "repair";

    @CommandLine.Mixin private Result result = new Result();

    @Override
    public Integer call() throws IOException {
        Schools schools = schools();
        ReadingsCsv table = ReadingsCsv.read(readings);
        PrintWriter errors = spec.commandLine().getErr();
        table.problems().forEach(problem -> errors.println(problem.text()));
        if (!table.problems().isEmpty()) return Exit.UNREADABLE_INPUT;
        Diagnosis diagnosis =
                Diagnose.table(
                        table.readings(),
                        volts ->
                                new PackReadings(
                                        chemistryOption.get(),
                                        true,
                                        volts,
                                        series == null
                                                ? OptionalInt.empty()
                                                : OptionalInt.of(series),
                                        volts("--pack-voltage", packVoltage),
                                        volts("--output-voltage", outputVoltage),
                                        signs()),
                        schools);
        String json = HarvestFiles.json(diagnosis);
        result.give(json);
        return Exit.DONE;
    }

    private Schools schools() {
        return switch (way.toLowerCase(Locale.ROOT)) {
            case "repair" -> Schools.USUAL;
            case "harvest" -> Schools.USUAL.with(RepairSchool.HARVEST_ALWAYS);
            default -> throw Usage.wrong(spec, "--way must be repair or harvest, was " + way);
        };
    }

    private OptionalDouble volts(String option, @Nullable Double value) {
        if (value == null) return OptionalDouble.empty();
        if (!(Math.abs(value) <= 1000))
            throw Usage.wrong(spec, option + " must be −1000 to 1000 V, was " + value);
        return OptionalDouble.of(value);
    }

    private Set<WarningSign> signs() {
        Set<WarningSign> signs = EnumSet.noneOf(WarningSign.class);
        if (chargerRefuses) signs.add(WarningSign.CHARGER_REFUSES);
        if (noBalanceLeads) signs.add(WarningSign.NO_BALANCE_LEADS);
        return signs;
    }
}
