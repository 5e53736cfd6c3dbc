package pentacell.core.service;

import java.util.OptionalDouble;
import pentacell.core.unit.Quantity;

/// A group that holds more or less charge than the others, and is sound.
///
/// It wears nothing and is no trouble, but the pack gives less by it: what is ahead ends each
/// charge, what is behind each discharge.
///
/// @param group from 0
/// @param aheadAmpHours more than the others, in Ah; negative when it holds less
/// @param share the same as a part of the charge that is used
/// @param orMisread whether it may as well be read wrongly: the history does not tell
public record OutOfBalance(int group, double aheadAmpHours, double share, boolean orMisread) {
    /// What a board bleeds from a group, in mA (common practice: 30 to 100).
    private static final double USUAL_BLEED_MILLIAMPS = 50;

    /// What it is.
    public String sentence() {
        return "group %d sits %s %s the others throughout, %s of the charge used: %s"
                .formatted(
                        group + 1,
                        Quantity.CHARGE.text(Math.abs(aheadAmpHours), 2),
                        aheadAmpHours > 0 ? "above" : "below",
                        Quantity.PERCENT.text(100 * Math.abs(share), 1),
                        orMisread
                                ? "out of balance, or read wrongly; this history looks the same for both, a good meter tells"
                                : "out of balance, not worn");
    }

    /// What evens it, and how long that takes.
    ///
    /// @param milliamps bled from a group by its board; empty when that is not known
    public String remedy(OptionalDouble milliamps) {
        double bled = milliamps.orElse(USUAL_BLEED_MILLIAMPS);
        double hours = 1000 * Math.abs(aheadAmpHours) / bled;
        return "%s of %s\u00a0mA evens it in %s near full; quicker: %s that group on its own"
                .formatted(
                        milliamps.isPresent() ? "its balancer" : "a balancer",
                        Quantity.COUNT.number(bled),
                        hours < 1 ? "under an hour" : "about " + Quantity.HOURS.text(hours, 0),
                        aheadAmpHours > 0 ? "discharge" : "charge");
    }
}
