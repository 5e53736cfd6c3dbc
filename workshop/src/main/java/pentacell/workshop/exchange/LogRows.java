package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.AbstractBaseCsvCallbackHandler;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.workshop.exchange.LogRows.Row;

/// Makes numbers of the fields of a log as they are read, without a text for each: a million lines
/// are four million fields.
///
/// Until the columns are known a row has its fields as texts; after that only those fields that are
/// no plain numbers. The same row is given out each time: it holds until the next one.
final class LogRows extends AbstractBaseCsvCallbackHandler<Row> {
    private final Row row = new Row();
    private Optional<LogColumns> columns = Optional.empty();
    private int time = -1;
    private int volts = -1;
    private int amps = -1;
    private int celsius = -1;

    /// A line of a log. Its numbers are NaN where there is none.
    static final class Row {
        long line;
        int fields;

        /// Fields up to the last that is not empty.
        int filled;

        boolean isBlank;
        double seconds;
        double volts;
        double amps;
        double celsius;
        String timeText = "";
        String voltsText = "";
        String ampsText = "";
        List<String> texts = List.of();
    }

    /// Reads numbers from here on.
    void know(LogColumns known) {
        columns = Optional.of(known);
        time = known.time();
        volts = known.volts();
        amps = known.amps();
        celsius = known.celsius();
    }

    @Override
    protected void handleBegin(long startingLineNumber) {
        row.line = startingLineNumber;
        row.fields = 0;
        row.filled = 0;
        row.isBlank = true;
        row.seconds = Double.NaN;
        row.volts = Double.NaN;
        row.amps = Double.NaN;
        row.celsius = Double.NaN;
        row.timeText = "";
        row.voltsText = "";
        row.ampsText = "";
        if (columns.isEmpty()) row.texts = new ArrayList<>();
    }

    @Override
    protected void handleField(int field, char[] buffer, int offset, int length, boolean quoted) {
        row.fields++;
        row.isBlank &= length == 0;
        if (length > 0) row.filled = row.fields;
        if (columns.isEmpty()) {
            row.texts.add(new String(buffer, offset, length));
            return;
        }
        if (field == time) {
            double plain = LogNumber.plain(buffer, offset, length);
            if (Double.isNaN(plain)) {
                row.timeText = new String(buffer, offset, length);
                row.seconds = LogNumber.time(row.timeText, columns.get().timeFactor());
            } else row.seconds = LogNumber.scaled(plain, columns.get().timeFactor());
        } else if (field == volts) {
            row.volts = LogNumber.plain(buffer, offset, length);
            if (Double.isNaN(row.volts)) {
                row.voltsText = new String(buffer, offset, length);
                row.volts = LogNumber.parse(row.voltsText);
            }
        } else if (field == amps) {
            row.amps = LogNumber.plain(buffer, offset, length);
            if (Double.isNaN(row.amps)) {
                row.ampsText = new String(buffer, offset, length);
                row.amps = LogNumber.parse(row.ampsText);
            }
        } else if (field == celsius) {
            row.celsius = LogNumber.plain(buffer, offset, length);
            if (Double.isNaN(row.celsius))
                row.celsius = LogNumber.parse(new String(buffer, offset, length));
        }
    }

    @Override
    protected Row buildRecord() {
        return row;
    }
}
