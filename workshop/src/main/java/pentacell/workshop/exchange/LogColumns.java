package pentacell.workshop.exchange;

import java.util.List;
import java.util.Optional;

/// Which column of an instrument's log holds what, and in which unit.
///
/// @param time column of the time, from 0
/// @param timeFactor seconds in one of its units
/// @param volts column of the voltage
/// @param voltFactor volts in one of its units; 0 when none is named
/// @param amps column of the current
/// @param ampFactor amperes in one of its units; 0 when none is named
/// @param celsius column of the temperature; −1 when there is none
/// @param isHeader whether they were read from a header, and not guessed from numbers
record LogColumns(
        int time,
        double timeFactor,
        int volts,
        double voltFactor,
        int amps,
        double ampFactor,
        int celsius,
        boolean isHeader) {
    /// A table without a header: time in s, voltage, current, temperature.
    private static final LogColumns PLAIN = new LogColumns(0, 1, 1, 0, 2, 0, 3, false);

    private static final List<String> TIME =
            List.of(
                    "time", "seconds", "elapsed", "second", "t", "sec", "minutes", "hours", "s",
                    "ms");
    private static final List<String> VOLTS = List.of("voltage", "volts", "volt", "u", "v", "mv");
    private static final List<String> AMPS =
            List.of("current", "amps", "ampere", "amperes", "i", "a", "ma", "milliamps");
    private static final List<String> CELSIUS =
            List.of("temperature", "temp", "celsius", "degc", "t_c", "temperatur");

    /// The columns a line names or, when it holds numbers only, the plain order.
    static Optional<LogColumns> of(List<String> fields) {
        int time = -1;
        int volts = -1;
        int amps = -1;
        int celsius = -1;
        for (int i = 0; i < fields.size(); i++) {
            String name = Headers.plain(fields.get(i));
            String first = name.contains("_") ? name.substring(0, name.indexOf('_')) : name;
            if (celsius < 0 && isOneOf(name, first, CELSIUS)) celsius = i;
            else if (time < 0 && isTime(name, first)) time = i;
            else if (volts < 0 && isOneOf(name, first, VOLTS)) volts = i;
            else if (amps < 0 && isOneOf(name, first, AMPS)) amps = i;
        }
        if (time >= 0 && volts >= 0 && amps >= 0)
            return Optional.of(
                    new LogColumns(
                            time,
                            timeFactor(Headers.plain(fields.get(time))),
                            volts,
                            factor(Headers.plain(fields.get(volts)), "v", "volt", "volts"),
                            amps,
                            factor(Headers.plain(fields.get(amps)), "a", "amp", "amps", "ampere"),
                            celsius,
                            true));
        boolean isNumbers =
                fields.size() >= 3
                        && fields.stream()
                                .limit(3)
                                .allMatch(field -> Double.isFinite(LogNumber.parse(field)));
        return isNumbers
                ? Optional.of(
                        fields.size() > 3 ? PLAIN : new LogColumns(0, 1, 1, 0, 2, 0, -1, false))
                : Optional.empty();
    }

    private static boolean isOneOf(String name, String first, List<String> words) {
        return words.contains(name)
                || words.contains(first)
                || words.stream().anyMatch(word -> word.length() > 3 && name.contains(word));
    }

    private static boolean isTime(String name, String first) {
        // a clock time or a step's own time is not the time of the run, unless nothing else is
        return isOneOf(name, first, TIME) && !name.contains("step") && !name.contains("times");
    }

    private static double timeFactor(String name) {
        if (name.matches(".*(^|_)(ms|millis.*)$")) return 0.001;
        if (name.matches(".*(^|_)(min|mins|minutes?|m)$")) return 60;
        if (name.matches(".*(^|_)(h|hr|hrs|hours?)$")) return 3600;
        return 1;
    }

    /// 1 for the unit itself, a thousandth for its milli, 0 when none is named.
    private static double factor(String name, String... units) {
        for (String unit : units) {
            if (name.matches(".*(^|_)m" + unit + "$") || name.contains("milli")) return 0.001;
            if (name.matches(".+_" + unit + "$")) return 1;
        }
        return 0;
    }
}
