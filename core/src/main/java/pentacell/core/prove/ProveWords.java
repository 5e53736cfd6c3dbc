package pentacell.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;

/// What was measured of a pack, in words: the same on the screen and on paper.
public final class ProveWords {
    private static final String CHARGE_IT_FIRST =
            ". The voltage before the load does not show which: charge that group on its own and test again";

    private ProveWords() {}

    /// What was looked at before a pack goes into use, in a word or two.
    public static String subject(ProveCheck check) {
        return switch (check) {
            case ProveCheck.Untested none -> "Load test";
            case ProveCheck.Capacity capacity -> "Capacity";
            case ProveCheck.Hours hours -> "Hours";
            case ProveCheck.FaultyGroups faulty ->
                    switch (faulty.fault()) {
                        case HIGH_RESISTANCE -> "Resistance";
                        case STARTED_LOW -> "Balance";
                        case MAY_HAVE_STARTED_LOW -> "Charge";
                    };
            case ProveCheck.WeakestGroup weakest -> "Weakest group";
            case ProveCheck.RestSpread spread -> "At rest, empty";
            case ProveCheck.Heat heat -> "Heat";
            case ProveCheck.Busbars bars -> "Busbars";
            case ProveCheck.FullSpread spread -> "Full, not balanced";
            case ProveCheck.SupplyTripped tripped -> "Supply";
            case ProveCheck.Charger charger -> "Charger";
        };
    }

    /// What was found there: figure and limit.
    public static String sentence(ProveCheck check) {
        return switch (check) {
            case ProveCheck.Untested none -> missing(none.why());
            case ProveCheck.Capacity capacity ->
                    "gave %s of %s expected, %s"
                            .formatted(
                                    Quantity.CHARGE.text(capacity.ampHours()),
                                    Quantity.CHARGE.text(capacity.expectedAmpHours()),
                                    Quantity.PERCENT.text(100 * capacity.part()));
            case ProveCheck.Hours hours ->
                    "%s at the steady load, down to the device's %s; %s are needed"
                            .formatted(
                                    Quantity.HOURS.text(hours.hours()),
                                    Quantity.VOLTAGE.text(hours.lowTripVolts(), 1),
                                    Quantity.HOURS.text(hours.neededHours()));
            case ProveCheck.FaultyGroups faulty -> faulty(faulty);
            case ProveCheck.WeakestGroup weakest ->
                    "group %d costs %s; see Load test for what to swap"
                            .formatted(
                                    weakest.group(), Quantity.CHARGE.text(weakest.lostAmpHours()));
            case ProveCheck.RestSpread spread ->
                    apart(spread.millivolts(), ProveCheck.RestSpread.GOOD_MILLIVOLTS);
            case ProveCheck.Heat heat -> heat(heat.warmest());
            case ProveCheck.Busbars bars -> bars(bars.odd());
            case ProveCheck.FullSpread spread ->
                    apart(1000 * spread.volts(), 1000 * PackChargeEnd.GOOD_VOLTS);
            case ProveCheck.SupplyTripped tripped ->
                    "it tripped: charge at fewer amps, or use a larger supply";
            case ProveCheck.Charger charger -> charger(charger);
        };
    }

    private static String missing(ProveCheck.Missing why) {
        String todo = ": discharge the pack at a usual load until the first group is empty";
        return switch (why) {
            case BROKEN_OFF -> "none came down to its end voltage yet";
            case NO_TEST -> "none yet" + todo;
            case STAND_INS -> "only tests with stand-ins, which prove nothing" + todo;
            case UNKNOWN_ORIGIN ->
                    "only tests of an older version, which did not note whether the board was real"
                            + todo;
        };
    }

    private static String faulty(ProveCheck.FaultyGroups faulty) {
        String groups = Sentence.within(Count.groups(faulty.groups()));
        return switch (faulty.fault()) {
            case HIGH_RESISTANCE ->
                    "higher resistance in %s: look at the joints there first".formatted(groups);
            case STARTED_LOW -> groups + " started low: balance, then test again";
            case MAY_HAVE_STARTED_LOW ->
                    "%s may only have started low: charge %s alone and test again before you swap cells"
                            .formatted(groups, faulty.groups().size() == 1 ? "it" : "each");
        };
    }

    private static String apart(double millivolts, double good) {
        return "groups %s apart; up to %s is good"
                .formatted(Quantity.MILLIVOLTS.text(millivolts), Quantity.MILLIVOLTS.text(good));
    }

    private static String heat(HeatLook.Warm warmest) {
        return warmest.isOdd()
                ? "%s is %s over what its load explains: a joint, or the cell itself"
                        .formatted(
                                warmest.cell(),
                                Quantity.TEMPERATURE_RISE.text(warmest.overKelvin()))
                : "no place is warmer than its load explains";
    }

