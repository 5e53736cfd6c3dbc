package pentacell.core.service;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import pentacell.core.measure.Column;
import pentacell.core.prove.GroupLog;
import pentacell.core.service.facts.Trouble;

/// Days of use of a pack whose truth is known, as a logger writes them.
final class UsedPack {
    static final double AMP_HOURS = 100;
    static final double OHMS = 0.001;

    /// From nearly full, 42 Ah with a peak of 20 A each hour, read every ten minutes.
    static final Use USE = new Use(20, 0.97, 6, 20, 600, 0.002, 0, 0);

    private UsedPack() {}

    /// A group.
    ///
    /// @param share of its capacity that is left
    /// @param ahead how much fuller than the others it is at the begin, as a share
    record Truth(double share, double leakAmps, double ohms, double offset, double ahead) {
        static final Truth SOUND = new Truth(1, 0, OHMS, 0);

        Truth(double share, double leakAmps, double ohms, double offset) {
            this(share, leakAmps, ohms, offset, 0);
        }

        /// The same in a pack whose groups were made equal at another state than full.
        Truth madeEqualAt(double state, double full) {
            return new Truth(
                    share, leakAmps, ohms, offset, ahead + (full - state) * (1 / share - 1));
        }

        /// One that has a trouble, clearly.
        static Truth of(Trouble trouble) {
            return switch (trouble) {
                case CELLS_OFF -> new Truth(0.85, 0, OHMS / 0.85, 0);
                case SELF_DISCHARGE -> new Truth(1, 0.02, OHMS, 0);
                case RESISTANCE -> new Truth(1, 0, 3 * OHMS, 0);
                case MISREAD -> new Truth(1, 0, OHMS, 0.025);
                case UNEVEN_LOAD -> throw new IllegalArgumentException("shows in the others");
            };
        }
    }

    /// How it is used, and read.
    ///
    /// @param full where it stands when it is charged, as a share
    /// @param amps drawn for seven hours of each day
    /// @param peakAmps once in each six readings
    /// @param leaps how often the logger's clock goes on by up to a day at once
    record Use(
            int days,
            double full,
            double amps,
            double peakAmps,
            double stepSeconds,
            double noiseVolts,
            double roundedToVolts,
            int leaps) {
        Use from(double full) {
            return new Use(
                    days, full, amps, peakAmps, stepSeconds, noiseVolts, roundedToVolts, leaps);
        }

        Use of(int days) {
            return new Use(
                    days, full, amps, peakAmps, stepSeconds, noiseVolts, roundedToVolts, leaps);
        }

        Use leaping(int leaps) {
            return new Use(
                    days, full, amps, peakAmps, stepSeconds, noiseVolts, roundedToVolts, leaps);
        }

        private double rounded(double volts) {
            return roundedToVolts > 0 ? Math.rint(volts / roundedToVolts) * roundedToVolts : volts;
        }
    }

    static List<Truth> sound(Random random, int series) {
        List<Truth> groups = new ArrayList<>();
        for (int g = 0; g < series; g++)
            groups.add(
                    new Truth(
                            1 + 0.003 * random.nextGaussian(),
                            0.0005 * random.nextDouble(),
                            OHMS * (1 + 0.03 * random.nextGaussian()),
                            0.001 * random.nextGaussian()));
        return groups;
    }

    /// What is said of a group with the most certainty.
    static Optional<Finding> surest(Watch watch, int group) {
        return watch.findings().stream()
                .filter(each -> each.group() == group)
                .max(Comparator.comparingDouble(Finding::sure));
    }

    /// How much is said of groups that have nothing.
    static int accusations(Watch watch, Integer... troubled) {
        List<Integer> bad = List.of(troubled);
        return (int) watch.findings().stream().filter(each -> !bad.contains(each.group())).count();
    }

    /// Whether that is what it has.
    ///
    /// @param hidden a trouble, or HEALTHY: then nothing may be said of any group
    static boolean isSaid(Watch watch, int group, String hidden) {
        return hidden.equals("HEALTHY")
                ? watch.findings().isEmpty()
                : surest(watch, group)
                        .filter(each -> each.cause().name().equals(hidden))
                        .isPresent();
    }

    /// @param curve voltage at rest over the share of the charge
    static GroupLog history(List<Truth> groups, DoubleUnaryOperator curve, Use use, Random random) {
        int series = groups.size();
        double[] share = new double[series];
        Arrays.setAll(share, g -> use.full() + groups.get(g).ahead());
        Column.Builder seconds = new Column.Builder();
        Column.Builder amps = new Column.Builder();
        List<Column.Builder> volts = new ArrayList<>();
        for (int g = 0; g < series; g++) volts.add(new Column.Builder());
        double step = use.stepSeconds();
        double hours = step / 3600;
        double net = 0;
        double leapt = 0;
        int count = (int) (use.days() * 86_400 / step);
        int between = count / (use.leaps() + 1);
        for (int i = 0; i < count; i++) {
            double hour = i * hours % 24;
            double charging =
                    Math.min(Math.max(16, 1.2 * use.amps()), Math.min(4, 1 / hours) * net);
            double now =
                    hour < 7
                            ? i % 6 == 0 ? use.peakAmps() : use.amps()
                            : hour < 10 || hour >= 20 ? 0 : net > 0.5 ? -charging : 0;
            if (i > 0 && i % between == 0 && use.leaps() > 0)
                leapt += 3600 + 82_800 * random.nextDouble();
            if (random.nextInt(50) != 0) {
                seconds.add(i * step + leapt);
                amps.add(-now);
                for (int g = 0; g < series; g++)
                    volts.get(g)
                            .add(
                                    use.rounded(
                                            curve.applyAsDouble(share[g])
                                                    - now * groups.get(g).ohms()
                                                    + groups.get(g).offset()
                                                    + use.noiseVolts() * random.nextGaussian()));
            }
            net += now * hours;
            for (int g = 0; g < series; g++)
                share[g] -=
                        (now + groups.get(g).leakAmps())
                                * hours
                                / (AMP_HOURS * groups.get(g).share());
        }
        return GroupLog.of(
                seconds.build(),
                amps.build(),
                volts.stream().map(Column.Builder::build).toList(),
                List.of());
    }
}
