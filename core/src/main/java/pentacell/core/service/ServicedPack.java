package pentacell.core.service;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SortedMap;
import java.util.TreeMap;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.PackToBuild;
import pentacell.core.cell.CellId;
import pentacell.core.cell.RestingLevel;
import pentacell.core.plan.facts.Need;
import pentacell.core.service.facts.Alarms;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.service.facts.PacksInUse;
import pentacell.core.service.facts.Trouble;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.unit.Quantity;

/// A pack in use with all that was logged of it, judged.
///
/// What stands out is looked for in the last stretch of readings without a long gap, and only in
/// what was read since something was mended last: what a pack did before tells nothing of how it
/// is.
///
/// @param built the pack with its cells, plan and assembly
/// @param use what was logged of it
/// @param layout it was built in, solved; empty before one was taken
/// @param history everything that was read of it
/// @param judged the stretch that was looked through
/// @param watch what stands out there
/// @param bands how far groups strayed over the whole history
/// @param recent the same over the stretch that was looked through
/// @param alarms limits that were passed in the stretch looked through
/// @param trends of the groups that were tested, by group from 0
/// @param wanted of each group
public record ServicedPack(
        PackToBuild built,
        PackInUse use,
        Optional<JudgedLayout> layout,
        Optional<Timeline> history,
        Optional<Timeline> judged,
        Optional<Watch> watch,
        Optional<StrayBands> bands,
        Optional<StrayBands> recent,
        List<UseAlarm> alarms,
        SortedMap<Integer, GroupTrend> trends,
        Wanted wanted) {
    /// Fewer readings, or a shorter stretch, tell nothing of causes.
    private static final int LEAST_READINGS = 40;

    private static final double LEAST_DAYS = 0.5;

    /// A group that gives less than this part of what it did is at its end (common practice: 80 %).
    public static final double END_SHARE = 0.8;

    public ServicedPack {
        alarms = List.copyOf(alarms);
        trends = java.util.Collections.unmodifiableSortedMap(new TreeMap<>(trends));
    }

    /// What a group must give.
    ///
    /// @param ampHours in Ah
    /// @param source where that comes from
    public record Wanted(double ampHours, Source source) {
        /// Where what is wanted comes from.
        public enum Source {
            /// The hours of the plan, at its steady load.
            PLAN,
            /// A part of what the groups gave first, or of what their cells held.
            SHARE_OF_FIRST
        }
    }

    /// A pack of a workshop; empty when it is not matched, or one of its cells is not known.
    ///
    /// @param judged how the cells of the state stand
    public static Optional<ServicedPack> of(WorkshopState state, JudgedStock judged, String name) {
        return PackToBuild.of(state, judged, name, PackToBuild.Asked.NOTHING)
                .map(built -> of(built, PacksInUse.of(state).pack(name)));
    }

    private static ServicedPack of(PackToBuild built, PackInUse use) {
        Optional<Timeline> history = Timeline.of(use, built.groups().size());
        Optional<Timeline> judged = history.flatMap(all -> lookedThrough(all, use));
        int cans =
                built.groups().stream()
                        .mapToInt(group -> group.stream().mapToInt(PackToBuild.Unit::cans).sum())
                        .max()
                        .orElse(1);
        SortedMap<Integer, GroupTrend> trends = trends(use, built.groups().size());
        Alarms alarms = limits(built, use);
        return new ServicedPack(
                built,
                use,
                built.laidOut(),
                history,
                judged,
                judged.map(stretch -> Watch.of(stretch.log(), cans)),
                history.map(StrayBands::of),
                judged.map(StrayBands::of),
                judged.or(() -> history).map(each -> UseAlarm.of(each, alarms)).orElse(List.of()),
                trends,
                wanted(built, trends));
    }

    private static Optional<Timeline> lookedThrough(Timeline history, PackInUse use) {
        return sinceMended(history, use)
                .flatMap(part ->
                        part.stretches().stream()
                                .filter(each ->
                                        each.log().size() >= LEAST_READINGS
                                                && each.days() >= LEAST_DAYS)
                                .reduce((one, next) -> next));
    }

    private static SortedMap<Integer, GroupTrend> trends(PackInUse use, int series) {
        Map<Integer, List<PackInUse.Retest>> byGroup = new HashMap<>();
        for (PackInUse.Retest each : use.retests())
            if (each.group() < series)
                byGroup.computeIfAbsent(each.group(), group -> new ArrayList<>()).add(each);
        SortedMap<Integer, GroupTrend> trends = new TreeMap<>();
        byGroup.forEach((group, tests) -> trends.put(group, GroupTrend.of(tests)));
        return trends;
    }

    private static Wanted wanted(PackToBuild built, Map<Integer, GroupTrend> trends) {
        Optional<Need> need = built.planned().map(planned -> planned.need());
        if (need.isPresent() && need.get().hours().isPresent())
            return new Wanted(
                    need.get().hours().getAsDouble()
                            * need.get().steadyFromPack()
                            / (built.groups().size() * built.chemistry().nominalVolts()),
                    Wanted.Source.PLAN);
        double first =
                trends.values().stream()
                        .mapToDouble(trend -> trend.first().ampHours())
                        .min()
                        .orElseGet(built::leastAmpHours);
        return new Wanted(END_SHARE * first, Wanted.Source.SHARE_OF_FIRST);
    }

    /// How the spread of its groups near empty changes, in mV a year; empty when its history is too
    /// short to tell.
    public OptionalDouble spreadAYear() {
        return bands.map(StrayBands::spreadAYear).orElse(OptionalDouble.empty());
    }

    /// The limits beyond which an alarm is raised: those that were set, else the usual ones.
    public Alarms alarmLimits() {
        return limits(built, use);
    }

    private static Alarms limits(PackToBuild built, PackInUse use) {
        return use.alarms().orElseGet(() -> UseAlarm.usual(built.chemistry()));
    }

    /// What stands out and was not set aside by a person, the surest first.
    public List<Finding> findings() {
        return watch.map(Watch::findings).orElse(List.of()).stream()
                .filter(each -> setAside(each).isEmpty())
                .toList();
    }

    /// What a person said of a finding; empty when nothing.
    public Optional<PackInUse.SetAside> setAside(Finding finding) {
        return use.setAside().stream()
                .filter(each ->
                        each.group() == finding.group() && each.trouble() == finding.cause())
                .reduce((one, next) -> next);
    }

    /// What a group reads at rest: as it was read last; empty when it never was.
    ///
    /// @param group from 0
    public OptionalDouble lastVolts(int group) {
        return history.isEmpty()
                ? built.groupVolts(group)
                : OptionalDouble.of(history.get().volts(history.get().log().size() - 1).get(group));
    }

    /// When the groups were read last.
    public Optional<Instant> lastRead() {
        return ServiceDue.lastRead(use);
    }

    /// The group that is to be searched: with cells off, else the surest finding, else the first.
    public int doubted() {
        return findings().stream()
                .filter(each -> each.cause() == Trouble.CELLS_OFF)
                .findFirst()
                .or(() -> findings().stream().findFirst())
                .map(Finding::group)
                .orElse(0);
    }

    /// The same judgement with other readings of single cans, such as one that was just typed: what
    /// a search for a can needs.
    public ServicedPack searchedWith(PackInUse latest) {
        return new ServicedPack(
                built, latest, layout, history, judged, watch, bands, recent, alarms, trends,
                wanted);
    }

    /// The search for cans of a group that are off the bar.
    ///
    /// @param group from 0
    public CanSearch brokenJoints(int group) {
        Optional<Integer> sought =
                findings().stream()
                        .filter(each -> each.group() == group && each.cause() == Trouble.CELLS_OFF)
                        .findFirst()
                        .map(each -> each.cellsOff().orElse(1));
        return CanSearches.brokenJoints(built, layout, use, group, sought);
    }

    /// The search for a can of a group that warms itself.
    ///
    /// @param group from 0
    public CanSearch heaters(int group) {
        return CanSearches.heaters(built, layout, use, group);
    }

    /// What is done with the cans that were found, group by group.
    ///
    /// @param judged how the cells of the state stand
    public List<CanRepair> repairs(WorkshopState state, JudgedStock judged) {
        CanRepairs repairs =
                new CanRepairs(
                        state,
                        judged,
                        built,
                        layout,
                        history.flatMap(all -> sinceMended(all, use)));
        List<CanRepair> all = new ArrayList<>();
        for (int group = 0; group < built.groups().size(); group++) {
            all.addAll(repairs.ofJoints(brokenJoints(group)));
            all.addAll(repairs.ofHeaters(heaters(group), lastVolts(group).orElse(0)));
        }
        return List.copyOf(all);
    }

    /// What was read since the last repair.
    private static Optional<Timeline> sinceMended(Timeline history, PackInUse use) {
        return use.lastChange().isPresent()
                ? history.since(use.lastChange().get())
                : Optional.of(history);
    }

    /// What becomes of its cells when it is taken apart.
    public EndOfLife endOfLife(WorkshopState state) {
        Map<CellId, String> out = new HashMap<>();
        for (int group = 0; group < built.groups().size(); group++) {
            for (CanSearch.Can each : brokenJoints(group).found())
                if (each.read().isPresent()
                        && !RestingLevel.of(built.chemistry(), each.read().getAsDouble())
                                .mayBeEvenedOut())
                    out.put(
                            each.cell(),
                            "read " + Quantity.VOLTAGE.text(each.read().getAsDouble()));
            for (CanSearch.Can each : heaters(group).found())
                out.put(
                        each.cell(),
                        "%s over its neighbours"
                                .formatted(Quantity.TEMPERATURE_RISE.text(each.off().orElse(0))));
        }
        return EndOfLife.of(state, built, trends, out);
    }

    /// What is due for it, the earliest first.
    public List<ServiceDue> due() {
        return ServiceDue.of(use);
    }
}
