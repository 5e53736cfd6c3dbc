package pentacell.core.service;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.IntToDoubleFunction;
import pentacell.core.prove.GroupLog;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.use.Trouble;

/// What stands out in the history of a pack.
///
/// @param findings the surest first; none in a healthy pack
/// @param spreadLowMillivolts usual spread of the groups near their lowest state
/// @param spreadHighMillivolts the same near their highest
/// @param trendMillivolts how the spread changes in 30 days; NaN in a log of less than two days
/// @param outOfBalance groups without a finding that hold more or less than the others; the
///   furthest first
public record Watch(
        List<Finding> findings,
        double spreadLowMillivolts,
        double spreadHighMillivolts,
        double trendMillivolts,
        List<OutOfBalance> outOfBalance) {
    /// Groups of a matched pack differ by this without anything being wrong (common practice).
    private static final double SAME_SHARE = 0.018;

    private static final double HALF_A_CELL = 0.6;

    /// What an effect must come to at its strongest, in V.
    private static final double SEEN_VOLTS = 0.006;

    /// Boards are off by less without anything being wrong (from memory).
    private static final double MISREAD_VOLTS = 0.010;

    /// Beside another cause an offset under this part of what the group strays is the error of that
    /// other's figure.
    private static final double PART_OF_OTHERS = 0.2;

    private static final double MORE_RESISTANCE = 0.25;

    /// Loss by itself that is let pass, as a share of the charge used in a month (common practice:
    /// 2 to 3 % a month).
    private static final double SELF_SHARE_A_MONTH = 0.02;

    /// What a can holds that is worth building in, in Ah (common practice).
    private static final double CAN_AMP_HOURS = 2;

    /// An effect of so many of the steps that voltages are written in can be told; a drop under
    /// load is less than one step, seen over many voltages.
    private static final double STEPS = 1.6;

    private static final double LEAST_DAYS = 3;

    public Watch {
        findings = List.copyOf(findings);
        outOfBalance = List.copyOf(outOfBalance);
    }

    /// Looks through the history of a pack.
    ///
    /// @param parallel cells in each group
    public static Watch of(GroupLog log, int parallel) {
        PackHistory history = new PackHistory(log);
        HistoryMoments moments = history.moments();
        List<Finding> findings = new ArrayList<>();
        List<OutOfBalance> outOfBalance = new ArrayList<>();
        if (log.series() > 1)
            for (int group = 0; group < log.series(); group++) {
                OfGroup one = new OfGroup(history, moments, group, parallel);
                GroupDeviation off = GroupDeviation.of(moments, group);
                List<Finding> told = one.findings(off);
                findings.addAll(told);
                if (told.isEmpty()) one.outOfBalance(off).ifPresent(outOfBalance::add);
            }
        // where one loses charge, the others seem to gain
        if (findings.stream().anyMatch(each -> each.cause() == Trouble.SELF_DISCHARGE))
            findings.removeIf(each -> each.cause() == Trouble.UNEVEN_LOAD);
        findings.sort(Comparator.comparingDouble((Finding each) -> -each.sure()));
        outOfBalance.sort(
                Comparator.comparingDouble((OutOfBalance each) -> -Math.abs(each.aheadAmpHours())));
        return new Watch(
                findings,
                history.spreadLow(moments),
                history.spreadHigh(moments),
                history.trend(moments),
                outOfBalance);
    }

    /// What is said of one group.
    private record OfGroup(PackHistory history, HistoryMoments moments, int group, int parallel) {
        List<Finding> findings(GroupDeviation off) {
            List<Finding> findings = new ArrayList<>();
            cellsOff(findings, off);
            selfDischarge(findings, off);
            unevenLoad(findings, off);
            resistance(findings, off);
            misread(findings, off);
            return findings;
        }

        Optional<OutOfBalance> outOfBalance(GroupDeviation off) {
            double ahead = off.aheadAmpHours();
            double share = ahead / history.usedAmpHours();
            double effect = steepest(at -> moments.slope(at, group) * Math.abs(ahead));
            return Math.abs(share) > SAME_SHARE && effect > seen(SEEN_VOLTS)
                    ? Optional.of(new OutOfBalance(group, ahead, share))
                    : Optional.empty();
        }

        private static double sure(double effect, double passes) {
            return Math.clamp(1 - Math.exp(-effect / passes), 0, 0.99);
        }

        /// What can be told in readings that were rounded.
        private double seen(double volts) {
            return Math.max(volts, STEPS * history.resolution());
        }

        private double steepest(IntToDoubleFunction effect) {
            return moments.where(at -> !Double.isNaN(effect.applyAsDouble(at)))
                    .mapToDouble(effect)
                    .max()
                    .orElse(0);
        }

        private void cellsOff(List<Finding> findings, GroupDeviation off) {
            double share = off.lostShare();
            double passes = Math.max(SAME_SHARE, HALF_A_CELL / parallel);
            double effect =
                    steepest(at ->
                            moments.slope(at, group)
                                    * moments.drawnAmpHours(at)
                                    * share
                                    / (1 - share));
            if (!(share > passes && effect > seen(SEEN_VOLTS))) return;
            int cells = Math.clamp(Math.round(share * parallel), 1, parallel);
            findings.add(
                    new Finding(
                            group,
                            Trouble.CELLS_OFF,
                            OptionalInt.of(cells),
                            Map.of(
                                    "capacityShare",
                                    1 - share,
                                    "strayMillivoltsAtLowest",
                                    1000 * effect),
                            "group %d holds %s of what the others do: about %s of %d off the bar"
                                    .formatted(
                                            group + 1,
                                            Quantity.PERCENT.text(100 * (1 - share), 0),
                                            Count.of(cells, "cell", "cells"),
                                            parallel),
                            "after a rest and under load, each can's voltage against its group: more than %s off is a broken fuse or joint"
                                    .formatted(
                                            Quantity.MILLIVOLTS.text(1000 * CanSearches.OFF_VOLTS)),
                            sure(share, passes)));
        }

        private void selfDischarge(List<Finding> findings, GroupDeviation off) {
            double aDay = off.ampHoursADay();
            if (!drifts(aDay)) return;
            findings.add(
                    new Finding(
                            group,
                            Trouble.SELF_DISCHARGE,
                            OptionalInt.empty(),
                            Map.of(
                                    "milliamps",
                                    1000 * aDay / 24,
                                    "ampHoursADay",
                                    aDay,
                                    "daysToTenPercent",
                                    0.1 * history.usedAmpHours() / aDay),
                            "group %d loses %s mA by itself: a tenth of the charge in %s"
                                    .formatted(
                                            group + 1,
                                            Quantity.COUNT.number(1000 * aDay / 24, 1),
                                            Quantity.DAYS.text(
                                                    0.1 * history.usedAmpHours() / aDay, 0)),
                            "temperature of its cans near full: a heater is warm to the hand; take the pack apart there before it is charged again",
                            sure(aDay, passingAmpHoursADay())));
        }

        private double passingAmpHoursADay() {
            return SELF_SHARE_A_MONTH
                    / 30
                    * Math.max(history.usedAmpHours(), parallel * CAN_AMP_HOURS);
        }

        /// Whether what a group loses against the others, or gains, can be told.
        private boolean drifts(double ampHoursADay) {
            double effect =
                    steepest(at -> moments.slope(at, group) * ampHoursADay * moments.days(at));
            return history.days() >= LEAST_DAYS
                    && ampHoursADay > passingAmpHoursADay()
                    && effect > seen(SEEN_VOLTS);
        }

        private void unevenLoad(List<Finding> findings, GroupDeviation off) {
            double aDay = -off.ampHoursADay();
            if (!drifts(aDay)) return;
            findings.add(
                    new Finding(
                            group,
                            Trouble.UNEVEN_LOAD,
                            OptionalInt.empty(),
                            Map.of("milliamps", 1000 * aDay / 24, "ampHoursADay", aDay),
                            "group %d gains %s mA on the others: they feed something that it does not, or it is charged alone"
                                    .formatted(
                                            group + 1, Quantity.COUNT.number(1000 * aDay / 24, 1)),
                            "what hangs on part of the groups: a tap for a lower voltage, the board's own supply, a charger on one group",
                            sure(aDay, passingAmpHoursADay())));
        }

        /// What cans that are off leave to the others to carry is no finding of its own.
        private void resistance(List<Finding> findings, GroupDeviation off) {
            boolean isOff = findings.stream().anyMatch(each -> each.cause() == Trouble.CELLS_OFF);
            double share = isOff ? off.lostShare() : 0;
            double ohms = off.ohms() - share / (1 - share) * history.ohms();
            double effect = ohms * history.mostAmps();
            double passes =
                    Math.max(
                            MORE_RESISTANCE * history.ohms(),
                            SEEN_VOLTS / Math.max(1e-9, history.mostAmps()));
            if (!(ohms > passes && effect > SEEN_VOLTS)) return;
            findings.add(
                    new Finding(
                            group,
                            Trouble.RESISTANCE,
                            OptionalInt.empty(),
                            Map.of("milliohmsMore", 1000 * ohms),
                            "group %d drops %s more than the others: a joint, a link or worn cells"
                                    .formatted(group + 1, Quantity.RESISTANCE.text(1000 * ohms, 2)),
                            "under load, the drop over its links and joints with a meter: the odd one is warm",
                            sure(ohms, passes)));
        }

        private void misread(List<Finding> findings, GroupDeviation off) {
            double most = steepest(at -> Math.abs(moments.stray(at, group)));
            if (!(Math.abs(off.offsetVolts())
                    > Math.max(
                            findings.isEmpty() ? 0 : PART_OF_OTHERS * most, seen(MISREAD_VOLTS))))
                return;
            if (history.nearFull(moments, group) * Math.signum(off.offsetVolts())
                    < Math.abs(off.offsetVolts()) / 2) return;
            findings.add(
                    new Finding(
                            group,
                            Trouble.MISREAD,
                            OptionalInt.empty(),
                            Map.of("offsetMillivolts", 1000 * off.offsetVolts()),
                            "group %d reads %s %s at any state: it is read wrongly"
                                    .formatted(
                                            group + 1,
                                            Quantity.MILLIVOLTS.text(
                                                    1000 * Math.abs(off.offsetVolts())),
                                            off.offsetVolts() > 0 ? "high" : "low"),
                            "its balance lead and plug, then the group itself with a good meter",
                            sure(Math.abs(off.offsetVolts()), MISREAD_VOLTS)));
        }
    }
}
