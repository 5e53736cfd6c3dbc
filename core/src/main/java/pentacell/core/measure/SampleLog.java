package pentacell.core.measure;

import java.util.Arrays;

/// What an instrument logged, in compact columns: time, voltage, current and, when it was measured,
/// the temperature of the can.
///
/// Invariant: times rise strictly; times, voltages and currents are finite. Current above 0
/// charges, under 0 discharges. Temperatures are NaN where none was measured.
public final class SampleLog {
    private final Column seconds;
    private final Column volts;
    private final Column amps;
    private final Column celsius;

    /// No single cell reads over this, in V either way.
    private static final double MOST_VOLTS = 20;

    /// No single cell carries more, in A either way.
    private static final double MOST_AMPS = 1000;

    /// No can is colder or hotter, in °C.
    private static final double LEAST_CELSIUS = -60;

    private static final double MOST_CELSIUS = 300;

    /// No run of a cell lasts longer, in s: a year.
    public static final double MOST_SECONDS = 3.2e7;

    /// Whether these can be the readings of a single cell; NaN cannot.
    public static boolean canBe(double volts, double amps) {
        return Math.abs(volts) <= MOST_VOLTS && Math.abs(amps) <= MOST_AMPS;
    }

    /// Whether this can be the temperature of a can, in °C; NaN cannot.
    public static boolean canBeCelsius(double celsius) {
        return celsius >= LEAST_CELSIUS && celsius <= MOST_CELSIUS;
    }

    private SampleLog(Column seconds, Column volts, Column amps, Column celsius) {
        this.seconds = seconds;
        this.volts = volts;
        this.amps = amps;
        this.celsius = celsius;
    }

    /// A log without temperatures.
    public static SampleLog of(double[] seconds, double[] volts, double[] amps) {
        double[] none = new double[seconds.length];
        Arrays.fill(none, Double.NaN);
        return of(seconds, volts, amps, none);
    }

    /// A log of columns.
    ///
    /// @throws IllegalArgumentException when the columns differ in length, a value is not finite or
    ///   time does not rise
    public static SampleLog of(Column seconds, Column volts, Column amps, Column celsius) {
        if (seconds.size() != volts.size()
                || volts.size() != amps.size()
                || amps.size() != celsius.size())
            throw new IllegalArgumentException("the columns of a log are of one length");
        double last = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < seconds.size(); i++) {
            check(last, seconds.get(i), volts.get(i), amps.get(i));
            last = seconds.get(i);
        }
        return new SampleLog(seconds, volts, amps, celsius);
    }

    private static void check(double last, double second, double volt, double amp) {
        if (!(Double.isFinite(second) && Double.isFinite(volt) && Double.isFinite(amp)))
            throw new IllegalArgumentException(
                    "a sample is of finite numbers, was %s s, %s V, %s A"
                            .formatted(second, volt, amp));
        if (!(second > last))
            throw new IllegalArgumentException(
                    "time must rise, was %s s after %s s".formatted(second, last));
    }

    /// A log of copied columns.
    ///
    /// @throws IllegalArgumentException when the columns differ in length, a value is not finite or
    ///   time does not rise
    public static SampleLog of(double[] seconds, double[] volts, double[] amps, double[] celsius) {
        Builder builder = new Builder();
        if (seconds.length != volts.length
                || volts.length != amps.length
                || amps.length != celsius.length)
            throw new IllegalArgumentException("the columns of a log are of one length");
        for (int i = 0; i < seconds.length; i++)
            builder.add(seconds[i], volts[i], amps[i], celsius[i]);
        return builder.build();
    }

    /// Number of samples.
    public int size() {
        return seconds.size();
    }

    /// Time of a sample in s.
    public double seconds(int index) {
        return seconds.get(index);
    }

    /// Voltage in V.
    public double volts(int index) {
        return volts.get(index);
    }

    /// Current in A; above 0 charges.
    public double amps(int index) {
        return amps.get(index);
    }

    /// Temperature in °C; NaN when it was not measured.
    public double celsius(int index) {
        return celsius.get(index);
    }

    /// Grows a log sample by sample.
    public static final class Builder {
        private final Column.Builder seconds = new Column.Builder();
        private final Column.Builder volts = new Column.Builder();
        private final Column.Builder amps = new Column.Builder();
        private final Column.Builder celsius = new Column.Builder();
        private double last = Double.NEGATIVE_INFINITY;

        /// Adds a sample.
        ///
        /// @throws IllegalArgumentException when a value is not finite or time does not rise
        public void add(double second, double volt, double amp, double degree) {
            check(last, second, volt, amp);
            last = second;
            seconds.add(second);
            volts.add(volt);
            amps.add(amp);
            celsius.add(degree);
        }

        /// Number of samples so far.
        public int size() {
            return seconds.size();
        }

        /// Time of the last sample in s; minus infinity before the first.
        public double lastSeconds() {
            return last;
        }

        /// The log so far.
        public SampleLog build() {
            return new SampleLog(seconds.build(), volts.build(), amps.build(), celsius.build());
        }
    }
}
