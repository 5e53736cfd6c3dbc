package pentacell.core.build;

import pentacell.core.unit.Count;
import pentacell.core.unit.Quantity;

/// What is found about a layout and the balance leads of a pack, in words.
public final class BuildFindingWords {
    private BuildFindingWords() {}

    /// What is wrong, and what to do.
    public static String sentence(TapFault fault) {
        return switch (fault) {
            case TapFault.Swapped swapped ->
                    "leads %d and %d have changed places: move one at a time and insulate its end meanwhile"
                            .formatted(swapped.one(), swapped.other());
            case TapFault.WrongTap wrong ->
                    "lead %d is on %s, it belongs on %s"
                            .formatted(wrong.lead(), joint(wrong.joint()), joint(wrong.lead()));
            case TapFault.Silent silent ->
                    "lead %d reads nothing: it is broken, or was never joined to %s"
                            .formatted(silent.lead(), joint(silent.lead()));
            case TapFault.AllSilent silent ->
                    "no lead reads anything: is the black probe on the pack's negative?";
            case TapFault.FirstFloats floats ->
                    "lead 0 reads %s, so it is not on the pack's negative, where it would read no more than %s"
                            .formatted(
                                    Quantity.VOLTAGE.text(floats.volts(), 2),
                                    Quantity.VOLTAGE.text(TapCheck.NEGATIVE_VOLTS, 2));
            case TapFault.Shifted shifted ->
                    "leads %d to %d are off by one: each is a joint too %s%s"
                            .formatted(
                                    shifted.first(),
                                    shifted.last(),
                                    switch (shifted.direction()) {
                                        case TOO_LOW -> "low";
                                        case TOO_HIGH -> "high";
                                    },
                                    shifted.hollow().isPresent()
                                            ? "; or group %d holds nothing"
                                                    .formatted(shifted.hollow().getAsInt())
                                            : "");
            case TapFault.Reversed reversed ->
                    "the row is in reverse order: lead 0 is on the pack's positive, lead %d on its negative; rewire the plug the other way round"
                            .formatted(reversed.series());
            case TapFault.NoJoint none ->
                    "lead %d reads %s, which fits no joint of this pack: read it again, and look for a bad contact%s"
                            .formatted(
                                    none.lead(),
                                    Quantity.VOLTAGE.text(none.volts(), 2),
                                    none.lead() == none.series()
                                            ? "; or the last group is far off"
                                            : "");
            case TapFault.NoPattern none ->
                    switch (none.why()) {
                        case BELOW_ZERO ->
                                "readings are below zero: put the black probe on the pack's negative and read again";
                        case NOT_A_GROUP_APART -> "no two readings are one group apart: read again";
                        case NO_PATTERN -> "the readings fit no pattern: read again";
                    };
            case TapFault.GroupOdd odd ->
                    "leads are right, but group %d has %s, %s the others' %s: even it out before the board is plugged in"
                            .formatted(
                                    odd.group(),
                                    Quantity.VOLTAGE.text(odd.volts()),
                                    odd.volts() < odd.usualVolts() ? "below" : "above",
                                    Quantity.VOLTAGE.text(odd.usualVolts()));
            case TapFault.GroupBeyond beyond -> beyond(beyond);
        };
    }

    private static String beyond(TapFault.GroupBeyond beyond) {
        String read =
                "group %d has %s".formatted(beyond.group(), Quantity.VOLTAGE.text(beyond.volts()));
        String end = Quantity.VOLTAGE.text(beyond.chemistry().endVolts(), 2);
        String limit = Quantity.VOLTAGE.text(beyond.chemistry().chargeLimitVolts(), 2);
        return switch (beyond.level()) {
            case DEEPLY_EMPTY ->
                    "%s, far below its end voltage of %s: never balance or charge it; test or replace its cells"
                            .formatted(read, end);
            case BELOW_END ->
                    "%s, below its end voltage of %s: take it out, bring it up slowly and watched, and test its cells before it goes back"
                            .formatted(read, end);
            case ABOVE_LIMIT ->
                    "%s, above its charge limit of %s: discharge it under the limit first, and find out what overcharged it"
                            .formatted(read, limit);
            case OVERCHARGED ->
                    "%s, overcharged: the limit is %s. Never balance or charge it; move it outside and replace its cells"
                            .formatted(read, limit);
            case WITHIN -> throw new IllegalArgumentException(read + " is within its limits");
        };
    }

    /// What a builder must see of a layout.
    public static String sentence(LayoutRemark remark) {
        return switch (remark) {
            case LayoutRemark.GroupInPieces pieces ->
                    "group %d is in %d pieces: its cells must touch"
                            .formatted(pieces.group(), pieces.pieces());
            case LayoutRemark.GroupsApart apart ->
                    "groups %d and %d do not touch".formatted(apart.group(), apart.next());
            case LayoutRemark.OneBridge bridge ->
                    "groups %d and %d touch at one cell only, which carries all the current"
                            .formatted(bridge.group(), bridge.next());
            case LayoutRemark.LeadCrosses lead ->
                    "the lead of group %d must cross other groups: insulate it well"
                            .formatted(lead.group());
            case LayoutRemark.TooLarge large ->
                    "it does not fit into the box: %s × %s of cells, %s high"
                            .formatted(
                                    Quantity.LENGTH.text(large.lengthMillimetres()),
                                    Quantity.LENGTH.text(large.widthMillimetres()),
                                    Count.of(large.layers(), "layer", "layers"));
            case LayoutRemark.PitchTooSmall small ->
                    "cells of %s do not fit %s apart"
                            .formatted(
                                    Quantity.LENGTH.text(small.diameterMillimetres()),
                                    Quantity.LENGTH.text(small.pitchMillimetres()));
            case LayoutRemark.UnitsInPieces pieces ->
                    "group %d: %s in pieces, whose cells must touch"
                            .formatted(
                                    pieces.group(),
                                    Count.of(pieces.units(), "unit is", "units are"));
            case LayoutRemark.OnKeptFree free ->
                    "a cell of group %d is in %s, which is kept free"
                            .formatted(free.group(), free.spot());
            case LayoutRemark.LayersFold layers ->
                    "%d layers are stacked, %s faces first%s: put a sheet of insulation into every fold"
                            .formatted(
                                    layers.layers(),
                                    layers.first().words(),
                                    layers.mostApart() == 0
                                            ? ""
                                            : ", with the voltage of up to %s between them"
                                                    .formatted(groups(layers.mostApart())));
            case LayoutRemark.HighVoltageBeside beside ->
                    "%s side by side with the voltage of up to %s between them: put a wall of insulation there"
                            .formatted(
                                    Count.of(
                                            beside.pairs(),
                                            "pair of cells is",
                                            "pairs of cells are"),
                                    groups(beside.mostApart()));
        };
    }

    private static String groups(int count) {
        return Count.of(count, "group", "groups");
    }

    private static String joint(int joint) {
        return joint == 0 ? "the pack's negative" : "the positive of group " + joint;
    }
}
