package pentacell.field;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;

/// A pack in the field, with curves, slow polarisation and use of its own: nothing here is taken
/// from the program that judges it.
///
/// Each group is a voltage at rest over its charge, a resistance at once, and two that come with
/// time (30 s and 15 min). A logger reads it, rounds, errs and sometimes misses.
public final class FieldPack {
    /// Cell families.
    public enum Family {
        NMC(4.20, 3.0, 2.5),
        LFP(3.65, 2.6, 2.0);

        private static final int POINTS = 4096;

        final double limit;
        final double cutOff;

        /// No discharge goes below, in V (common practice).
        final double least;

        /// Filled once, then only read.
        @SuppressWarnings("ImmutableEnumChecker")
        private final double[] table = new double[POINTS + 2];

        Family(double limit, double cutOff, double least) {
            this.least = least;
            this.limit = limit;
            this.cutOff = cutOff;
            for (int i = 0; i < table.length; i++) table[i] = reckoned(-0.02 + 1.04 * i / POINTS);
        }

        /// Voltage at rest of a cell, in V, at a share of its charge.
        public double rest(double share) {
            double at = (Math.clamp(share, -0.02, 1.02) + 0.02) / 1.04 * POINTS;
            int below = (int) at;
            return table[below] + (at - below) * (table[below + 1] - table[below]);
        }

        private double reckoned(double z) {
            return switch (name()) {
                case "NMC" ->
                        3.33
                                + 0.45 * z
                                + 0.35 * z * z * z
                                + 0.05 * Math.tanh((z - 0.55) / 0.09)
                                - 0.35 * Math.exp(-z / 0.03);
                default ->
                        3.265
                                + 0.035 * z
                                + 0.015 * Math.tanh((z - 0.68) / 0.03)
                                - 0.55 * Math.exp(-z / 0.025)
                                - 0.10 * Math.exp(-z / 0.1)
                                + 0.10 * Math.exp((z - 1) / 0.008);
            };
        }
    }

    /// What it is used for.
    public enum Use {
        SOLAR,
        SUPPLY,
        STORAGE,
        RIDE,
        RIDE_WITH_REGENERATION,
        TOOL,
        HEATER
    }

    /// What is wrong with a group.
    public enum Fault {
        NONE,
        /// By the share of the capacity that is gone.
        CELLS_OFF,
        /// By amperes lost.
        SELF_DISCHARGE,
        /// By the resistance more, as a part of the usual one.
        RESISTANCE,
        /// By volts read too high.
        MISREAD,
        /// By the share of the charge that it is ahead.
        AHEAD
    }

    /// How it is logged.
    ///
    /// @param seconds between two readings
    /// @param roundedVolts step that voltages are written in
    /// @param noiseVolts error of each
    /// @param sign what drawn currents are multiplied with; 0 for magnitudes without a sign
    /// @param gaps how many times some hours are missing
    public record Logger(
            double seconds, double roundedVolts, double noiseVolts, int sign, int gaps) {}

    private static final double STEP_SECONDS = 10;
    private static final double FAST_SECONDS = 30;
    private static final double SLOW_SECONDS = 900;
    private static final double FAST_PART = 0.4;
    private static final double SLOW_PART = 0.5;

    /// What a load of an hour meets, over what is there at once.
    public static final double LASTING_PART = 1 + FAST_PART + SLOW_PART;

    private static final double AH_OF_A_CELL = 2.2;
    private static final double OHMS_OF_A_CELL = 0.055;
    private static final double USUAL_CELSIUS = 25;

    /// Cells resist this much more for each degree below the usual temperature, as a part.
    private static final double COLDER_PART = 0.015;

    private static final double DAY_SECONDS = 86_400;
    private static final double HOURS_A_MONTH = 720;

