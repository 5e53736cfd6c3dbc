package pentacell.desktop.prove;

import pentacell.core.prove.LoadTest;
import pentacell.core.prove.ProvedPack.Tested;
import pentacell.core.prove.Shortfall;
import pentacell.core.unit.Quantity;

/// Load tests in words.
final class ProveWords {
    private ProveWords() {}

    static String cause(LoadTest.Cause cause) {
        return switch (cause) {
            case OK -> "";
            case LOW_CAPACITY -> "holds less";
            case STARTED_LOW -> "began low";
            case HIGH_RESISTANCE -> "drops more: a joint?";
        };
    }

    /// What a test came to.
    static String outcome(Tested tested) {
        LoadTest test = tested.test();
        LoadTest.Cause cause = test.groups().get(test.endedByGroup()).cause();
        return "Gave %s, %s at %s; group %d %s%s."
                .formatted(
                        Quantity.CHARGE.text(test.ampHours()),
                        Quantity.ENERGY.text(test.wattHours(), 0),
                        Quantity.CURRENT.text(test.meanAmps()),
                        test.endedByGroup() + 1,
                        test.reachedEnd() ? "ended it" : "was lowest when it was broken off",
                        cause == LoadTest.Cause.OK
                                ? test.reachedEnd() ? ", with all others close behind" : ""
                                : ": it "
                                        + cause(cause)
                                                .replace(": a joint?", ", look at its joints"));
    }

    /// What mending the limiting group would bring.
    static String remedy(Shortfall shortfall) {
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
}
