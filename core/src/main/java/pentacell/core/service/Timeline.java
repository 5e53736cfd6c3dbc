package pentacell.core.service;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;
import pentacell.core.prove.LogThinning;
import pentacell.core.service.facts.PackInUse;

/// The history of a pack by the calendar: every log that was taken over and every reading by hand,
/// in the order of time.
///
/// @param from when its first reading was taken
/// @param log its seconds count from there
public record Timeline(Instant from, GroupLog log) {
    /// Logs further apart tell nothing of what was between them.
    private static final Duration GAP = Duration.ofDays(3);

    /// A reading as it stands in one of the logs.
    private record Moment(long millis, double amps, GroupLog log, int at, List<Double> seen) {
        double volts(int group) {
            return seen.isEmpty() ? log.volts().get(group).get(at) : seen.get(group);
        }

        double celsius(int probe) {
            return probe < log.celsius().size() ? log.celsius().get(probe).get(at) : Double.NaN;
        }
    }

    private static final Column NOTHING = new Column.Builder().build();
    private static final GroupLog NO_LOG = new GroupLog(NOTHING, NOTHING, List.of(NOTHING));

    /// The history of a pack; empty when nothing was logged of it. Logs of another number of groups
    /// are left out, and what its board cannot have read; of readings at the same moment the first
    /// is kept.
    ///
    /// @param series groups of the pack
    public static Optional<Timeline> of(PackInUse use, int series) {
        List<Moment> moments = new ArrayList<>();
        for (PackInUse.History each : use.logs().values()) {
            if (each.readings().volts().size() != series) continue;
            GroupLog log = LogThinning.log(each.readings());
            for (int i = 0; i < log.size(); i++)
                moments.add(
                        new Moment(
                                each.from().toEpochMilli()
                                        + Math.round(1000 * log.seconds().get(i)),
                                log.amps().get(i),
                                log,
                                i,
                                List.of()));
        }
        for (PackInUse.Seen each : use.seen())
            if (each.volts().size() == series)
                moments.add(
                        new Moment(each.at().toEpochMilli(), each.amps(), NO_LOG, 0, each.volts()));
        if (moments.isEmpty()) return Optional.empty();
        moments.sort(Comparator.comparingLong(Moment::millis));
        return Optional.of(of(moments, series));
    }

    private static Timeline of(List<Moment> moments, int series) {
        long begin = moments.get(0).millis();
        Column.Builder seconds = new Column.Builder();
        Column.Builder amps = new Column.Builder();
        List<Column.Builder> volts = builders(series);
        List<Column.Builder> celsius =
                builders(
                        moments.stream()
                                .mapToInt(each -> each.log().celsius().size())
                                .max()
                                .orElse(0));
        long last = Long.MIN_VALUE;
        for (Moment each : moments) {
            if (each.millis() == last) continue;
            last = each.millis();
            seconds.add((each.millis() - begin) / 1000.0);
            amps.add(each.amps());
            for (int g = 0; g < series; g++) volts.get(g).add(each.volts(g));
            for (int probe = 0; probe < celsius.size(); probe++)
                celsius.get(probe).add(each.celsius(probe));
        }
        return new Timeline(
                Instant.ofEpochMilli(begin),
                new GroupLog(
                        seconds.build(),
                        amps.build(),
                        volts.stream().map(Column.Builder::build).toList(),
                        celsius.stream().map(Column.Builder::build).toList()));
    }

    private static List<Column.Builder> builders(int count) {
        return Stream.generate(Column.Builder::new).limit(count).toList();
    }

    /// When a reading was taken.
    public Instant at(int moment) {
        return from.plusMillis(Math.round(1000 * log.seconds().get(moment)));
    }

    /// When the last was taken.
    public Instant to() {
        return at(log.size() - 1);
    }

    /// How long it is, in days.
    public double days() {
        return (log.seconds().get(log.size() - 1) - log.seconds().get(0)) / 86_400;
    }

    /// What was read at a moment, in V.
    public List<Double> volts(int moment) {
        return log.volts().stream().map(each -> each.get(moment)).toList();
    }

    /// What was read since a moment; empty when nothing was.
    Optional<Timeline> since(Instant moment) {
        int first = 0;
        while (first < log.size() && at(first).isBefore(moment)) first++;
        return first == log.size() ? Optional.empty() : Optional.of(part(first, log.size()));
    }

    /// Its stretches without long gaps, oldest first.
    List<Timeline> stretches() {
        List<Timeline> stretches = new ArrayList<>();
        int begin = 0;
        for (int i = 1; i <= log.size(); i++)
            if (i == log.size()
                    || log.seconds().get(i) - log.seconds().get(i - 1) > GAP.toSeconds()) {
                stretches.add(part(begin, i));
                begin = i;
            }
        return stretches;
    }

    private Timeline part(int first, int end) {
        double shift = log.seconds().get(first);
        return new Timeline(
                at(first),
                new GroupLog(
                        slice(log.seconds(), first, end, shift),
                        slice(log.amps(), first, end, 0),
                        log.volts().stream().map(each -> slice(each, first, end, 0)).toList(),
                        log.celsius().stream().map(each -> slice(each, first, end, 0)).toList()));
    }

    private static Column slice(Column column, int first, int end, double less) {
        Column.Builder part = new Column.Builder();
        for (int i = first; i < end; i++) part.add(column.get(i) - less);
        return part.build();
    }
}
