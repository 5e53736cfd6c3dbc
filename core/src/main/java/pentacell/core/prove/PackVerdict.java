package pentacell.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.Chemistry;
import pentacell.core.journal.Origin;
import pentacell.core.plan.facts.Need;
import pentacell.core.prove.LoadTest.Cause;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.facts.ChargeRun;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;

/// Whether a pack may go into use, with what was looked at.
///
/// @param level the worst of what was looked at
/// @param checks in the order of the work
public record PackVerdict(Level level, List<Seen> checks) {
    /// A pack that gives this part of what its cells let expect is as it should be, and below the
    /// second is not (common practice: instruments differ by 2 to 3 %).
    private static final double AS_EXPECTED = 0.95;

    private static final double FAR_LESS = 0.9;

    /// Good at rest after a discharge, in mV (common practice).
    private static final double REST_MILLIVOLTS = 30;

    public PackVerdict {
        checks = List.copyOf(checks);
    }

    /// How fit a pack is.
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

    /// Something that was looked at.
    ///
    /// @param what in a word or two
    /// @param sentence figure and limit
    public record Seen(String what, Level level, String sentence) {}

    /// Judges a pack.
    public static PackVerdict of(ProvedPack pack) {
        List<Seen> checks = new ArrayList<>();
        Optional<Tested> last = pack.lastWhole();
        if (last.isEmpty()) checks.add(new Seen("Load test", Level.NOT_YET, untested(pack)));
        last.ifPresent(tested -> {
            capacity(tested, checks);
            wanted(pack, tested, checks);
            groups(tested, checks);
            rest(tested, checks);
        });
        underLoad(pack, checks);
        full(pack, checks);
        charge(pack, checks);
        Level worst = Level.FIT;
        for (Seen each : checks) if (each.level().compareTo(worst) > 0) worst = each.level();
        return new PackVerdict(worst, checks);
    }

    private static String untested(ProvedPack pack) {
        if (!pack.tests().isEmpty()) return "none came down to its end voltage yet";
        String todo = "discharge the pack at a usual load until the first group is empty";
        if (pack.setAside().isEmpty()) return "none yet: " + todo;
        return pack.setAside().stream().anyMatch(each -> each.origin() == Origin.STAND_IN)
                ? "only tests with stand-ins, which prove nothing: " + todo
                : "only tests of an older version, which did not note whether the board was real: "
                        + todo;
    }

    private static void capacity(Tested tested, List<Seen> checks) {
        OptionalDouble share = tested.againstExpected();
        if (share.isEmpty()) return;
        double part = share.getAsDouble();
        checks.add(
                new Seen(
                        "Capacity",
                        part >= AS_EXPECTED
                                ? Level.FIT
                                : part >= FAR_LESS ? Level.LIMITS : Level.NOT_YET,
                        "gave %s of %s expected, %s"
                                .formatted(
                                        Quantity.CHARGE.text(tested.test().ampHours()),
                                        Quantity.CHARGE.text(
                                                tested.fan().expectedAmpHours().orElse(0)),
                                        Quantity.PERCENT.text(100 * part))));
    }

    private static void wanted(ProvedPack pack, Tested tested, List<Seen> checks) {
        Optional<Need> need = pack.built().planned().map(planned -> planned.need());
        if (need.isEmpty() || need.get().hours().isEmpty()) return;
        double lowTrip = need.get().window().lowTripVolts();
        double hours = tested.wattHoursAbove(lowTrip) / need.get().steadyFromPack();
        double wanted = need.get().hours().getAsDouble();
        checks.add(
                new Seen(
                        "Hours",
                        hours >= wanted ? Level.FIT : Level.LIMITS,
                        "%s at the steady load, down to the device's %s; %s are needed"
                                .formatted(
                                        Quantity.HOURS.text(hours),
                                        Quantity.VOLTAGE.text(lowTrip, 1),
                                        Quantity.HOURS.text(wanted))));
    }

    private static void groups(Tested tested, List<Seen> checks) {
        List<LoadTest.Group> groups = tested.test().groups();
        List<Integer> joints = new ArrayList<>();
        List<Integer> low = new ArrayList<>();
        List<Integer> either = new ArrayList<>();
        for (int g = 0; g < groups.size(); g++) {
            Cause cause = groups.get(g).cause();
            if (cause == Cause.HIGH_RESISTANCE) joints.add(g + 1);
            if (cause == Cause.STARTED_LOW) low.add(g + 1);
            if (groups.get(g).orStartedLow()) either.add(g + 1);
        }
        if (!joints.isEmpty())
            checks.add(
                    new Seen(
                            "Resistance",
                            Level.NOT_YET,
                            "higher resistance in %s: look at the joints there first"
                                    .formatted(Sentence.within(Count.groups(joints)))));
        if (!low.isEmpty())
            checks.add(
                    new Seen(
                            "Balance",
                            Level.LIMITS,
                            "%s started low: balance, then test again"
                                    .formatted(Sentence.within(Count.groups(low)))));
        if (!either.isEmpty())
            checks.add(
                    new Seen(
                            "Charge",
                            Level.LIMITS,
                            "%s may only have started low: charge on its own, then test again before you swap cells"
                                    .formatted(Sentence.within(Count.groups(either)))));
        tested.shortfall()
                .filter(shortfall -> !groups.get(shortfall.group()).orStartedLow())
                .ifPresent(shortfall ->
                        checks.add(
                                new Seen(
                                        "Weakest group",
                                        Level.LIMITS,
                                        "group %d costs %s; see Load test for what to swap"
                                                .formatted(
                                                        shortfall.group() + 1,
                                                        Quantity.CHARGE.text(
                                                                shortfall.lostAmpHours())))));
    }

