package pentacell.workshop.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import pentacell.core.measure.Column;
import pentacell.core.measure.SampleLog;
import pentacell.core.unit.Quantity;

/// The samples of a log in the order of their times, while it is read: a clock that was started
/// anew is carried on, a time that is out of its place is named and left out.
final class LogTimeline {
    /// So many lines in a row that begin again at an earlier time are a clock that was started
    /// anew.
    private static final int CLOCK_RESTART_LINES = 5;

    /// Seconds since 1970 in the year 2286.
    private static final double LAST_DATE = 1e10;

    private static final double FAR_SECONDS = 60;
    private static final double FAR_INTERVALS = 20;

    private final Problems problems;
    private final Consumer<String> notes;
    private final List<double[]> pending = new ArrayList<>();

    /// A sample far ahead of the one before: the next one shows whether it is a gap or a slip.
    private Optional<double[]> suspect = Optional.empty();

    private final Column.Builder seconds = new Column.Builder();
    private final List<Column.Builder> columns = new ArrayList<>();
    private double last = Double.NEGATIVE_INFINITY;
    private double lastInterval;
    private double offset;
    private boolean isCalendar;

    /// Takes what is wrong with a line.
    interface Problems {
        void add(long line, String sentence);
    }

    /// @param columns how many values each sample has beside its time
    LogTimeline(int columns, Problems problems, Consumer<String> notes) {
        for (int i = 0; i < columns; i++) this.columns.add(new Column.Builder());
        this.problems = problems;
        this.notes = notes;
    }

    int size() {
        return seconds.size();
    }

    Column seconds() {
        return seconds.build();
    }

    /// The values of a column, in the order they were given, in its unit.
    Column column(int index) {
        return columns.get(index).build();
    }

    /// Ends the log: what still waits is taken or named.
    void end() {
        flushPending();
        acceptSuspect();
    }

    /// Takes a sample whose time rises; one that goes back waits until it is clear whether the
    /// clock was started anew.
    ///
    /// @param values one for each column; may be used again afterwards
    void take(long line, double second, double... values) {
        if (size() == 0) isCalendar = second > SampleLog.MOST_SECONDS;
        if (Math.abs(second) > (isCalendar ? LAST_DATE : SampleLog.MOST_SECONDS)) {
            problems.add(line, "time %s is out of place; left out".formatted(text(second)));
            return;
        }
        if (suspect.isPresent()) judgeSuspect(second + offset);
        double shifted = second + offset;
        if (size() == 0 || shifted > last) {
            flushPending();
            if (isFarAhead(shifted)) {
                suspect = Optional.of(waiting(line, shifted, values));
                return;
            }
            keep(shifted, values, 0);
            return;
        }
        boolean isSame = shifted == last;
        if (isSame) {
            problems.add(
                    line, "time %s is there twice; the first was kept".formatted(text(second)));
            return;
        }
        if (!pending.isEmpty() && !(second > pending.get(pending.size() - 1)[1])) flushPending();
        pending.add(waiting(line, second, values));
        if (pending.size() < CLOCK_RESTART_LINES) return;
        double usual =
                (pending.get(pending.size() - 1)[1] - pending.get(0)[1]) / (pending.size() - 1);
        offset = last + usual - pending.get(0)[1];
        notes.accept(
                "time starts over at line %d: carried on from there"
                        .formatted((long) pending.get(0)[0]));
        for (double[] each : pending) keep(each[1] + offset, each, 2);
        pending.clear();
    }

    /// A sample far ahead is a slip when the next one is before it and behind the last, else there
    /// is a gap.
    private void judgeSuspect(double next) {
        double[] ahead = suspect.orElseThrow();
        boolean isSlip = next < ahead[1] && next > last;
        if (!isSlip) {
            acceptSuspect();
            return;
        }
        suspect = Optional.empty();
        problems.add(
                (long) ahead[0],
                "time %s lies between %s and %s; left out"
                        .formatted(
                                text(ahead[1] - offset), text(last - offset), text(next - offset)));
    }

    private void acceptSuspect() {
        suspect.ifPresent(ahead -> keep(ahead[1], ahead, 2));
        suspect = Optional.empty();
    }

    private void flushPending() {
        for (double[] each : pending)
            problems.add(
                    (long) each[0],
                    "time goes back to %s after %s".formatted(text(each[1]), text(last - offset)));
        pending.clear();
    }

    private static String text(double seconds) {
        return seconds == Math.rint(seconds)
                ? Quantity.SECONDS.number(seconds) + " s"
                : seconds + " s";
    }

    /// Whether a time is so far from the last sample that it may be a slip: over a minute and over
    /// twenty times the interval before.
    private boolean isFarAhead(double second) {
        if (size() < 2) return false;
        double ahead = second - last;
        return ahead > FAR_SECONDS && ahead > FAR_INTERVALS * lastInterval;
    }

    private static double[] waiting(long line, double second, double[] values) {
        double[] all = new double[2 + values.length];
        all[0] = line;
        all[1] = second;
        System.arraycopy(values, 0, all, 2, values.length);
        return all;
    }

    /// @param from where the values begin
    private void keep(double second, double[] values, int from) {
        lastInterval = second - last;
        last = second;
        seconds.add(second);
        for (int i = 0; i < columns.size(); i++) columns.get(i).add(values[from + i]);
    }
}
