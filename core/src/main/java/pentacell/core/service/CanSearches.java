package pentacell.core.service;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import pentacell.core.build.JudgedLayout;
import pentacell.core.build.PackToBuild;
import pentacell.core.build.facts.Spot;
import pentacell.core.cell.CellId;
import pentacell.core.service.CanSearch.Can;
import pentacell.core.service.CanSearch.State;
import pentacell.core.service.facts.PackInUse;
import pentacell.core.unit.Middle;
import pentacell.core.unit.Quantity;

/// Searches for cans that are off their bar, and for those that warm themselves.
///
/// *Broken joints*: at rest every can on the bar reads what the bar does; one further off than 20
/// mV hangs on nothing. The bar is what most readings agree in. Next to one that was found comes
/// first, for a torn strip takes its neighbours along; then those that carry most, whose joints and
/// fuses work hardest.
///
/// *Heaters*: at rest near full a can that is warmer than its neighbours makes heat itself; the
/// neighbours are warmed by it, so the warmest of a warm patch is meant. Every second place is read
/// first, then what stands beside the warmest.
public final class CanSearches {
    /// A can this far from its bar at rest hangs on nothing, in V (common practice).
    public static final double OFF_VOLTS = 0.02;

    /// A can this much over its neighbours at rest near full warms itself, in K (common practice: 3
    /// to 5 K).
    public static final double WARM_KELVIN = 3;

    /// Beside one this much over the usual one reads on, in K.
    private static final double WARMER_KELVIN = 1.5;

    /// Readings of one bar agree to this, in V.
    private static final double AGREE_VOLTS = 0.01;

    private final PackToBuild built;
    private final int group;
    private final Map<CellId, List<Spot>> spots = new HashMap<>();
    private final Map<Spot, Double> shares = new HashMap<>();
    private final Optional<JudgedLayout> layout;

    private CanSearches(PackToBuild built, Optional<JudgedLayout> layout, int group) {
        this.built = built;
        this.group = group;
        this.layout = layout;
        layout.ifPresent(now -> {
            List<CellId> ids = built.cansOf(group);
            List<Spot> own = now.layout().places().get(group);
            for (int can = 0; can < ids.size(); can++)
                spots.computeIfAbsent(ids.get(can), id -> new ArrayList<>()).add(own.get(can));
            now.currents().stream()
                    .flatMap(currents -> currents.cans().get(group).stream())
                    .filter(each -> !Double.isNaN(each.share()))
                    .forEach(each -> shares.put(each.spot(), each.share()));
        });
    }

    /// The search for cans of a group that are off the bar.
    ///
    /// @param layout it was built in, when that is known
    /// @param group from 0
    /// @param wanted how many are sought, when that is known
    public static CanSearch brokenJoints(
            PackToBuild built,
            Optional<JudgedLayout> layout,
            PackInUse use,
            int group,
            Optional<Integer> wanted) {
        return new CanSearches(built, layout, group).joints(use, wanted);
    }

    /// The search for a can of a group that warms itself.
    ///
    /// @param layout it was built in, when that is known
    /// @param group from 0
    public static CanSearch heaters(
            PackToBuild built, Optional<JudgedLayout> layout, PackInUse use, int group) {
        return new CanSearches(built, layout, group).heaters(use);
    }

    private List<Spot> spotsOf(CellId cell) {
        return spots.getOrDefault(cell, List.of());
    }

    private double share(CellId cell) {
        return spotsOf(cell).stream()
                .mapToDouble(spot -> shares.getOrDefault(spot, 1.0))
                .max()
                .orElse(1);
    }

    private boolean isBeside(CellId one, CellId other) {
        return layout.isPresent()
                && spotsOf(one).stream()
                        .anyMatch(spot ->
                                layout.get().layout().grid().beside(spot).stream()
                                        .anyMatch(spotsOf(other)::contains));
    }

    private CanSearch joints(PackInUse use, Optional<Integer> wanted) {
        Map<CellId, Double> read = own(use.probes());
        OptionalDouble bar = bar(read.values());
        List<Can> cans = new ArrayList<>();
        Set<CellId> found = new HashSet<>();
        for (PackToBuild.Unit unit : built.groups().get(group)) {
            Double volts = read.get(unit.id());
            if (volts == null) continue;
            OptionalDouble off =
                    bar.isPresent()
                            ? OptionalDouble.of(volts - bar.getAsDouble())
                            : OptionalDouble.empty();
            boolean isOff = off.isPresent() && Math.abs(off.getAsDouble()) > OFF_VOLTS;
            if (isOff) found.add(unit.id());
            cans.add(
                    new Can(
                            unit.id(),
                            spotsOf(unit.id()),
                            "",
                            OptionalDouble.of(volts),
                            off,
                            isOff ? State.FOUND : State.FINE));
        }
        cans.sort(
                Comparator.comparing((Can can) -> can.state() != State.FOUND)
                        .thenComparing(Can::cell));
        List<Can> open = new ArrayList<>();
        for (PackToBuild.Unit unit : built.groups().get(group)) {
            if (read.containsKey(unit.id())) continue;
            boolean isNext = found.stream().anyMatch(each -> isBeside(each, unit.id()));
            String why =
                    isNext
                            ? "beside one that is off"
                            : shares.isEmpty()
                                    ? ""
                                    : "carries %s of its share"
                                            .formatted(
                                                    Quantity.PERCENT.text(
                                                            100 * share(unit.id()), 0));
            open.add(open(unit.id(), why));
        }
        open.sort(
                Comparator.comparing((Can can) ->
                                found.stream().noneMatch(each -> isBeside(each, can.cell())))
                        .thenComparingDouble(can -> -share(can.cell()))
                        .thenComparing(Can::cell));
        open.addAll(cans);
        return new CanSearch(group, bar, open, wanted);
    }