    private static void rest(Tested tested, List<Seen> checks) {
        OptionalDouble spread = tested.test().restSpreadMillivolts();
        if (spread.isEmpty()) return;
        checks.add(
                new Seen(
                        "At rest, empty",
                        spread.getAsDouble() <= REST_MILLIVOLTS ? Level.FIT : Level.LIMITS,
                        "groups %s apart; up to %s is good"
                                .formatted(
                                        Quantity.MILLIVOLTS.text(spread.getAsDouble()),
                                        Quantity.MILLIVOLTS.text(REST_MILLIVOLTS))));
    }

    private static void underLoad(ProvedPack pack, List<Seen> checks) {
        pack.warm().stream()
                .findFirst()
                .ifPresent(warmest ->
                        checks.add(
                                new Seen(
                                        "Heat",
                                        warmest.isOdd() ? Level.NOT_YET : Level.FIT,
                                        warmest.isOdd()
                                                ? "%s is %s over what its load explains: a joint, or the cell itself"
                                                        .formatted(
                                                                warmest.cell(),
                                                                Quantity.TEMPERATURE_RISE.text(
                                                                        warmest.overKelvin()))
                                                : "no place is warmer than its load explains")));
        List<String> odd =
                pack.bars().stream()
                        .filter(BarLook.Bar::isOdd)
                        .map(bar ->
                                "joint %d drops %s, expected %s"
                                        .formatted(
                                                bar.joint(),
                                                Quantity.MILLIVOLTS.text(
                                                        bar.reading().millivolts(), 1),
                                                Quantity.MILLIVOLTS.text(
                                                        bar.expectedMillivolts(), 1)))
                        .toList();
        if (!pack.bars().isEmpty())
            checks.add(
                    new Seen(
                            "Bars",
                            odd.isEmpty() ? Level.FIT : Level.NOT_YET,
                            odd.isEmpty()
                                    ? "no bar drops more than its conductors explain"
                                    : String.join("; ", odd)));
    }

    private static void full(ProvedPack pack, List<Seen> checks) {
        pack.chargeEnd()
                .ifPresent(end ->
                        checks.add(
                                new Seen(
                                        "Full, not balanced",
                                        end.spreadVolts() <= PackChargeEnd.GOOD_VOLTS
                                                ? Level.FIT
                                                : end.spreadVolts() <= PackChargeEnd.MOST_VOLTS
                                                        ? Level.LIMITS
                                                        : Level.NOT_YET,
                                        "groups %s apart; up to %s is good"
                                                .formatted(
                                                        Quantity.MILLIVOLTS.text(
                                                                1000 * end.spreadVolts()),
                                                        Quantity.MILLIVOLTS.text(
                                                                1000
                                                                        * PackChargeEnd
                                                                                .GOOD_VOLTS)))));
    }

    private static void charge(ProvedPack pack, List<Seen> checks) {
        pack.said()
                .charge()
                .ifPresent(seen -> {
                    if (seen.supply() == ChargeRun.Supply.TRIPPED)
                        checks.add(
                                new Seen(
                                        "Supply",
                                        Level.LIMITS,
                                        "it tripped: charge at fewer amps, or from a larger one"));
                    if (seen.volts().isEmpty()) return;
                    int series = pack.built().groups().size();
                    double limit = series * pack.built().chemistry().chargeLimitVolts();
                    double tolerance = series * Chemistry.CHARGER_TOLERANCE_VOLTS;
                    boolean isOver = seen.volts().getAsDouble() > limit + tolerance + 1e-9;
                    checks.add(
                            new Seen(
                                    "Charger",
                                    isOver ? Level.NOT_YET : Level.FIT,
                                    "ends at %s; the pack's limit is %s%s"
                                            .formatted(
                                                    Quantity.VOLTAGE.text(
                                                            seen.volts().getAsDouble(), 2),
                                                    Quantity.VOLTAGE.text(limit, 2),
                                                    isOver
                                                            ? " and at most %s above it is tolerated: do not use this charger"
                                                                    .formatted(
                                                                            Quantity.VOLTAGE.text(
                                                                                    tolerance, 2))
                                                            : "")));
                });
    }

    /// What stands in the way, or limits; all that was looked at when nothing does.
    public List<Seen> reasons() {
        List<Seen> found = checks.stream().filter(each -> each.level() == level).toList();
        return level == Level.FIT ? checks : found;
    }
}
