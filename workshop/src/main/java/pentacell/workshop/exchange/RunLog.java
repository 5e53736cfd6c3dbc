package pentacell.workshop.exchange;

import java.util.List;
import pentacell.core.measure.SampleLog;
import pentacell.workshop.exchange.CellTable.Problem;

/// A log file of an instrument as it was read.
///
/// @param name its file name
/// @param sha256 fingerprint of its bytes, empty when it was not asked for
/// @param log its good samples, discharge under 0 A
/// @param problems lines that could not be taken, at most [#MOST_PROBLEMS] of them
/// @param skipped how many lines could not be taken
/// @param notes what was taken for what, where the file left it open
public record RunLog(
        String name,
        String sha256,
        SampleLog log,
        List<Problem> problems,
        int skipped,
        List<String> notes) {
    /// More problems than this are only counted.
    public static final int MOST_PROBLEMS = 200;

    public RunLog {
        problems = List.copyOf(problems);
        notes = List.copyOf(notes);
    }
}
