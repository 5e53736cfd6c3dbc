package pentacell.workshop.exchange;

import de.siegmar.fastcsv.reader.AbstractBaseCsvCallbackHandler;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import pentacell.workshop.exchange.NumberRows.Row;

/// Makes numbers of chosen fields of a long table as they are read, without a text for each.
///
/// Until it is known which fields are wanted a row has its fields as texts; after that only those
/// of wanted fields that are no plain numbers.
final class NumberRows extends AbstractBaseCsvCallbackHandler<Row> {
    private Row row = new Row(0, new double[0]);

    /// Which value a field is; −1 for none.
    private int[] valueOfField = {};

    private final LogNumber.Days days = new LogNumber.Days();
    private int timeValue = -1;
    private double timeFactor = 1;
    private boolean isKnown;
    private double[] noValues = {};

    // of the row that is being read
    private double[] values = {};
    private int fields;
    private int filled;

    /// A line. Its values are NaN where there is none.
    static final class Row {
        final long line;
        int fields;

        /// Fields up to the last that is not empty.
        int filled;

        final double[] values;

        private String[] odd = {};

        List<String> texts = List.of();

        private Row(long line, double[] values) {
            this.line = line;
            this.values = values;
        }

        boolean isBlank() {
            return filled == 0;
        }

        /// What was read where it is no plain number; else empty.
        String odd(int value) {
            return value < odd.length ? odd[value] : "";
        }

        private void isOdd(int value, String text) {
            if (odd.length == 0) {
                odd = new String[values.length];
                Arrays.fill(odd, "");
            }
            odd[value] = text;
        }
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
        noValues = new double[fields.length];
        Arrays.fill(noValues, Double.NaN);
        timeValue = time;
        timeFactor = factor;
        isKnown = true;
    }

    /// The same for a row that was read before its fields were known.
    Row anew(Row read) {
        handleBegin(read.line);
        for (int field = 0; field < read.texts.size(); field++) {
            char[] text = read.texts.get(field).toCharArray();
            handleField(field, text, 0, text.length, false);
        }
        return buildRecord();
    }

    @Override
    protected void handleBegin(long startingLineNumber) {
        values = noValues.clone();
        row = new Row(startingLineNumber, values);
        fields = 0;
        filled = 0;
        if (!isKnown) row.texts = new ArrayList<>();
    }

    @Override
    protected void handleField(int field, char[] buffer, int offset, int length, boolean quoted) {
        fields = field + 1;
        if (length > 0) filled = fields;
        if (!isKnown) {
            row.texts.add(new String(buffer, offset, length));
            return;
        }
        int value = field < valueOfField.length ? valueOfField[field] : -1;
        if (value < 0) return;
        values[value] =
                value == timeValue
                        ? time(buffer, offset, length)
                        : number(value, buffer, offset, length);
    }

    private double number(int value, char[] buffer, int offset, int length) {
        double plain = LogNumber.plain(buffer, offset, length);
        return Double.isNaN(plain) ? LogNumber.parse(odd(value, buffer, offset, length)) : plain;
    }

    private double time(char[] buffer, int offset, int length) {
        double date = days.plainDate(buffer, offset, length);
        if (!Double.isNaN(date)) return date;
        double plain = LogNumber.plain(buffer, offset, length);
        return Double.isNaN(plain)
                ? LogNumber.time(odd(timeValue, buffer, offset, length), timeFactor)
                : LogNumber.scaled(plain, timeFactor);
    }

    private String odd(int value, char[] buffer, int offset, int length) {
        String text = new String(buffer, offset, length).strip();
        row.isOdd(value, text);
        return text;
    }

    @Override
    protected Row buildRecord() {
        row.fields = fields;
        row.filled = filled;
        return row;
    }
}
