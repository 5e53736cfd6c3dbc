package pentacell.core.build;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import pentacell.core.build.facts.GroupReading;
import pentacell.core.unit.Middle;

/// How the groups of a pack on trial drift apart.
///
/// Each group's first and last reading since the trial began; what all do together is the load, so
/// only what a group does against the middle of all counts.
public final class TrialDrift {
    /// A group that strays so far is odd, in V (common practice: what a balanced pack keeps to).
    public static final double ODD_VOLTS = 0.02;

    private TrialDrift() {}

    /// A group on trial.
    ///
    /// @param group from 0
    /// @param againstOthersVolts how far it moved against the middle of all, in V
    public record Row(
            int group,
            GroupReading first,
            GroupReading last,
            int readings,
            double againstOthersVolts) {
        /// Between its first and its last reading.
        public Duration time() {
            return Duration.between(first.at(), last.at());
        }

        /// Whether it strays.
        public boolean isOdd() {
            return readings > 1 && Math.abs(againstOthersVolts) > ODD_VOLTS;
        }
    }

    /// The groups that were read since.
    ///
    /// @param groups how many there are
    /// @param since when the trial began
    public static List<Row> of(List<GroupReading> readings, int groups, Instant since) {
        List<List<GroupReading>> byGroup = new ArrayList<>();
        for (int group = 0; group < groups; group++) byGroup.add(new ArrayList<>());
        for (GroupReading each : readings)
            if (each.group() < groups && !each.at().isBefore(since))
                byGroup.get(each.group()).add(each);
        double[] moves =
                byGroup.stream()
                        .filter(each -> each.size() > 1)
                        .mapToDouble(TrialDrift::move)
                        .toArray();
        double usual = moves.length == 0 ? 0 : Middle.of(moves);
        List<Row> rows = new ArrayList<>();
        for (List<GroupReading> each : byGroup)
            if (!each.isEmpty())
                rows.add(
                        new Row(
                                each.get(0).group(),
                                each.get(0),
                                each.get(each.size() - 1),
                                each.size(),
                                move(each) - usual));
        return rows;
    }

    private static double move(List<GroupReading> readings) {
        return readings.get(readings.size() - 1).volts() - readings.get(0).volts();
    }

    /// The group that strays most, when one does.
    public static Optional<Row> oddest(List<Row> rows) {
        return rows.stream()
                .filter(Row::isOdd)
                .max(Comparator.comparingDouble(row -> Math.abs(row.againstOthersVolts())));
    }
}
