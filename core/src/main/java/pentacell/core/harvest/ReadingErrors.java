package pentacell.core.harvest;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import pentacell.core.cell.CellFact;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// Recognises readings that cannot be right, so that no pack is judged by them.
final class ReadingErrors {
    /// No group of a usual chemistry rests over this, in V; two groups always do unless empty.
    private static final double MOST_OF_ONE_GROUP = 5;

    /// Between this and 0 V lies the noise around a dead group, in V.
    private static final double CLEARLY_REVERSED = CellFact.VoltageRead.REVERSED_VOLTS;

    /// What a hand-held meter may differ between two readings: a few digits and 0.5 % (common
    /// practice).
    private static final double METER_VOLTS = 0.05;

    private static final double METER_SHARE = 0.005;

    private ReadingErrors() {}

    /// An error.
    ///
    /// @param groups the groups to read again, all of them when it cannot be told
    record Found(List<Integer> groups, Reason reason) {}

    static Optional<Found> find(PackReadings readings) {
        return miscounted(readings)
                .or(() -> taps(readings))
                .or(() -> acrossTwo(readings))
                .or(() -> reversed(readings))
                .or(() -> sum(readings))
                .or(() -> output(readings));
    }

    /// What is wrong with the numbers of a table: a group that stands twice with different
    /// readings, or not at all.
    static Optional<Found> inTable(List<TableReading> table) {
        Map<Integer, Double> seen = new TreeMap<>();
        for (TableReading line : table) {
            Double before = seen.put(line.group(), line.volts());
            if (before != null && Math.abs(before - line.volts()) > tolerance(before))
                return Optional.of(
                        new Found(
                                List.of(line.group()),
                                new Reason(
                                        Rule.GROUP_READ_TWICE,
                                        before,
                                        line.volts(),
                                        "Group " + line.group())));
        }
        int last = table.stream().mapToInt(TableReading::group).max().orElse(0);
        List<Integer> missing =
                IntStream.rangeClosed(1, last)
                        .filter(group -> !seen.containsKey(group))
                        .boxed()
                        .toList();
        return missing.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        new Found(
                                missing,
                                new Reason(
                                        Rule.GROUP_NOT_READ,
                                        last,
                                        Double.NaN,
                                        Count.groups(missing))));
    }

    static double tolerance(double volts) {
        return METER_VOLTS + METER_SHARE * Math.abs(volts);
    }

    private static Optional<Found> miscounted(PackReadings readings) {
        int read = readings.groupVolts().size();
        if (readings.series().isEmpty() || readings.series().getAsInt() == read)
            return Optional.empty();
        List<Integer> twins = twins(readings);
        boolean twice = read > readings.series().getAsInt() && !twins.isEmpty();
        return Optional.of(
                new Found(
                        twice ? twins : all(readings),
                        new Reason(
                                Rule.GROUPS_MISCOUNTED,
                                read,
                                readings.series().getAsInt(),
                                twice
                                        ? "a group was read twice, see those that read the same"
                                        : "read them again, one by one")));
    }

    /// Readings taken from the pack's negative to each joint rise group by group.
    private static Optional<Found> taps(PackReadings readings) {
        List<Double> volts = readings.groupVolts();
        if (volts.size() < 2 || volts.get(volts.size() - 1) <= MOST_OF_ONE_GROUP)
            return Optional.empty();
        List<String> differences = new ArrayList<>();
        double before = 0;
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        for (double each : volts) {
            double difference = each - before;
            if (!(difference > 0 && difference < MOST_OF_ONE_GROUP)) return Optional.empty();
            least = Math.min(least, difference);
            most = Math.max(most, difference);
            differences.add(Quantity.VOLTAGE.number(difference));
            before = each;
        }
        // of low groups the second joint is still under what one group may read: then they are
        // alike
        if (volts.get(1) <= MOST_OF_ONE_GROUP && least < most / 2) return Optional.empty();
        return Optional.of(
                new Found(
                        all(readings),
                        new Reason(
                                Rule.READ_AS_TAPS,
                                volts.get(volts.size() - 1),
                                volts.get(0),
                                String.join(", ", differences) + " V")));
    }

    private static Optional<Found> acrossTwo(PackReadings readings) {
        return first(
                readings,
                volts -> volts > MOST_OF_ONE_GROUP,
                Rule.READ_ACROSS_TWO,
                MOST_OF_ONE_GROUP);
    }

    private static Optional<Found> reversed(PackReadings readings) {
        return first(readings, volts -> volts < CLEARLY_REVERSED, Rule.GROUP_REVERSED, 0);
    }

    private static Optional<Found> first(
            PackReadings readings,
            java.util.function.DoublePredicate wrong,
            Rule rule,
            double limit) {
        List<Integer> groups =
                all(readings).stream().filter(group -> wrong.test(readings.volts(group))).toList();
        if (groups.isEmpty()) return Optional.empty();
        int worst = groups.get(0);
        return Optional.of(
                new Found(
                        groups,
                        new Reason(rule, readings.volts(worst), limit, Count.groups(groups))));
    }

    private static Optional<Found> sum(PackReadings readings) {
        if (readings.packVolts().isEmpty()) return Optional.empty();
        double pack = readings.packVolts().getAsDouble();
        double difference = readings.sum() - pack;
        if (Math.abs(difference) <= tolerance(pack)) return Optional.empty();
        List<Integer> twins = twins(readings);
        String note;
        if (Math.abs(readings.sum() + pack) <= tolerance(pack))
            note = "the probes were reversed at the whole pack";
        else if (!twins.isEmpty())
            note = "was a group read twice? " + Count.groups(twins) + " read the same";
        else if (difference < 0) note = "was a group left out, or one read too low?";
        else note = "was one group read too high?";
        return Optional.of(
                new Found(
                        twins.isEmpty() ? all(readings) : twins,
                        new Reason(Rule.SUM_DISAGREES, readings.sum(), pack, note)));
    }

    private static Optional<Found> output(PackReadings readings) {
        double output = readings.outputVolts().orElse(0);
        return output <= readings.sum() + tolerance(readings.sum())
                ? Optional.empty()
                : Optional.of(
                        new Found(
                                all(readings),
                                new Reason(
                                        Rule.NO_OUTPUT,
                                        output,
                                        readings.sum(),
                                        "no board gives more than the string has")));
    }

    /// Neighbours that read the same to the millivolt: perhaps one group, read twice.
    private static List<Integer> twins(PackReadings readings) {
        List<Integer> twins = new ArrayList<>();
        for (int group = 1; group < readings.groupVolts().size(); group++) {
            if (Math.abs(readings.volts(group) - readings.volts(group + 1)) < 0.0005) {
                if (!twins.contains(group)) twins.add(group);
                twins.add(group + 1);
            }
        }
        return twins;
    }

    private static List<Integer> all(PackReadings readings) {
        return IntStream.rangeClosed(1, readings.groupVolts().size()).boxed().toList();
    }
}
