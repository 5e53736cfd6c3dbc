package pentacell.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import pentacell.core.cell.CellId;
import pentacell.core.match.Candidate;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.MatchOutcome.Infeasible;
import pentacell.core.match.MatchOutcome.Matched;
import pentacell.core.match.MatchResult;
import pentacell.core.match.MatchWords;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;
import pentacell.core.match.SearchWatch;
import pentacell.core.match.TradeOff;
import pentacell.core.pack.MatchRules;
import pentacell.core.pack.Selection;
import pentacell.core.unit.Count;
import pentacell.workshop.exchange.CellCsv;
import pentacell.workshop.exchange.CellTable;
import pentacell.workshop.exchange.LockCsv;
import pentacell.workshop.exchange.MatchFiles;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Matches the cells of a table into groups.
@Command(
        name = "match",
        mixinStandardHelpOptions = true,
        sortOptions = false,
        description = "Matches the cells of a table into groups of equal capacity.",
        footer = {
            "",
            "LOT.csv has at least cell_id and capacity_mah; also read: ir_mohm, model, donor, chemistry, rated_mah, location, format, count.",
            "A line with a count above 1 is a unit of so many cans that stay together; its capacity and IR are the unit's, limits on IR look at a can.",
            "",
            "Example:",
            "  ./pentacell match --cells demo/lot.csv --series 7 --parallel 10 --out g.csv --summary s.json"
        })
final class MatchCommand implements Callable<Integer> {
    private static final int TRADE_OFF_POINTS = 12;
    private static final double TRADE_OFF_SECONDS_PER_POINT = 0.3;

    /// When the command began: the time limit counts from here.
    private final long begun = System.nanoTime();

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Option(
            names = "--cells",
            required = true,
            paramLabel = "LOT.csv",
            description = "table of cells")
    private Path cells = Path.of("");

    @Option(names = "--series", paramLabel = "S", description = "groups in series")
    private @Nullable Integer series;

    @Option(names = "--parallel", paramLabel = "P", description = "cells in a group")
    private @Nullable Integer parallel;

    @Option(
            names = "--select",
            defaultValue = "strongest",
            description = "all, strongest (default) or tightest")
    private Selection select = Selection.STRONGEST;

    @Option(
            names = "--max-ir-spread",
            paramLabel = "MOHM",
            description = "limit on highest minus lowest IR in a group")
    private @Nullable Double maxIrSpread;

    @Option(
            names = "--max-models",
            paramLabel = "N",
            description = "most different models in a group")
    private @Nullable Integer maxModels;

    @Option(
            names = "--min-soh",
            paramLabel = "PCT",
            description = "least measured / rated capacity in percent")
    private double minSoh;

    @Option(names = "--max-ir", paramLabel = "MOHM", description = "highest IR of a cell")
    private @Nullable Double maxIr;

    @Option(
            names = "--group-sizes",
            split = ",",
            paramLabel = "N",
            description = "cells of each group, instead of --parallel")
    private List<Integer> groupSizes = List.of();

    @Option(
            names = "--lock",
            paramLabel = "FILE",
            description = "CSV of cell_id,group: these stay where they are")
    private @Nullable Path lock;

    @Option(
            names = "--repeatability",
            paramLabel = "PCT",
            defaultValue = "1",
            description = "meter noise floor in percent (default 1); 0 equalises to the last mAh")
    private double repeatability = 1;

    @Option(
            names = "--time-limit",
            paramLabel = "TIME",
            defaultValue = "2s",
            description = "such as 2s or 500ms, reading included (default 2s)")
    private String timeLimit = "2s";

    @Option(
            names = "--seed",
            paramLabel = "N",
            defaultValue = "1",
            description = "seed of all random choices (default 1)")
    private long seed = 1;

    @Option(
            names = "--skip-bad-lines",
            description = "take the good lines of a table that has bad ones")
    private boolean skipBadLines;

    @Option(
            names = "--out",
            paramLabel = "GROUPS.csv",
            description = "where to write the groups: cell_id,group,position")
    private @Nullable Path out;

    @CommandLine.Mixin private Result result = new Result();

    @Option(
            names = "--trade-off",
            paramLabel = "FRONT.csv",
            description = "also write capacity against IR spread, 12 points")
    private @Nullable Path tradeOff;

    @Override
    public Integer call() throws IOException {
        PrintWriter errors = spec.commandLine().getErr();
        double seconds = seconds();
        MatchRules rules = rules();
        Optional<List<Candidate>> candidates = candidates(errors);
        if (candidates.isEmpty()) return Exit.UNREADABLE_INPUT;
        LockCsv locks = lock == null ? new LockCsv(Map.of(), List.of()) : LockCsv.read(lock);
        locks.problems().forEach(problem -> errors.println(problem.text()));
        if (!locks.problems().isEmpty()) return Exit.UNREADABLE_INPUT;
        return match(candidates.get(), rules, locks.locks(), seconds);
    }

