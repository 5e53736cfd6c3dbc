package pentacell.field.truth;

import java.util.List;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.measure.Column;
import pentacell.core.measure.CurrentSign;
import pentacell.core.measure.SampleLog;
import pentacell.core.prove.GroupLog;
import pentacell.field.FieldLog;
import pentacell.field.FieldPack.Family;

/// Made-up logs as the program reads them.
final class Logs {
    private Logs() {}

    /// The log of a whole pack; the program finds out what the sign of the current means.
    static GroupLog pack(FieldLog log) {
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

    /// `READ_AS_TAPS` as "read as taps".
    static String words(Enum<?> hidden) {
        return hidden.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    }
}
