package pentacell.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
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
import pentacell.core.cell.Chemistry;
import pentacell.core.circuit.CircuitCell;
import pentacell.core.circuit.Discharged;
import pentacell.core.circuit.Load;
import pentacell.core.circuit.PackSimulation;
import pentacell.core.circuit.RestCurve;
import pentacell.core.circuit.VoltageCurve;

/// A house pack of 14S193P emptied in steps of a second, in one hour and in five: cold (the first
/// discharge of a program) and when it has been done before.
@State(Scope.Benchmark)
@BenchmarkMode({Mode.SingleShotTime, Mode.AverageTime})
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 0)
@Measurement(iterations = 3, time = 3)
@Fork(3)
public class LargeDischarge {
    private static final int SERIES = 14;
    private static final int PARALLEL = 193;
    private static final double END_VOLTS = 3;

    /// Load of the whole pack.
    @Param({"400", "80"})
    public double amps;

    private final VoltageCurve curve = RestCurve.of(Chemistry.NMC).curve();
    private final List<List<CircuitCell>> groups = new ArrayList<>();

    /// Makes the pack.
    @Setup
    public void pack() {
        SplittableRandom random = new SplittableRandom(1);
        for (int g = 0; g < SERIES; g++) {
            List<CircuitCell> group = new ArrayList<>();
            for (int i = 0; i < PARALLEL; i++)
                group.add(
                        new CircuitCell(
                                1.9 + 0.4 * random.nextDouble(),
                                0.04 + 0.03 * random.nextDouble()));
            groups.add(group);
        }
    }

    /// From full to the end voltage.
    @Benchmark
    public Discharged discharge() {
        return PackSimulation.discharge(
                groups, curve, new Load.Amps(amps), END_VOLTS, 1, (t, volts, i, each) -> {});
    }

    /// Runs it and prints what it took.
    public static void main(String[] arguments) throws RunnerException {
        new Runner(
                        new OptionsBuilder()
                                .include(LargeDischarge.class.getSimpleName() + "\\.")
                                .build())
                .run();
    }
}
