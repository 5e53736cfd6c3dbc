package pentacell.core.service;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import pentacell.core.prove.GroupLog;
import pentacell.core.service.facts.Trouble;
import pentacell.core.unit.Middle;

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

    /// Where the usual resistance is not known, a group must have this many times what any other
    /// differs by.
    private static final double BEYOND_OTHERS = 4;

    /// Loss by itself that is let pass, as a share of the charge used in a month (common practice:
    /// 2 to 3 % a month).
    private static final double SELF_SHARE_A_MONTH = 0.02;

    /// The same where the voltage runs flat: sound groups that only lag seem to lose up to 7 % a
    /// month there.
    private static final double FLAT_SELF_SHARE_A_MONTH = 0.075;

    /// A counted loss below this part of what the voltage says contradicts it: the log tells the
    /// charge badly, and the higher figure is the safer one.
    private static final double CONTRADICTS = 0.2;

    /// What a cell holds that is worth building in, in Ah (common practice).
    private static final double CAN_AMP_HOURS = 2;

    /// An effect of so many of the steps that voltages are written in can be told; a drop under
    /// load is less than one step, seen over many voltages.
    private static final double STEPS = 1.6;

    private static final double LEAST_DAYS = 3;

    /// Neighbours lose alike when what they lose differs by less than this part.
    private static final double ALIKE = 0.3;

    /// A group has fallen below all others when it did so as often as this.
    private static final int LEAST_FALLS = 3;

    /// So far below all that the others ever showed, in V.
    private static final double FALLEN_VOLTS = 0.03;

    /// After a rest of this, in s, the voltage has come back from the load.
    private static final double SETTLED_SECONDS = 1800;

    /// It must lack more than this by it.
    private static final double FALLEN_SHARE = 0.05;

    /// With more of its charge lost, a group keeps the others from coming near empty.
    private static final double MUCH_LOST = 0.3;

    /// And is read at less than this part of the highest current, where its resistance says little.
    private static final double LIGHT_SHARE = 0.05;

    /// When full it is not lower than the others by more than this, in V.
    private static final double SAME_FULL_VOLTS = 0.01;

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
        List<GroupDeviation> all = new ArrayList<>();
        BothEnds ends = new BothEnds(moments, SETTLED_SECONDS);
        double[] counted = history.countedAmpHours();
        PackHistory.Tells tells = history.tells(moments, counted);
        Optional<CountedRun> run = tells.isFlat() ? history.countedRun(counted) : Optional.empty();
        for (int group = 0; group < log.series() && log.series() > 1; group++)
            all.add(
                    GroupDeviation.confirmed(
                            moments, group, at -> history.isNearFull(moments, at), tells));
        for (int group = 0; group < all.size(); group++) {
            List<GroupDeviation> others = others(all, group);
            double othersOhms =
                    others.stream().mapToDouble(each -> Math.abs(each.ohms())).max().orElse(0);
            OfGroup one = new OfGroup(history, moments, ends, run, group, parallel, othersOhms);
            GroupDeviation off = all.get(group).beyond(others);
            List<Finding> told = one.findings(off);
            findings.addAll(told);
            if (told.isEmpty()) one.outOfBalance(off).ifPresent(outOfBalance::add);
        }
        // where one loses charge, the others seem to gain
        if (findings.stream().anyMatch(each -> each.cause() == Trouble.SELF_DISCHARGE))
            findings.removeIf(each -> each.cause() == Trouble.UNEVEN_LOAD);
        // one that empties first keeps the pack from being used: little is known of the others then
        if (history.isFlat()
                && findings.stream().anyMatch(each -> each.cause() == Trouble.CELLS_OFF))
            findings.removeIf(each -> each.cause() == Trouble.MISREAD);
        tapped(findings);
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

    /// Neighbours that lose alike feed something together, such as a tap for a lower voltage: that
    /// is told once.
    private static void tapped(List<Finding> findings) {
        List<Finding.SelfDischarge> losing =
                findings.stream()
                        .filter(Finding.SelfDischarge.class::isInstance)
                        .map(Finding.SelfDischarge.class::cast)
                        .sorted(Comparator.comparingInt(Finding::group))
                        .toList();
        for (int first = 0; first < losing.size(); ) {
            int last = first;
            while (last + 1 < losing.size() && isAlike(losing.get(last), losing.get(last + 1)))
                last++;
            if (last > first) {
                List<Finding.SelfDischarge> alike = losing.subList(first, last + 1);
                findings.removeAll(alike);
                findings.add(tap(alike));
            }
            first = last + 1;
        }
    }

    private static boolean isAlike(Finding.SelfDischarge one, Finding.SelfDischarge next) {
        double before = one.milliamps();
        double after = next.milliamps();
        return next.group() == one.group() + 1
                && Math.abs(after - before) < ALIKE * Math.max(before, after);
    }

    private static Finding tap(List<Finding.SelfDischarge> alike) {
        return new Finding.Tap(
                alike.getFirst().group(),
                alike.getLast().group(),
                alike.stream().mapToDouble(Finding.SelfDischarge::milliamps).average().orElse(0),
                alike.stream().mapToDouble(Finding::sure).max().orElse(0));
    }

    private static List<GroupDeviation> others(List<GroupDeviation> all, int group) {
        List<GroupDeviation> others = new ArrayList<>(all);
        others.remove(group);
        return others;
    }

    /// What is said of one group.
    ///
    /// @param othersOhms the most that any other group differs by, in Ω
    private record OfGroup(
            PackHistory history,
            HistoryMoments moments,
            BothEnds ends,
            Optional<CountedRun> run,
            int group,
            int parallel,
            double othersOhms) {
        List<Finding> findings(GroupDeviation off) {
            List<Finding> findings = new ArrayList<>();
            double first = history.isFlat() ? ends.lostShare(group) : 0;
            double fallen = fallenShare(off);
            boolean isFirst = first > HALF_A_CELL / parallel;
            if (isFirst || fallen > Math.max(FALLEN_SHARE, HALF_A_CELL / parallel)) {
                // where the others come near empty too, the run itself tells it better
                boolean isByRun = !isFirst || first < MUCH_LOST && off.lostShare() > 0;
                // what else is read of a group that is empty again and again says nothing
                findings.add(
                        cellsOff(
                                isByRun ? Math.max(fallen, off.lostShare()) : first,
                                Double.NaN,
                                isFirst
                                        ? Finding.ShownBy.BEING_FIRST_AT_BOTH_ENDS
                                        : fallen > off.lostShare()
                                                ? Finding.ShownBy.FALLING_BELOW_ALL
                                                : Finding.ShownBy.ITS_RUN));
                return findings;
            }
            cellsOff(findings, off);
            selfDischarge(findings, off);
            unevenLoad(findings, off);
            resistance(findings, off);
            misread(findings, off);
            return findings;
        }

        Optional<OutOfBalance> outOfBalance(GroupDeviation off) {
            double usual = usualSlope();
            boolean isEither = off.isEither() && off.offsetVolts() != 0 && usual > 0;
            double ahead = isEither ? off.offsetVolts() / usual : off.aheadAmpHours();
            double share = ahead / history.usedAmpHours();
            double effect =
                    isEither
                            ? Math.abs(off.offsetVolts())
                            : steepest(at -> moments.slope(at, group) * Math.abs(ahead));
            boolean isMuch = isEither ? effect > MISREAD_VOLTS : Math.abs(share) > SAME_SHARE;
            return isMuch && effect > seen(SEEN_VOLTS)
                    ? Optional.of(new OutOfBalance(group, ahead, share, isEither))
                    : Optional.empty();
        }

        private double usualSlope() {
            double[] slopes =
                    moments.where(at -> !Double.isNaN(moments.slope(at, group)))
                            .mapToDouble(at -> moments.slope(at, group))
                            .toArray();
            return slopes.length == 0 ? 0 : Middle.of(slopes);
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
            if (share > passes && effect > seen(SEEN_VOLTS))
                findings.add(cellsOff(share, 1000 * effect, Finding.ShownBy.ITS_RUN));
        }

        private Finding cellsOff(double share, double strayMillivolts, Finding.ShownBy by) {
            return new Finding.CellsOff(
                    group,
                    Math.clamp(Math.round(share * parallel), 1, parallel),
                    parallel,
                    1 - share,
                    strayMillivolts,
                    by,
                    sure(share, Math.max(SAME_SHARE, HALF_A_CELL / parallel)));
        }

        /// What of its charge a group lacks that falls, again and again, below all that the others
        /// ever show, and is as full as they are each time; 0 of any other. What it had given when
        /// it fell, over what the others give down to where they ever were: they are lower by then,
        /// so it lacks at least that.
        private double fallenShare(GroupDeviation off) {
            if (history.nearFull(moments, group) < -SAME_FULL_VOLTS) return 0;
            // more resistance keeps it low for a while after the load too
            double slow = Math.max(0, off.ohms()) * history.mostAmps();
            double light = LIGHT_SHARE * history.mostAmps();
            List<Double> falls = new ArrayList<>();
            boolean hasFallen = false;
            for (int at = 0; at < moments.size(); at++) {
                boolean isLight = Math.abs(moments.amps(at)) <= light;
                if (history.isNearFull(moments, at) || isLight && moments.stray(at, group) >= 0)
                    hasFallen = false;
                boolean hasSettled = moments.restedSeconds(at) >= SETTLED_SECONDS;
                boolean isBelow =
                        moments.below(at, group) > FALLEN_VOLTS + (hasSettled ? 0 : slow)
                                && isLight;
                if (isBelow && !hasFallen) falls.add(moments.drawnAmpHours(at));
                hasFallen |= isBelow;
            }
            if (falls.size() < LEAST_FALLS) return 0;
            double given = Middle.of(falls.stream().mapToDouble(each -> each).toArray());
            // where the run of so short a use does not tell how much, it is a cell at least
            return Math.max(1.0 / parallel, 1 - given / history.usedAmpHours());
        }

        private void selfDischarge(List<Finding> findings, GroupDeviation off) {
            double drift = off.ampHoursADay();
            if (!drifts(drift)) return;
            double sure = sure(drift, passingAmpHoursADay());
            findings.add(
                    history.isFlat()
                            ? lossOnFlatRun(drift, sure)
                            : loss(drift, history.usedAmpHours(), Finding.LossFrom.VOLTAGE, sure));
        }

        private Finding lossOnFlatRun(double drift, double sure) {
            return run.map(counts ->
                            loss(
                                    GroupLag.ampHoursADay(counts, history.strays(counts, group)),
                                    counts.deepestAmpHours(),
                                    Finding.LossFrom.COUNTED_CHARGE,
                                    sure))
                    .filter(loss -> loss.ampHoursADay() > CONTRADICTS * drift)
                    .orElseGet(() ->
                            loss(
                                    drift,
                                    history.usedAmpHours(),
                                    Finding.LossFrom.FLAT_VOLTAGE,
                                    sure));
        }

        private Finding.SelfDischarge loss(
                double ampHoursADay, double usedAmpHours, Finding.LossFrom from, double sure) {
            return new Finding.SelfDischarge(
                    group, ampHoursADay, 0.1 * usedAmpHours / ampHoursADay, from, sure);
        }

        private double passingAmpHoursADay() {
            return (history.isFlat() ? FLAT_SELF_SHARE_A_MONTH : SELF_SHARE_A_MONTH)
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
            findings.add(new Finding.Gain(group, aDay, sure(aDay, passingAmpHoursADay())));
        }

        /// Where cells are off the others carry more: that is not a finding of its own.
        private void resistance(List<Finding> findings, GroupDeviation off) {
            boolean isOff = findings.stream().anyMatch(each -> each.cause() == Trouble.CELLS_OFF);
            double share = isOff ? off.lostShare() : 0;
            double usual = history.ohms();
            double ohms = off.ohms() - (Double.isNaN(usual) ? 0 : share / (1 - share) * usual);
            double effect = ohms * history.mostAmps();
            // without the usual resistance only the other groups say how much is more
            double much =
                    Double.isNaN(usual)
                            ? isOff ? Double.POSITIVE_INFINITY : BEYOND_OTHERS * othersOhms
                            : MORE_RESISTANCE * usual;
            double passes = Math.max(much, SEEN_VOLTS / Math.max(1e-9, history.mostAmps()));
            if (!(ohms > passes && effect > SEEN_VOLTS)) return;
            findings.add(new Finding.MoreResistance(group, 1000 * ohms, sure(ohms, passes)));
        }

        private void misread(List<Finding> findings, GroupDeviation off) {
            if (off.isEither()) return;
            double most = steepest(at -> Math.abs(moments.stray(at, group)));
            if (!(Math.abs(off.offsetVolts())
                    > Math.max(
                            findings.isEmpty() ? 0 : PART_OF_OTHERS * most, seen(MISREAD_VOLTS))))
                return;
            if (history.nearFull(moments, group) * Math.signum(off.offsetVolts())
                    < Math.abs(off.offsetVolts()) / 2) return;
            findings.add(
                    new Finding.Misread(
                            group,
                            1000 * off.offsetVolts(),
                            sure(Math.abs(off.offsetVolts()), MISREAD_VOLTS)));
        }
    }
}
