package pentacell.instruments.bench;

import java.time.Instant;
import java.util.List;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Origin;
import pentacell.core.measure.OpenRun;
import pentacell.core.measure.SampleLog;

/// A run while its samples come in. Guarded by the bench's lock.
final class GrowingRun {
    final CellId cell;
    final String run;
    final String bay;
    final String programme;
    final Instant startedAt;

    /// Of what it measures.
    final Origin origin;

    private final SampleLog.Builder samples = new SampleLog.Builder();
    private int seen;

    /// How many samples are on the disk.
    private int kept;

    /// What the screen may show: the samples on the disk.
    private SampleLog shown = samples.build();

    private int stage;
    private String how = "";
    private String words = "";

    /// Samples were missed and are to be told again.
    private boolean hasGap;

    GrowingRun(OpenRun open, SampleLog log) {
        cell = open.cell().id();
        run = open.run();
        bay = open.bay();
        programme = open.programme();
        startedAt = open.startedAt();
        origin = open.origin();
        for (int i = 0; i < log.size(); i++)
            samples.add(log.seconds(i), log.volts(i), log.amps(i), log.celsius(i));
        seen = log.size();
        kept(log);
    }

    /// Adds rows that follow on; rows that are known, and rows that are no samples, are passed
    /// over.
    void add(int first, List<double[]> rows) {
        if (first > seen) {
            hasGap = true;
            return;
        }
        for (int i = seen - first; i < rows.size(); i++) {
            double[] row = rows.get(i);
            seen++;
            boolean isGood =
                    row != null
                            && row.length >= 3
                            && SampleLog.canBe(row[1], row[2])
                            && row[0] > samples.lastSeconds()
                            && row[0] <= SampleLog.MOST_SECONDS;
            if (!isGood) continue;
            boolean hasCelsius = row.length > 3 && SampleLog.canBeCelsius(row[3]);
            samples.add(row[0], row[1], row[2], hasCelsius ? row[3] : Double.NaN);
        }
    }

    /// How many rows were told so far; what follows is to be asked for from here.
    int seen() {
        return seen;
    }

    int size() {
        return samples.size();
    }

    int keptCount() {
        return kept;
    }

    SampleLog soFar() {
        return samples.build();
    }

    void kept(SampleLog log) {
        shown = log;
        kept = log.size();
    }

    SampleLog shown() {
        return shown;
    }

    int stage() {
        return stage;
    }

    void stage(int now) {
        stage = now;
    }

    void end(String howItEnded, String why) {
        how = howItEnded;
        words = why;
    }

    /// Whether it ended and nothing of it is missing.
    boolean isComplete() {
        return !how.isEmpty() && !hasGap;
    }

    String how() {
        return how;
    }

    String words() {
        return words;
    }

    /// Whether samples were missed; asked once. A replay tells the end again behind the missing
    /// samples, so an end that was told before it does not hold.
    boolean takeGap() {
        boolean had = hasGap;
        hasGap = false;
        if (had) how = "";
        return had;
    }

    LiveRun live() {
        return new LiveRun(cell, run, bay, programme, startedAt, stage, shown);
    }
}