    private final Family family;
    private final int parallel;
    private final Random random;
    private final double[] ampHours;
    private final double[] ohms;
    private final double[] leak;
    private final double[] offset;
    private final double[] share;
    private final double[] fast;
    private final double[] slow;
    private double fastPart = FAST_PART;
    private double bleedAmps;
    private double now;
    private double soFar;
    private double burst;
    private double burstEnds;
    private boolean charges;
    private boolean isFull;
    private boolean isEmpty;
    private double meanCelsius = USUAL_CELSIUS;
    private double celsiusSwing;
    private double warmth = 1;

    /// @param spread of capacities, as a part; resistances spread three times as much
    public FieldPack(Family family, int series, int parallel, double spread, Random random) {
        this.family = family;
        this.parallel = parallel;
        this.random = random;
        ampHours = new double[series];
        ohms = new double[series];
        leak = new double[series];
        offset = new double[series];
        share = new double[series];
        fast = new double[series];
        slow = new double[series];
        for (int g = 0; g < series; g++) {
            // groups are matched: what cells differ by is evened out by their number
            double even = spread / Math.sqrt(parallel);
            ampHours[g] = parallel * AH_OF_A_CELL * (1 + even * random.nextGaussian());
            double more = Math.clamp(3 * even * random.nextGaussian(), -0.6, 2);
            ohms[g] = OHMS_OF_A_CELL / parallel * (1 + more);
            // 1 % a month, groups nearly alike
            leak[g] = ampHours[g] * 0.01 / HOURS_A_MONTH * (1 + 0.1 * random.nextGaussian());
            offset[g] = 0.001 * random.nextGaussian();
            share[g] = 0.9;
        }
    }

    /// Gives a group a fault.
    public FieldPack with(Fault fault, int group, double size) {
        switch (fault) {
            case NONE -> {}
            case CELLS_OFF -> {
                ampHours[group] *= 1 - size;
                ohms[group] /= 1 - size;
            }
            case SELF_DISCHARGE -> leak[group] += size;
            case RESISTANCE -> ohms[group] *= 1 + size;
            case MISREAD -> offset[group] += size;
            case AHEAD -> share[group] += size;
        }
        return this;
    }

    /// Gives it a board that bleeds groups near full.
    public FieldPack balancedBy(double amps) {
        bleedAmps = amps;
        return this;
    }

    /// Cells that lose another share of their charge per month; 1 % unless said.
    public FieldPack losing(double shareAMonth) {
        for (int g = 0; g < leak.length; g++) leak[g] *= shareAMonth / 0.01;
        return this;
    }

    /// Puts it where the temperature swings about a mean in the course of each day; 25 °C
    /// throughout unless said.
    public FieldPack at(double meanCelsius, double swing) {
        this.meanCelsius = meanCelsius;
        celsiusSwing = swing;
        return this;
    }

    /// Cells whose voltage follows a step at once, but for what takes a quarter of an hour.
    public FieldPack withoutFast() {
        fastPart = 0;
        return this;
    }

    /// Capacity of a sound group, about, in Ah.
    public double ampHours() {
        return parallel * AH_OF_A_CELL;
    }

    /// Voltage that a charge ends at, per cell, in V.
    public double limitVolts() {
        return family.limit;
    }

    /// Capacity of a group, in Ah.
    public double ampHours(int group) {
        return ampHours[group];
    }

    /// State of charge of a group now, from 0 to 1.
    public double share(int group) {
        return share[group];
    }

    /// Resistance of a group at once, in Ω.
    public double ohms(int group) {
        return ohms[group];
    }

    /// Uses it for some days and logs it.
    public FieldLog log(Use use, double days, Logger logger) {
        Written written = new Written(ampHours.length, logger, random);
        double step = Math.min(STEP_SECONDS, logger.seconds());
        double until = days * DAY_SECONDS;
        double[] gapAt = random.doubles(logger.gaps(), 0, until).sorted().toArray();
        double next = 0;
        Elapse elapse = new Elapse(step);
        for (double at = 0; at < until; at += step) {
            warm(at);
            now = amps(use, at);
            if (at >= next) {
                next = at + logger.seconds() * (1 - 1e-9);
                if (!isMissed(at, gapAt)) written.add(at, now, this);
            }
            pass(elapse);
        }
        return written.log();
    }

