package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import pentacell.core.cell.Chemistry;
import pentacell.core.intake.Triage;
import pentacell.core.judgement.Judged;
import pentacell.core.school.BandSchool;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.unit.Count;
import pentacell.workshop.exchange.CellCsv;
import pentacell.workshop.exchange.CellRow;
import pentacell.workshop.exchange.CellTable;
import pentacell.workshop.exchange.OutputFile;
import pentacell.workshop.exchange.SafeCsv;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Judges cells by their first voltage.
@Command(
        name = "triage",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description = "Judges the cells of a table by their first voltage.",
        footer = {
            "",
            "CELLS.csv has at least cell_id and voltage_v, and may have chemistry (nmc or lfp).",
            "Verdicts: normal, slow-charge, slow-charge-watched, recycle, reject.",
            "",
            "Example:",
            "  ./pentacell triage --cells CELLS.csv --school strict --out V.csv"
        })
final class TriageCommand implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--cells",
            required = true,
            paramLabel = "CELLS.csv",
            description = "table of cells")
    private Path cells = Path.of("");

    @Option(
            names = "--school",
            defaultValue = "usual",
            paramLabel = "SCHOOL",
            description = "strict, usual (default) or rescue")
    private String school = "usual";

    @Option(
            names = "--skip-bad-lines",
            description = "take the good lines of a table that has bad ones")
    private boolean skipBadLines;

    @Option(
            names = "--out",
            paramLabel = "V.csv",
            description =
                    "also write the verdicts to this file; they go to standard output in any case")
    private @Nullable Path out;

    @Override
    public Integer call() throws IOException {
        int index =
                switch (school.toLowerCase(Locale.ROOT)) {
                    case "strict" -> 0;
                    case "usual" -> 1;
                    case "rescue" -> 2;
                    default ->
                            throw new CommandLine.ParameterException(
                                    spec.commandLine(),
                                    "--school must be strict, usual or rescue, was " + school);
                };
        CellTable table = CellCsv.read(cells);
        PrintWriter errors = spec.commandLine().getErr();
        table.notes().forEach(errors::println);
        table.problems().forEach(problem -> errors.println(problem.text()));
        int good = 0;
        for (CellRow row : table.rows()) {
            if (row.volts().isPresent()) good++;
            else
                errors.println(
                        new CellTable.Problem(
                                        table.fileName(),
                                        row.line(),
                                        "cell " + row.id() + " has no voltage, expected voltage_v")
                                .text());
        }
        int bad = table.problems().size() + table.rows().size() - good;
        if (good == 0 || bad > 0 && !skipBadLines) {
            if (good > 0)
                errors.printf(
                        "%s; --skip-bad-lines takes them without the bad ones%n",
                        Count.of(good, "good line", "good lines"));
            return Exit.UNREADABLE_INPUT;
        }
        // judged while it is written: a million reasons are not held at once
        Iterable<List<String>> lines =
                () ->
                        table.rows().stream()
                                .filter(row -> row.volts().isPresent())
                                .map(row -> verdict(row, index))
                                .iterator();
        List<String> header = List.of("cell_id", "verdict", "reason");
        if (out != null && !Result.isStandardOutput(out))
            OutputFile.write(
                    out,
                    unfinished -> {
                        try (Writer file = Files.newBufferedWriter(unfinished)) {
                            SafeCsv.table(file, header, lines);
                        }
                    });
        PrintWriter output = spec.commandLine().getOut();
        SafeCsv.table(output, header, lines);
        output.flush();
        return Exit.DONE;
    }

    private static List<String> verdict(CellRow row, int school) {
        BandSchool policy = BandSchool.shipped(row.chemistry().orElse(Chemistry.NMC)).get(school);
        Judged<IntakeVerdict> judged = Triage.judge(row.volts().orElseThrow(), policy);
        return List.of(
                row.id().text(),
                judged.verdict().code(),
                judged.reasons().get(0).sentence().replace('\u00a0', ' '));
    }
}
