package pentacell.workshop.exchange;

import java.util.Locale;
import pentacell.core.measure.SampleLog;

/// Writes the samples of a run as CSV, in the columns [RunLogCsv] reads.
public final class RunLogFiles {
    private RunLogFiles() {}

    /// The samples of a run.
    public static String csv(SampleLog log) {
        StringBuilder text = new StringBuilder("time_s,voltage_v,current_a,temperature_c\n");
        for (int i = 0; i < log.size(); i++) {
            text.append(
                    String.format(
                            Locale.ROOT,
                            "%.3f,%.5f,%.5f,%s%n",
                            log.seconds(i),
                            log.volts(i),
                            log.amps(i),
                            Double.isFinite(log.celsius(i))
                                    ? String.format(Locale.ROOT, "%.2f", log.celsius(i))
                                    : ""));
        }
        return text.toString();
    }
}
