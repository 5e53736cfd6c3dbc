package pentacell.core.prove;

import java.util.ArrayList;
import java.util.List;
import pentacell.core.measure.Column;
import pentacell.core.measure.CurrentSign;

/// Readings of a whole pack: its current and the voltage of every group over time.
///
/// @param seconds strictly rising, in s
/// @param amps drawn positive, charged negative, in A
/// @param volts of each group, in V
public record GroupLog(Column seconds, Column amps, List<Column> volts) {
    public GroupLog {
        volts = List.copyOf(volts);
        if (volts.isEmpty()) throw new IllegalArgumentException("a pack has a group");
        for (Column each : volts)
            if (each.size() != seconds.size() || amps.size() != seconds.size())
                throw new IllegalArgumentException("every reading has its time");
    }

    /// Readings whose current was written in any convention: the voltages tell what it is.
    public static GroupLog of(Column seconds, Column written, List<Column> volts) {
        Column.Builder mean = new Column.Builder();
        for (int i = 0; i < seconds.size(); i++) {
            double sum = 0;
            for (Column each : volts) sum += each.get(i);
            mean.add(sum / volts.size());
        }
        Column ofCell = mean.build();
        Column settled = CurrentSign.settled(ofCell, written, CurrentSign.of(ofCell, written));
        return new GroupLog(seconds, settled.map((i, amps) -> -amps), new ArrayList<>(volts));
    }

    /// Number of groups.
    public int series() {
        return volts.size();
    }

    /// Number of moments.
    public int size() {
        return seconds.size();
    }

    /// The whole pack's voltage at a moment, in V.
    public double packVolts(int moment) {
        double sum = 0;
        for (Column each : volts) sum += each.get(moment);
        return sum;
    }

    /// The highest current, drawn or charged, in A; 0 without any.
    public double mostAmps() {
        double most = 0;
        for (int i = 0; i < size(); i++) most = Math.max(most, Math.abs(amps.get(i)));
        return most;
    }

    /// The charge drawn from the moment before to this one, in Ah; 0 for the first.
    public double drawnAmpHours(int moment) {
        if (moment == 0) return 0;
        double hours = (seconds.get(moment) - seconds.get(moment - 1)) / 3600;
        return hours * (amps.get(moment) + amps.get(moment - 1)) / 2;
    }

    /// The lowest group at a moment, from 0.
    public int lowestGroup(int moment) {
        int lowest = 0;
        for (int g = 1; g < series(); g++)
            if (volts.get(g).get(moment) < volts.get(lowest).get(moment)) lowest = g;
        return lowest;
    }
}
