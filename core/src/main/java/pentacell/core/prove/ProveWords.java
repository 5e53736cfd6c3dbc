package pentacell.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.facts.DeviceTrip;
import pentacell.core.unit.Quantity;
import pentacell.core.unit.Sentence;

/// What was measured of a pack, in words: the same on the screen and on paper.
public final class ProveWords {
    private static final String CHARGE_IT_FIRST =
            ". The voltage before the load does not show which: charge that group on its own and test again";

    private ProveWords() {}

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
