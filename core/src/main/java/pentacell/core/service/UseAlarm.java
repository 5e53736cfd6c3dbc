package pentacell.core.service;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import pentacell.core.cell.Chemistry;
import pentacell.core.use.Alarms;

/// A limit that was passed.
///
/// @param kind which one
/// @param group from 0; of a spread, the group farther from the others' median
/// @param figure the farthest it went, in V, of a spread in mV
/// @param limit in the same unit
/// @param at when that was
/// @param times at how many readings the limit was passed
public record UseAlarm(Kind kind, int group, double figure, double limit, Instant at, int times) {
    /// A full group may be read so much over its limit, in V (a meter's own error).
    private static final double OVER_FULL_VOLTS = 0.02;

    /// Groups at rest lie nearer than that (common practice: 30 to 50 mV).
    private static final double REST_MILLIVOLTS = 50;

    /// What was passed.
    public enum Kind {
        LOW,
        HIGH,
        SPREAD
    }

    /// The usual limits of a chemistry.
    public static Alarms usual(Chemistry chemistry) {
        return new Alarms(
                chemistry.endVolts(),
                chemistry.chargeLimitVolts() + OVER_FULL_VOLTS,
                REST_MILLIVOLTS);
    }

    /// Limits that were passed in a history, at most one of each kind.
    static List<UseAlarm> of(Timeline history, Alarms alarms) {
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
        List<UseAlarm> passed = new ArrayList<>();
        for (Worst each : List.of(low, high, spread)) each.add(passed);
        return passed;
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

        void add(List<UseAlarm> passed) {
            if (times > 0) passed.add(new UseAlarm(kind, group, figure, limit, at, times));
        }
    }
}