    /// What can be matched; empty when the table cannot be taken.
    private Optional<List<Candidate>> candidates(PrintWriter errors) {
        List<Candidate> candidates = new ArrayList<>();
        AtomicInteger rows = new AtomicInteger();
        // the rows themselves are let go: of a million cells they would be half of what they take
        CellTable table =
                CellCsv.read(
                        cells,
                        row -> {
                            rows.incrementAndGet();
                            row.candidate().ifPresent(candidates::add);
                        });
        table.notes().forEach(errors::println);
        table.problems().forEach(problem -> errors.println(problem.text()));
        if (rows.get() == 0 || !table.problems().isEmpty() && !skipBadLines) {
            if (rows.get() > 0)
                errors.printf(
                        "%s; --skip-bad-lines takes them without the bad ones%n",
                        Count.of(rows.get(), "good line", "good lines"));
            return Optional.empty();
        }
        sayWhatIsLeftOut(rows.get() - candidates.size(), candidates, errors);
        return Optional.of(candidates);
    }

    private static void sayWhatIsLeftOut(
            int unmeasured, List<Candidate> candidates, PrintWriter errors) {
        if (unmeasured > 0)
            errors.printf(
                    "%s left out%n",
                    Count.of(
                            unmeasured,
                            "line without a capacity is",
                            "lines without a capacity are"));
        long chemistries = candidates.stream().map(Candidate::chemistry).distinct().count();
        if (chemistries > 1)
            errors.println(
                    "the lot has cells of more than one chemistry: only the one with most cells is matched, two are never mixed");
        if (Candidate.formats(candidates).size() > 1)
            errors.println(
                    "the lot has cells of more than one size: only the one with most cells is matched, one holder takes one size");
    }

    private int match(
            List<Candidate> candidates,
            MatchRules rules,
            Map<CellId, Integer> locks,
            double seconds)
            throws IOException {
        long begin = System.nanoTime();
        MatchOutcome outcome =
                Matcher.match(
                        candidates,
                        rules,
                        locks,
                        SearchEffort.forSeconds(seconds, seed),
                        deadline(begun, seconds));
        long elapsed = (System.nanoTime() - begin) / 1_000_000;
        return switch (outcome) {
            case Infeasible infeasible -> {
                spec.commandLine()
                        .getErr()
                        .println("no solution: " + MatchWords.sentence(infeasible.why()));
                yield Exit.NO_SOLUTION;
            }
            case Matched matched -> {
                write(matched.result(), elapsed);
                if (tradeOff != null) Result.write(spec, tradeOff, curve(candidates, rules, locks));
                yield Exit.DONE;
            }
        };
    }

    private void write(MatchResult matched, long elapsed) throws IOException {
        if (out != null) Result.write(spec, out, MatchFiles.groupsCsv(matched.groups()));
        result.give(MatchFiles.summaryJson(matched, elapsed));
    }

    private String curve(List<Candidate> candidates, MatchRules rules, Map<CellId, Integer> locks) {
        SearchEffort effort = SearchEffort.forSeconds(TRADE_OFF_SECONDS_PER_POINT, seed);
        return MatchFiles.tradeOffCsv(
                TradeOff.curve(
                        candidates,
                        rules,
                        locks,
                        TRADE_OFF_POINTS,
                        effort,
                        SearchWatch.NOBODY,
                        point -> {}),
                candidates);
    }

    private static SearchWatch deadline(long begin, double seconds) {
        return new SearchWatch() {
            @Override
            public boolean stop() {
                return (System.nanoTime() - begin) / 1e9 > seconds;
            }

            @Override
            public void searched(Progress progress) {}
        };
    }

    private MatchRules rules() {
        List<Integer> sizes = groupSizes;
        if (sizes.isEmpty()) {
            if (series == null || parallel == null)
                throw Usage.wrong(spec, "give --series and --parallel, or --group-sizes");
            if (series < 1 || series > 400)
                throw Usage.wrong(spec, "--series must be 1 to 400, was " + series);
            sizes = Collections.nCopies(series, parallel);
        } else if (parallel != null || series != null && series != sizes.size()) {
            throw Usage.wrong(
                    spec,
                    "--group-sizes names every group: leave --parallel out and let --series be "
                            + sizes.size());
        }
        try {
            return MatchRules.of(sizes, select)
                    .with(rules ->
                            rules.maxIrSpreadMilliohms(optional(maxIrSpread))
                                    .maxModels(
                                            maxModels == null
                                                    ? OptionalInt.empty()
                                                    : OptionalInt.of(maxModels))
                                    .minSohShare(minSoh / 100)
                                    .maxMilliohms(optional(maxIr))
                                    .repeatabilityShare(repeatability / 100));
        } catch (IllegalArgumentException wrong) {
            throw Usage.wrong(spec, String.valueOf(wrong.getMessage()));
        }
    }

    private double seconds() {
        var written =
                java.util.regex.Pattern.compile("(\\d+(?:\\.\\d+)?)(ms|s|min)?")
                        .matcher(timeLimit.strip());
        if (!written.matches())
            throw Usage.wrong(spec, "--time-limit must be such as 2s or 500ms, was " + timeLimit);
        double number = Double.parseDouble(written.group(1));
        String unit = written.group(2);
        double seconds =
                "ms".equals(unit) ? number / 1000 : "min".equals(unit) ? number * 60 : number;
        if (seconds > 3600)
            throw Usage.wrong(spec, "--time-limit can be an hour at most, was " + timeLimit);
        return seconds;
    }

    private static OptionalDouble optional(@Nullable Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
