package pentacell.benchmarks;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import pentacell.core.match.MatchOutcome;
import pentacell.core.match.Matcher;
import pentacell.core.match.SearchEffort;

/// The matcher's inner loop by a microbenchmark: one match of a fixed number of rounds, so its time
/// is that of the walks.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class MatchWalk {
    private static final SearchEffort EFFORT = new SearchEffort(4, 1);

    /// Part of the name of a lot of [MatchCase].
    @Param({
        "7S10P of 100, normal, IR tied to wear (0.5)",
        "14S20P of 330, normal, IR closely tied (0.9)",
        "10S4P of 44, two humps"
    })
    public String lot = "";

    private List<MatchCase> cases = List.of();

    /// Makes the lots.
    @Setup
    public void lots() {
        cases =
                MatchCase.all().stream()
                        .filter(each -> each.name().contains(lot))
                        .limit(1)
                        .toList();
    }

    /// Four rounds of four walks.
    @Benchmark
    public MatchOutcome fourRounds() {
        MatchCase each = cases.get(0);
        return Matcher.match(each.cells(), each.rules(), EFFORT);
    }

    /// Runs it.
    public static void main(String[] args) throws RunnerException {
        new Runner(new OptionsBuilder().include(MatchWalk.class.getSimpleName()).build()).run();
    }
}
