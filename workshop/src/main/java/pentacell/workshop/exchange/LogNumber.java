package pentacell.workshop.exchange;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
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
        long digits = 0;
        int count = 0;
        int decimals = -1;
        for (; at < end; at++) {
            char next = text[at];
            if (next >= '0' && next <= '9') {
                digits = 10 * digits + (next - '0');
                count++;
                if (decimals >= 0) decimals++;
            } else if ((next == '.' || next == ',') && decimals < 0) decimals = 0;
            else return Double.NaN;
        }
        if (count == 0 || count > EXACT_DIGITS) return Double.NaN;
        double value = decimals > 0 ? digits / POWERS[decimals] : digits;
        return negative ? -value : value;
    }

    /// A value of a column in the base unit. A milli is divided by a thousand, not multiplied by a
    /// number that is none exactly: 3684.5 mV are what "3.6845" is read as.
    static double scaled(double value, double factor) {
        return factor < 1 ? value / Math.rint(1 / factor) : value * factor;
    }

    /// A time in the column's unit, or as `h:mm:ss`, or as a date with a time in seconds since
    /// 1970; NaN when it is none.
    static double time(String text, double factor) {
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

    private static double millis(Instant instant) {
        return instant.toEpochMilli() / 1000.0;
    }
}
