package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.AbstractBaseCsvCallbackHandler;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import pentacell.workshop.exchange.NumberRows.Row;

/// Makes numbers of chosen fields of a long table as they are read, without a text for each.
///
/// Until it is known which fields are wanted a row has its fields as texts; after that only those
/// of wanted fields that are no plain numbers. The same row is given out each time: it holds until
/// the next one.
final class NumberRows extends AbstractBaseCsvCallbackHandler<Row> {
    private final Row row = new Row();

    /// Which value a field is; −1 for none.
    private int[] valueOfField = {};

    private final LogNumber.Days days = new LogNumber.Days();
    private int timeValue = -1;
    private double timeFactor = 1;
    private boolean isKnown;

    /// A line. Its values are NaN where there is none.
    static final class Row {
        long line;
        int fields;

        /// Fields up to the last that is not empty.
        int filled;

        boolean isBlank;
        double[] values = {};

        /// What was read where it is no plain number.
        String[] odd = {};

        List<String> texts = List.of();
    }

    /// Reads numbers from here on.
    ///
    /// @param fields the field of each value; below 0 for one that is not there
    /// @param time which value is a time
    /// @param factor of its unit, to s
    void know(int[] fields, int time, double factor) {
        valueOfField = new int[Arrays.stream(fields).max().orElse(-1) + 1];
        Arrays.fill(valueOfField, -1);
        for (int value = 0; value < fields.length; value++)
            if (fields[value] >= 0) valueOfField[fields[value]] = value;
        row.values = new double[fields.length];
        row.odd = new String[fields.length];
        row.texts = List.of();
        timeValue = time;
        timeFactor = factor;
        isKnown = true;
    }

    @Override
    protected void handleBegin(long startingLineNumber) {
        row.line = startingLineNumber;
        row.fields = 0;
        row.filled = 0;
        row.isBlank = true;
        Arrays.fill(row.values, Double.NaN);
        Arrays.fill(row.odd, "");
        if (!isKnown) row.texts = new ArrayList<>();
    }

    @Override
    protected void handleField(int field, char[] buffer, int offset, int length, boolean quoted) {
        row.fields++;
        row.isBlank &= length == 0;
        if (length > 0) row.filled = row.fields;
        if (!isKnown) {
            row.texts.add(new String(buffer, offset, length));
            return;
        }
        int value = field < valueOfField.length ? valueOfField[field] : -1;
        if (value < 0) return;
        double plain = LogNumber.plain(buffer, offset, length);
        row.values[value] =
                value == timeValue
                        ? time(plain, buffer, offset, length)
                        : Double.isNaN(plain)
                                ? LogNumber.parse(odd(value, buffer, offset, length))
                                : plain;
    }

    private double time(double plain, char[] buffer, int offset, int length) {
        if (!Double.isNaN(plain)) return LogNumber.scaled(plain, timeFactor);
        double date = days.plainDate(buffer, offset, length);
        return Double.isNaN(date)
                ? LogNumber.time(odd(timeValue, buffer, offset, length), timeFactor)
                : date;
    }

    private String odd(int value, char[] buffer, int offset, int length) {
        String text = new String(buffer, offset, length).strip();
        row.odd[value] = text;
        return text;
    }

    @Override
    protected Row buildRecord() {
        return row;
    }
}