    private Can open(CellId cell, String why) {
        return new Can(
                cell,
                spotsOf(cell),
                why,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                State.OPEN);
    }

    private Map<CellId, Double> own(Map<CellId, PackInUse.Read> all) {
        Map<CellId, Double> own = new HashMap<>();
        for (PackToBuild.Unit unit : built.groups().get(group)) {
            PackInUse.Read read = all.get(unit.id());
            if (read != null) own.put(unit.id(), read.figure());
        }
        return own;
    }

    /// What most readings agree in; of as many the higher, for what hangs on nothing is not
    /// charged. Empty before two agree.
    static OptionalDouble bar(Collection<Double> readings) {
        int most = 1;
        double bar = Double.NaN;
        for (double each : readings) {
            double sum = 0;
            int count = 0;
            for (double other : readings)
                if (Math.abs(other - each) <= AGREE_VOLTS) {
                    sum += other;
                    count++;
                }
            if (count > most || count == most && most > 1 && sum / count > bar) {
                most = count;
                bar = sum / count;
            }
        }
        return most > 1 ? OptionalDouble.of(bar) : OptionalDouble.empty();
    }

    private CanSearch heaters(PackInUse use) {
        Map<CellId, Double> read = own(use.warm());
        OptionalDouble usual =
                read.size() < 3
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(
                                Middle.of(read.values().stream().mapToDouble(t -> t).toArray()));
        List<Can> cans = new ArrayList<>();
        Set<CellId> warm = new HashSet<>();
        for (Map.Entry<CellId, Double> each : read.entrySet()) {
            OptionalDouble over = over(each.getKey(), each.getValue(), read, usual);
            if (usual.isPresent() && each.getValue() - usual.getAsDouble() > WARMER_KELVIN)
                warm.add(each.getKey());
            boolean isWarm =
                    over.isPresent()
                            && over.getAsDouble() > WARM_KELVIN
                            && isWarmest(each.getKey(), read);
            cans.add(
                    new Can(
                            each.getKey(),
                            spotsOf(each.getKey()),
                            "",
                            OptionalDouble.of(each.getValue()),
                            over,
                            isWarm ? State.FOUND : State.FINE));
        }
        cans.sort(Comparator.comparingDouble((Can can) -> -can.read().orElse(0)));
        List<Can> open = new ArrayList<>();
        for (PackToBuild.Unit unit : built.groups().get(group)) {
            if (read.containsKey(unit.id())) continue;
            boolean isNext = warm.stream().anyMatch(each -> isBeside(each, unit.id()));
            open.add(
                    open(
                            unit.id(),
                            isNext
                                    ? "beside a warm one"
                                    : isOfTheNet(unit.id()) ? "every second place first" : ""));
        }
        open.sort(
                Comparator.comparing((Can can) ->
                                warm.stream().noneMatch(each -> isBeside(each, can.cell())))
                        .thenComparing(can -> !isOfTheNet(can.cell()))
                        .thenComparing(Can::cell));
        open.addAll(cans);
        return new CanSearch(group, usual, open, Optional.empty());
    }

    /// Over the middle of its neighbours that were read, or of the group before two of them were.
    private OptionalDouble over(
            CellId cell, double celsius, Map<CellId, Double> read, OptionalDouble usual) {
        double[] beside =
                read.entrySet().stream()
                        .filter(other -> isBeside(cell, other.getKey()))
                        .mapToDouble(Map.Entry::getValue)
                        .toArray();
        if (beside.length >= 2) return OptionalDouble.of(celsius - Middle.of(beside));
        return usual.isPresent()
                ? OptionalDouble.of(celsius - usual.getAsDouble())
                : OptionalDouble.empty();
    }

    private boolean isWarmest(CellId cell, Map<CellId, Double> read) {
        double own = read.getOrDefault(cell, 0.0);
        return read.entrySet().stream()
                .filter(other -> isBeside(cell, other.getKey()))
                .allMatch(other -> other.getValue() <= own);
    }

    private boolean isOfTheNet(CellId cell) {
        return spotsOf(cell).stream().anyMatch(spot -> (spot.column() + spot.row()) % 2 == 0);
    }
}
