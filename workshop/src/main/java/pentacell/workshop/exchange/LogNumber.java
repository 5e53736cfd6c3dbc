package pentacell.workshop.exchange;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import pentacell.core.unit.NumberText;

/// Reads the numbers of long logs: plain decimals by hand, because a million of them through a
/// pattern would take longer than the file itself; everything else as everywhere in the program.
final class LogNumber {
    private static final double[] POWERS = new double[19];

    static {
        POWERS[0] = 1;
        for (int i = 1; i < POWERS.length; i++) POWERS[i] = 10 * POWERS[i - 1];
    }

    /// Up to so many digits a decimal is exact as an integer divided by a power of ten.
    private static final int EXACT_DIGITS = 15;

    private LogNumber() {}

    /// The number, or NaN when it is none.
    static double parse(String text) {
        double plain = plain(text.toCharArray(), 0, text.length());
        return Double.isNaN(plain) ? NumberText.parse(text).orElse(Double.NaN) : plain;
    }

    /// A plain decimal, or NaN when it is none: an exponent, more digits than are exact.
    static double plain(char[] text, int offset, int length) {
        int at = offset;
        int end = offset + length;
        boolean negative = false;
        if (length > 0 && (text[at] == '-' || text[at] == '+')) {
            negative = text[at] == '-';
            at++;
        }
        int begin = at;
        int point = end;
        long digits = 0;
        // one loop for both sides of the point: two take a sixth longer over a whole file
        for (; at < end; at++) {
            int digit = text[at] - '0';
            if (digit >= 0 && digit <= 9) digits = 10 * digits + digit;
            else if ((text[at] == '.' || text[at] == ',') && point == end) point = at;
            else return Double.NaN;
        }
        int decimals = point == end ? 0 : end - point - 1;
        int count = point - begin + decimals;
        if (count == 0 || count > EXACT_DIGITS) return Double.NaN;
        double value = decimals > 0 ? digits / POWERS[decimals] : digits;
        return negative ? -value : value;
    }

    /// A number as it is written, without a point where it is whole.
    static String text(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e9
                ? String.valueOf((long) value)
                : String.valueOf(value);
    }

    /// A value of a column in the base unit. A milli is divided by a thousand, not multiplied by a
    /// number that is none exactly: 3684.5 mV are what "3.6845" is read as.
    static double scaled(double value, double factor) {
        return factor < 1 ? value / Math.rint(1 / factor) : value * factor;
    }

    /// A time in the column's unit, or as `h:mm:ss`, or as a date with a time in seconds since
    /// 1970; NaN when it is none.
    static double time(String text, double factor) {
        double date = plainDate(text);
        if (!Double.isNaN(date)) return date;
        double plain = parse(text);
        if (!Double.isNaN(plain)) return scaled(plain, factor);
        String stripped = text.strip();
        if (stripped.matches("\\d+:\\d{1,2}(:\\d{1,2}([.,]\\d+)?)?")) {
            double seconds = 0;
            String[] parts = stripped.split(":", -1);
            for (String part : parts) seconds = 60 * seconds + parse(part);
            return parts.length == 2 ? 60 * seconds : seconds;
        }
        try {
            if (stripped.endsWith("Z")) return millis(Instant.parse(stripped));
            return millis(
                    LocalDateTime.parse(
                                    stripped.replace(' ', 'T'),
                                    DateTimeFormatter.ISO_LOCAL_DATE_TIME)
                            .toInstant(ZoneOffset.UTC));
        } catch (DateTimeException none) {
            return Double.NaN;
        }
    }

    private static double plainDate(String text) {
        return new Days().plainDate(text.toCharArray(), 0, text.length());
    }

    /// Reads plain dates one after the other; most are of the hour of the one before.
    static final class Days {
        /// Characters up to the hour, as in `2026-03-01T12`.
        private static final int HOUR = 13;

        private final char[] lastHour = new char[HOUR];
        private double lastSeconds = Double.NaN;

        /// Seconds since 1970 of a plain date such as `2026-03-01T12:00:00`, also with a space in
        /// the middle or Z behind; NaN when it is anything else. By hand, because a formatter takes
        /// longer than the rest of the line.
        double plainDate(char[] text, int offset, int length) {
            boolean isZulu = length == 20 && text[offset + 19] == 'Z';
            if (length != 19 && !isZulu) return Double.NaN;
            if (text[offset + HOUR] != ':' || text[offset + 16] != ':') return Double.NaN;
            if (!Arrays.equals(text, offset, offset + HOUR, lastHour, 0, HOUR)) {
                System.arraycopy(text, offset, lastHour, 0, HOUR);
                lastSeconds = hour(text, offset);
            }
            int minute = digits(text, offset + 14, 2);
            int second = digits(text, offset + 17, 2);
            boolean isTime = minute >= 0 && minute <= 59 && second >= 0 && second <= 59;
            return isTime ? lastSeconds + minute * 60.0 + second : Double.NaN;
        }

        /// Seconds since 1970 of an hour's begin; NaN when there is none such, or before 1970.
        private static double hour(char[] text, int offset) {
            char middle = text[offset + 10];
            if (text[offset + 4] != '-'
                    || text[offset + 7] != '-'
                    || (middle != 'T' && middle != ' ')) return Double.NaN;
            int year = digits(text, offset, 4);
            int month = digits(text, offset + 5, 2);
            int day = digits(text, offset + 8, 2);
            int hour = digits(text, offset + 11, 2);
            if (year < 1970 || month < 1 || month > 12 || hour < 0 || hour > 23) return Double.NaN;
            if (day < 1 || day > YearMonth.of(year, month).lengthOfMonth()) return Double.NaN;
            return LocalDate.of(year, month, day).toEpochDay() * 86_400.0 + hour * 3600.0;
        }
    }

    /// A number of digits, or −1 when it is none.
    private static int digits(char[] text, int from, int count) {
        int number = 0;
        for (int i = from; i < from + count; i++) {
            int digit = text[i] - '0';
            if (digit < 0 || digit > 9) return -1;
            number = 10 * number + digit;
        }
        return number;
    }

    private static double millis(Instant instant) {
        return instant.toEpochMilli() / 1000.0;
    }
}
