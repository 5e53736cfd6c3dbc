package pentacell.core.service;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.measure.Column;
import pentacell.core.service.facts.Alarms;
import pentacell.core.unit.Middle;

/// A limit that was passed.
///
/// @param kind which one
/// @param group from 0; of a spread, the group farther from the others' median; of a temperature,
///   the probe
/// @param figure the farthest it went, in V, of a spread in mV, of a temperature in °C, of a warmer
///   probe in K
/// @param limit in the same unit
/// @param at when that was
/// @param times at how many readings the limit was passed
public record UseAlarm(Kind kind, int group, double figure, double limit, Instant at, int times) {
    /// A full group may be read so much over its limit, in V (a meter's own error).
    private static final double OVER_FULL_VOLTS = 0.02;

    /// Groups at rest lie nearer than that (common practice: 30 to 50 mV).
    private static final double REST_MILLIVOLTS = 50;

    /// Under it no cell may be charged (common practice).
    private static final double COLD_CELSIUS = 0;

    /// Cells at rest are as warm as their neighbours to within that, in K (common practice: 3 to
    /// 5).
    private static final double WARMER_KELVIN = 5;

    /// From so many probes on one of them can be told from the others.
    private static final int COMPARED_PROBES = 3;

    /// What was passed.
    public enum Kind {
        LOW,
        HIGH,
        SPREAD,
        /// A probe was too warm.
        WARM,
        /// The pack was charged below freezing.
        COLD_CHARGE,
        /// A probe was warmer than the others while the pack rested.
        WARMER
    }

    /// The usual limits of a chemistry.
    public static Alarms usual(Chemistry chemistry) {
        return new Alarms(
                chemistry.endVolts(),
                chemistry.chargeLimitVolts() + OVER_FULL_VOLTS,
                REST_MILLIVOLTS,
                OptionalDouble.empty());
    }

    /// Limits that were passed in a history, at most one of each kind.
    static List<UseAlarm> of(Timeline history, Alarms alarms) {
        List<UseAlarm> passed = new ArrayList<>(ofGroups(history, alarms));
        if (!history.log().celsius().isEmpty()) passed.addAll(ofProbes(history, alarms.warmest()));
        return passed;
    }

    private static List<UseAlarm> ofProbes(Timeline history, double warmCelsius) {
        double still = PackHistory.REST_SHARE * history.log().mostAmps();
        Worst warm = new Worst(Kind.WARM, warmCelsius, 1);
        Worst cold = new Worst(Kind.COLD_CHARGE, COLD_CELSIUS, -1);
        Worst warmer = new Worst(Kind.WARMER, WARMER_KELVIN, 1);
        List<Column> probes = history.log().celsius();
        for (int i = 0; i < history.log().size(); i++) {
            int moment = i;
            double amps = history.log().amps().get(i);
            ToDoubleFunction<Integer> celsius = probe -> probes.get(probe).get(moment);
            List<Integer> read =
                    IntStream.range(0, probes.size())
                            .filter(probe -> !Double.isNaN(celsius.applyAsDouble(probe)))
                            .boxed()
                            .sorted(Comparator.comparingDouble(celsius))
                            .toList();
            if (read.isEmpty()) continue;
            int coldest = read.get(0);
            int warmest = read.get(read.size() - 1);
            warm.look(celsius.applyAsDouble(warmest), warmest, history, i);
            if (amps < -still) cold.look(celsius.applyAsDouble(coldest), coldest, history, i);
            if (Math.abs(amps) > still || read.size() < COMPARED_PROBES) continue;
            double usual = Middle.of(read.stream().mapToDouble(celsius).toArray());
            warmer.look(celsius.applyAsDouble(warmest) - usual, warmest, history, i);
        }
        return Worst.passed(warm, cold, warmer);
    }

    private static List<UseAlarm> ofGroups(Timeline history, Alarms alarms) {
        double still = PackHistory.REST_SHARE * history.log().mostAmps();
        Worst low = new Worst(Kind.LOW, alarms.lowVolts(), -1);
        Worst high = new Worst(Kind.HIGH, alarms.highVolts(), 1);
        Worst spread = new Worst(Kind.SPREAD, alarms.spreadMillivolts(), 1);
        for (int i = 0; i < history.log().size(); i++) {
            List<Double> volts = history.volts(i);
            int least = 0;
            int greatest = 0;
            for (int g = 1; g < volts.size(); g++) {
                if (volts.get(g) < volts.get(least)) least = g;
                if (volts.get(g) > volts.get(greatest)) greatest = g;
            }
            low.look(volts.get(least), least, history, i);
            high.look(volts.get(greatest), greatest, history, i);
            if (Math.abs(history.log().amps().get(i)) > still) continue;
            double middle = volts.stream().mapToDouble(each -> each).average().orElse(0);
            boolean isLow = middle - volts.get(least) > volts.get(greatest) - middle;
            spread.look(
                    1000 * (volts.get(greatest) - volts.get(least)),
                    isLow ? least : greatest,
                    history,
                    i);
        }
        return Worst.passed(low, high, spread);
    }

    private static final class Worst {
        private final Kind kind;
        private final double limit;
        private final int sign;
        private double figure = Double.NaN;
        private int group;
        private Instant at = Instant.EPOCH;
        private int times;

        Worst(Kind kind, double limit, int sign) {
            this.kind = kind;
            this.limit = limit;
            this.sign = sign;
        }

        void look(double now, int ofGroup, Timeline history, int moment) {
            if (!(sign * (now - limit) > 0)) return;
            times++;
            if (!Double.isNaN(figure) && !(sign * (now - figure) > 0)) return;
            figure = now;
            group = ofGroup;
            at = history.at(moment);
        }

        static List<UseAlarm> passed(Worst... all) {
            return Arrays.stream(all)
                    .filter(each -> each.times > 0)
                    .map(each ->
                            new UseAlarm(
                                    each.kind,
                                    each.group,
                                    each.figure,
                                    each.limit,
                                    each.at,
                                    each.times))
                    .toList();
        }
    }
}