    /// Discharges it by a course of currents and logs that.
    ///
    /// @param amps drawn at a time in s; it ends when that is not a number
    public FieldLog log(DoubleUnaryOperator amps, Logger logger) {
        Written written = new Written(ampHours.length, logger, random);
        double step = Math.min(1, logger.seconds());
        Elapse elapse = new Elapse(step);
        // a load does not wait for the logger
        double next = logger.seconds() * random.nextDouble();
        for (double at = 0; ; at += step) {
            now = amps.applyAsDouble(at);
            if (Double.isNaN(now)) {
                return written.log();
            }
            if (at >= next - 1e-6) {
                next = at + logger.seconds();
                written.add(at, now, this);
            }
            pass(elapse);
        }
    }

    private static boolean isMissed(double at, double[] gaps) {
        for (double gap : gaps) if (at > gap && at < gap + 6 * 3600) return true;
        return false;
    }

    /// The voltage of a group now, in V.
    double volts(int g) {
        return family.rest(share[g]) - warmth * ohms[g] * now - fast[g] - slow[g] + offset[g];
    }

    /// Resistance of a group at once where the pack is, on average over a day, in Ω.
    public double ohmsAtMeanTemperature(int group) {
        return ohms[group] * atCelsius(meanCelsius);
    }

    private void warm(double at) {
        double celsius =
                meanCelsius + celsiusSwing * Math.sin(2 * Math.PI * (at / DAY_SECONDS - 0.4));
        warmth = atCelsius(celsius);
    }

    /// What resistances are multiplied by at a temperature.
    private static double atCelsius(double celsius) {
        return 1 + COLDER_PART * (USUAL_CELSIUS - celsius);
    }

    /// The lowest voltage now, in V.
    public double lowest() {
        double lowest = Double.POSITIVE_INFINITY;
        for (int g = 0; g < share.length; g++) lowest = Math.min(lowest, volts(g));
        return lowest;
    }

    private double highest() {
        double highest = Double.NEGATIVE_INFINITY;
        for (int g = 0; g < share.length; g++) highest = Math.max(highest, volts(g));
        return highest;
    }

    private void pass(Elapse elapse) {
        double seconds = elapse.seconds();
        boolean mayBleed = bleedAmps > 0 && charges;
        double least = mayBleed ? lowest() : Double.NaN;
        for (int g = 0; g < share.length; g++) {
            boolean bleeds =
                    mayBleed
                            && family.rest(share[g]) > family.rest(0.9)
                            && volts(g) > least + 0.005;
            double drawn = now + leak[g] + (bleeds ? bleedAmps : 0);
            share[g] -= drawn * seconds / 3600 / ampHours[g];
            fast[g] += (fastPart * warmth * ohms[g] * now - fast[g]) * elapse.toFast();
            slow[g] += (SLOW_PART * warmth * ohms[g] * now - slow[g]) * elapse.toSlow();
        }
        soFar += now * seconds / 3600;
    }

    /// A step of time, and how far polarisation comes in it.
    private record Elapse(double seconds, double toFast, double toSlow) {
        Elapse(double seconds) {
            this(
                    seconds,
                    -Math.expm1(-seconds / FAST_SECONDS),
                    -Math.expm1(-seconds / SLOW_SECONDS));
        }
    }