    private static String bars(List<BarLook.Bar> odd) {
        if (odd.isEmpty()) return "no busbar drops more than its conductors explain";
        return odd.stream()
                .map(bar ->
                        "the busbar at joint %d drops %s, expected %s"
                                .formatted(
                                        bar.joint(),
                                        Quantity.MILLIVOLTS.text(bar.reading().millivolts(), 1),
                                        Quantity.MILLIVOLTS.text(bar.expectedMillivolts(), 1)))
                .collect(Collectors.joining("; "));
    }

    private static String charger(ProveCheck.Charger charger) {
        String words =
                "ends at %s; the pack's limit is %s"
                        .formatted(
                                Quantity.VOLTAGE.text(charger.volts(), 2),
                                Quantity.VOLTAGE.text(charger.limitVolts(), 2));
        return charger.level() == PackVerdict.Level.FIT
                ? words
                : words
                        + ", and %s more is tolerated: do not use this charger"
                                .formatted(
                                        Quantity.MILLIVOLTS.text(1000 * charger.toleranceVolts()));
    }

    /// Why a group falls short; empty when it does not.
    public static String cause(LoadTest.Group group) {
        return switch (group.cause()) {
            case OK -> "";
            case LOW_CAPACITY -> group.orStartedLow() ? "holds less or started low" : "holds less";
            case STARTED_LOW -> "started low";
            case HIGH_RESISTANCE -> "drops more: a joint?";
        };
    }

    /// What a test came to.
    public static String outcome(Tested tested) {
        LoadTest test = tested.test();
        LoadTest.Group last = test.groups().get(test.endedByGroup());
        return "Gave %s, %s at %s; group %d %s%s."
                .formatted(
                        Quantity.CHARGE.text(test.ampHours()),
                        Quantity.ENERGY.text(test.wattHours(), 0),
                        Quantity.CURRENT.text(test.meanAmps()),
                        test.endedByGroup() + 1,
                        test.reachedEnd() ? "ended it" : "was lowest when it was broken off",
                        last.cause() == LoadTest.Cause.OK
                                ? test.reachedEnd() ? ", with all others close behind" : ""
                                : ": it "
                                        + cause(last).replace(": a joint?", ", look at its joints")
                                        + (last.orStartedLow() ? CHARGE_IT_FIRST : ""));
    }

    /// What mending the limiting group would bring.
    public static String remedy(Shortfall shortfall) {
        String worth =
                shortfall.cells().isPresent()
                        ? ", %s times what a cell holds"
                                .formatted(
                                        Quantity.RATIO.number(shortfall.cells().getAsDouble(), 1))
                        : "";
        return "Group %d lacks %s%s. With it mended the pack gives about %s, %s more%s."
                .formatted(
                        shortfall.group() + 1,
                        Quantity.CHARGE.text(shortfall.missingAmpHours()),
                        worth,
                        Quantity.CHARGE.text(shortfall.ampHoursAfter()),
                        Quantity.ENERGY.text(shortfall.lostWattHours(), 0),
                        shortfall.nextGroup().isPresent()
                                ? ", then group %d ends it"
                                        .formatted(shortfall.nextGroup().getAsInt() + 1)
                                : "");
    }

    /// Where energy stays on its way; empty when nothing can be told.
    public static String lost(SystemRun run) {
        List<String> said = new ArrayList<>();
        run.inverter().ifPresent(part -> said.add("from pack to load " + percent(part)));
        run.pack().ifPresent(part -> said.add("pack and charger " + percent(part)));
        run.roundTrip().ifPresent(part -> said.add("the whole way " + percent(part)));
        run.wattHoursPerKilometre()
                .ifPresent(each -> said.add(Quantity.ENERGY.text(each) + " a kilometre"));
        return said.isEmpty() ? "" : Sentence.whole(String.join(" · ", said));
    }

    private static String percent(double part) {
        return Quantity.PERCENT.text(100 * part, 0);
    }

    /// Where the device trips and what it leaves inside, by what the pack sprang back to; empty
    /// when that was not seen.
    public static String trip(ProvedPack pack) {
        Optional<DeviceTrip> seen = pack.said().trip();
        if (seen.isEmpty()) return "";
        int series = pack.built().groups().size();
        String said =
                "It trips at %s, %s a group."
                        .formatted(
                                Quantity.VOLTAGE.text(seen.get().volts(), 2),
                                Quantity.VOLTAGE.text(seen.get().volts() / series, 2));
        if (seen.get().springBackVolts().isEmpty()) return said;
        double left = SystemRun.leftAt(seen.get(), series, pack.built().chemistry()).orElseThrow();
        return said
                + " Sprung back to %s, about %s of the charge is still inside."
                        .formatted(
                                Quantity.VOLTAGE.text(
                                        seen.get().springBackVolts().getAsDouble(), 2),
                                percent(left));
    }
}
