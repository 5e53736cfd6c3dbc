package pentacell.instruments.bench;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import pentacell.core.measure.OpenRun;
import pentacell.core.measure.SampleLog;
import pentacell.instruments.protocol.Tell;

/// The open runs of a bench while their samples come in. Methods may be called from any thread.
final class RunTable {
    private final Map<String, GrowingRun> runs = new LinkedHashMap<>();

    /// Runs that are being started: their first fact may be logged while they are not yet here.
    private final Set<String> starting = new HashSet<>();

    /// Runs whose start was undone; their instrument may not know it yet.
    private final Set<String> undone = new HashSet<>();

    /// Runs that ended here: when their results are undone they are not analysed a second time, or
    /// the undo would undo itself.
    private final Set<String> finished = new HashSet<>();

    synchronized void starts(String run) {
        starting.add(run);
        undone.remove(run);
    }

    synchronized void started(String run) {
        starting.remove(run);
    }

    synchronized void put(OpenRun run, SampleLog kept) {
        undone.remove(run.run());
        runs.put(run.run(), new GrowingRun(run, kept));
    }

    synchronized void finished(String run) {
        runs.remove(run);
        finished.add(run);
    }

    synchronized Optional<GrowingRun> get(String run) {
        return Optional.ofNullable(runs.get(run));
    }

    synchronized List<LiveRun> live() {
        return runs.values().stream().map(GrowingRun::live).toList();
    }

    synchronized List<GrowingRun> where(Predicate<GrowingRun> holds) {
        return runs.values().stream().filter(holds).toList();
    }

    synchronized boolean isUndone(String run) {
        return undone.contains(run);
    }

    /// Takes out the runs that are not open by the log.
    ///
    /// @return those
    synchronized List<GrowingRun> takeUndone(Collection<String> open) {
        List<GrowingRun> taken =
                where(run -> !open.contains(run.run) && !starting.contains(run.run));
        for (GrowingRun run : taken) {
            runs.remove(run.run);
            undone.add(run.run);
        }
        return taken;
    }

    /// Whether a run is open by the log but not here.
    synchronized boolean misses(String run) {
        return !runs.containsKey(run) && !starting.contains(run) && !finished.contains(run);
    }

    /// How many rows of a run were told so far; what follows is to be asked for from here.
    synchronized int seen(GrowingRun run) {
        return run.seen();
    }

    synchronized void told(Tell event) {
        switch (event) {
            case Tell.Samples samples ->
                    get(samples.run()).ifPresent(run -> run.add(samples.first(), samples.rows()));
            case Tell.Stage stage -> get(stage.run()).ifPresent(run -> run.stage(stage.stage()));
            case Tell.Ended ended ->
                    get(ended.run()).ifPresent(run -> run.end(ended.how(), ended.words()));
            case Tell.Answer answer -> {}
        }
    }

    /// Runs of which rows were missed; each is told once.
    synchronized List<GrowingRun> takeGaps() {
        return where(GrowingRun::takeGap);
    }

    /// What has come in and is not on the disk yet.
    ///
    /// @param logs of each run all its samples
    /// @param kept how many of them are on the disk
    record Grown(Map<String, SampleLog> logs, Map<String, Integer> kept) {}

    synchronized Grown grown() {
        Map<String, SampleLog> logs = new LinkedHashMap<>();
        Map<String, Integer> kept = new LinkedHashMap<>();
        for (GrowingRun run : runs.values()) {
            if (run.size() == run.keptCount()) continue;
            logs.put(run.run, run.soFar());
            kept.put(run.run, run.keptCount());
        }
        return new Grown(logs, kept);
    }

    synchronized void kept(Grown grown) {
        grown.logs().forEach((name, log) -> get(name).ifPresent(run -> run.kept(log)));
    }

    /// The runs that ended and of which everything is on the disk.
    synchronized List<GrowingRun> ended() {
        return where(run -> run.isComplete() && run.size() == run.keptCount());
    }
}