    /// What flows at a time: what the use asks for, within what the board lets.
    private double amps(Use use, double at) {
        double c = ampHours();
        double hour = at / 3600 % 24;
        double day = Math.floor(at / 86_400);
        if (!isEmpty && (soFar > 0.8 * c || lowest() < family.cutOff + 0.1)) isEmpty = true;
        boolean wantsCharge =
                switch (use) {
                    case SOLAR -> hour > 9 && hour < 16;
                    case SUPPLY -> !(day % 4 == 2 && hour > 10 && hour < 12);
                    case STORAGE -> day % 10 == 9 && hour > 8;
                    case RIDE, RIDE_WITH_REGENERATION, TOOL, HEATER -> hour > 19 || hour < 5;
                };
        if (wantsCharge) return charge(use, c);
        charges = false;
        isFull = false;
        if (isEmpty) return 0;
        return switch (use) {
            case SOLAR -> hour >= 16 && hour < 18 ? 0 : every(at, 3600, 600) ? 0.25 * c : 0.04 * c;
            case SUPPLY -> 0.3 * c * (1 + 0.2 * Math.sin(at / 300));
            case STORAGE -> 0.004 * c + (every(at, 43_200, 1800) ? 0.08 * c : 0);
            case RIDE, RIDE_WITH_REGENERATION ->
                    hour > 7 && hour < 7.6 || hour > 16 && hour < 16.7 ? ride(use, at, c) : 0;
            case TOOL -> hour > 8 && hour < 15 ? tool(at, c) : 0;
            case HEATER -> hour > 5.5 && hour < 6.6 ? 0.5 * c : 0;
        };
    }

    private static boolean every(double at, double period, double length) {
        return at % period < length;
    }

    private double charge(Use use, double c) {
        charges = true;
        isEmpty = false;
        if (isFull) {
            if (family.rest(share[0]) < family.rest(0.93)) isFull = false;
            return use == Use.SUPPLY && !isFull ? -0.05 * c : 0;
        }
        double most = (use == Use.SOLAR ? 0.12 : 0.25) * c;
        // constant voltage: so much less as the highest group is over the limit
        double room = (family.limit - 0.03 - highest()) / (ohms[0] * 1.9);
        double amps = Math.clamp(-now + 0.2 * room, 0, most);
        if (amps < 0.02 * c && highest() > family.limit - 0.06) {
            isFull = true;
            soFar = 0;
            return 0;
        }
        return -amps;
    }

    private double ride(Use use, double at, double c) {
        if (at >= burstEnds) {
            burstEnds = at + 10 + 60 * random.nextDouble();
            double kind = random.nextDouble();
            burst =
                    kind < 0.2
                            ? use == Use.RIDE_WITH_REGENERATION ? -0.25 * c : 0
                            : (0.2 + 1.1 * random.nextDouble()) * c;
        }
        return burst * (1 + 0.05 * random.nextGaussian());
    }

    private double tool(double at, double c) {
        if (at >= burstEnds) {
            boolean works = burst == 0 && random.nextInt(4) == 0;
            burst = works ? (1 + random.nextDouble()) * c : 0;
            burstEnds =
                    at + (works ? 10 + 20 * random.nextDouble() : 30 + 200 * random.nextDouble());
        }
        return burst;
    }

    /// What a logger has written so far.
    private static final class Written {
        private final Logger logger;
        private final Random random;
        private final FieldLog.Builder log;

        Written(int series, Logger logger, Random random) {
            this.logger = logger;
            this.random = random;
            log = new FieldLog.Builder(series);
        }

        void add(double at, double now, FieldPack pack) {
            double read = Math.rint(1000 * now) / 1000;
            double written = logger.sign() == 0 ? Math.abs(read) : logger.sign() * read;
            double[] volts = new double[pack.ampHours.length];
            for (int g = 0; g < volts.length; g++) {
                double volt = pack.volts(g) + logger.noiseVolts() * random.nextGaussian();
                double step = logger.roundedVolts();
                volts[g] = step > 0 ? Math.rint(volt / step) * step : volt;
            }
            log.add(at, now, written, volts);
        }

        FieldLog log() {
            return log.build();
        }
    }
}
