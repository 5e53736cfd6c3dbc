package pentacell.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import pentacell.core.match.Candidate;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.MatchableStock;
import pentacell.workshop.demo.TarnHollow;
import pentacell.workshop.exchange.LotFiles;
import pentacell.workshop.exchange.OutputFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/// Rewrites the lot that ships in demo/ from the demo workshop.
@Command(
        name = "demo-lot",
        hidden = true,
        mixinStandardHelpOptions = true,
        description = "Rewrites demo/lot.csv from the demo workshop.")
final class LotCommand implements Callable<Integer> {
    @Option(
            names = "--out",
            paramLabel = "LOT.csv",
            description = "where to write it (default: demo/lot.csv)")
    private Path out = Path.of("demo", "lot.csv");

    @Override
    public Integer call() throws IOException {
        WorkshopState state = TarnHollow.state(TarnHollow.journal());
        List<Candidate> cells =
                MatchableStock.of(state, JudgedStock.of(state), TarnHollow.LONG_NIGHT).candidates();
        OutputFile.write(out, LotFiles.csv(cells));
        return Exit.DONE;
    }
}
