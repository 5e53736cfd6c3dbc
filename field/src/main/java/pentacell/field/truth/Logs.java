package pentacell.field.truth;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.measure.Column;
import pentacell.core.measure.CurrentSign;
import pentacell.core.measure.SampleLog;
import pentacell.core.prove.GroupLog;
import pentacell.field.FieldLog;
import pentacell.field.FieldPack.Family;

/// Made-up logs as the program reads them.
public final class Logs {
    private Logs() {}

    /// The log of a whole pack; the program finds out what the sign of the current means.
    public static GroupLog pack(FieldLog log) {
        return GroupLog.of(
                column(log.seconds()),
                column(log.written()),
                IntStream.range(0, log.series()).mapToObj(g -> column(log.volts(g))).toList(),
                List.of());
    }

    /// The log of a single cell; the program finds out what the sign of the current means.
    static SampleLog cell(FieldLog log) {
        Column seconds = column(log.seconds());
        Column volts = column(log.volts(0));
        Column written = column(log.written());
        Column amps =
                CurrentSign.settled(
                        volts::get, written, CurrentSign.of(seconds, volts::get, written));
        return SampleLog.of(seconds, volts, amps, amps.map((i, each) -> Double.NaN));
    }

    /// What a discharge of a family ends at, in V a cell (common practice).
    static double endVolts(Family family) {
        return switch (family) {
            case NMC -> 3.0;
            case LFP -> 2.5;
        };
    }

    static Column column(double[] values) {
        Column.Builder column = new Column.Builder();
        for (double each : values) column.add(each);
        return column.build();
    }

    static Chemistry chemistry(Family family) {
        return switch (family) {
            case NMC -> Chemistry.NMC;
            case LFP -> Chemistry.LFP;
        };
    }

    /// A family in the tables: by its voltage, as the trade does.
    static String name(Family family) {
        return switch (family) {
            case NMC -> "4.2 V class";
            case LFP -> "LFP";
        };
    }

    /// The row of a table that a pack counts in.
    static String kind(Family family, Enum<?> hidden) {
        return name(family) + ", " + words(hidden);
    }

    /// `READ_AS_TAPS` as "read as taps".
    static String words(Enum<?> hidden) {
        return hidden.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
