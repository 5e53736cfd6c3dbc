package pentacell.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.journal.Origin;
import pentacell.core.plan.facts.Need;
import pentacell.core.prove.LoadTest.Cause;
import pentacell.core.prove.ProveCheck.Fault;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.facts.ChargeRun;

/// Whether a pack may go into use, with what was looked at.
///
/// @param level the worst of what was looked at
/// @param checks in the order of the work
public record PackVerdict(Level level, List<ProveCheck> checks) {
    public PackVerdict {
        checks = List.copyOf(checks);
    }

    /// How fit a pack is, the best first.
    public enum Level {
        FIT("fit for use"),
        LIMITS("fit with limits"),
        NOT_YET("not yet fit for use");

        private final String words;

        Level(String words) {
            this.words = words;
        }

        /// In words.
        public String words() {
            return words;
        }
    }

    /// Judges a pack.
    public static PackVerdict of(ProvedPack pack) {
        List<ProveCheck> checks = new ArrayList<>();
        pack.lastWhole()
                .ifPresentOrElse(
                        tested -> tested(pack, tested, checks),
                        () -> checks.add(new ProveCheck.Untested(missing(pack))));
        pack.warm().stream().findFirst().map(ProveCheck.Heat::new).ifPresent(checks::add);
        if (!pack.bars().isEmpty())
            checks.add(
                    new ProveCheck.Busbars(
                            pack.bars().stream().filter(BarLook.Bar::isOdd).toList()));
        pack.chargeEnd().ifPresent(end -> checks.add(new ProveCheck.FullSpread(end.spreadVolts())));
        pack.said().charge().ifPresent(run -> charge(pack, run, checks));
        return new PackVerdict(
                checks.stream().map(ProveCheck::level).max(Level::compareTo).orElse(Level.NOT_YET),
                checks);
    }

    private static ProveCheck.Missing missing(ProvedPack pack) {
        if (!pack.tests().isEmpty()) return ProveCheck.Missing.BROKEN_OFF;
        if (pack.setAside().isEmpty()) return ProveCheck.Missing.NO_TEST;
        return pack.setAside().stream().anyMatch(each -> each.origin() == Origin.STAND_IN)
                ? ProveCheck.Missing.STAND_INS
                : ProveCheck.Missing.UNKNOWN_ORIGIN;
    }

    private static void tested(ProvedPack pack, Tested tested, List<ProveCheck> checks) {
        tested.fan()
                .expectedAmpHours()
                .ifPresent(expected ->
                        checks.add(new ProveCheck.Capacity(tested.test().ampHours(), expected)));
        pack.built()
                .planned()
                .flatMap(planned -> hours(planned.need(), tested))
                .ifPresent(checks::add);
        groups(tested, checks);
        tested.test()
                .restSpreadMillivolts()
                .ifPresent(spread -> checks.add(new ProveCheck.RestSpread(spread)));
    }

    private static Optional<ProveCheck> hours(Need need, Tested tested) {
        if (need.hours().isEmpty()) return Optional.empty();
        double lowTrip = need.window().lowTripVolts();
        double hours = tested.wattHoursAbove(lowTrip) / need.steadyFromPack();
        return Optional.of(new ProveCheck.Hours(hours, lowTrip, need.hours().getAsDouble()));
    }

    private static void groups(Tested tested, List<ProveCheck> checks) {
        List<LoadTest.Group> groups = tested.test().groups();
        for (Fault fault : Fault.values()) {
            List<Integer> faulty = numbers(groups, each -> has(each, fault));
            if (!faulty.isEmpty()) checks.add(new ProveCheck.FaultyGroups(fault, faulty));
        }
        tested.shortfall()
                .filter(shortfall -> !groups.get(shortfall.group()).orStartedLow())
                .ifPresent(shortfall ->
                        checks.add(
                                new ProveCheck.WeakestGroup(
                                        shortfall.group() + 1, shortfall.lostAmpHours())));
    }

    private static boolean has(LoadTest.Group group, Fault fault) {
        return switch (fault) {
            case HIGH_RESISTANCE -> group.cause() == Cause.HIGH_RESISTANCE;
            case STARTED_LOW -> group.cause() == Cause.STARTED_LOW;
            case MAY_HAVE_STARTED_LOW -> group.orStartedLow();
        };
    }

    private static List<Integer> numbers(
            List<LoadTest.Group> groups, Predicate<LoadTest.Group> those) {
        return IntStream.range(0, groups.size())
                .filter(g -> those.test(groups.get(g)))
                .mapToObj(g -> g + 1)
                .toList();
    }

    private static void charge(ProvedPack pack, ChargeRun run, List<ProveCheck> checks) {
        if (run.supply() == ChargeRun.Supply.TRIPPED) checks.add(new ProveCheck.SupplyTripped());
        int series = pack.built().groups().size();
        double limit = series * pack.built().chemistry().chargeLimitVolts();
        double tolerance = series * Chemistry.CHARGER_TOLERANCE_VOLTS;
        run.volts().ifPresent(volts -> checks.add(new ProveCheck.Charger(volts, limit, tolerance)));
    }

    /// The checks that decided the level: all of them when the pack is fit.
    public List<ProveCheck> reasons() {
        return checks.stream().filter(each -> each.level() == level).toList();
    }
}
