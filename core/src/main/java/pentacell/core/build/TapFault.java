package pentacell.core.build;

import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import pentacell.core.cell.Chemistry;
import pentacell.core.cell.RestingLevel;

/// Something that is wrong with the leads of a plug, or odd about a group. [BuildFindingWords] has
/// the words.
public sealed interface TapFault {
    /// Two leads changed places.
    record Swapped(int one, int other) implements TapFault {}

    /// A lead is on another's joint.
    record WrongTap(int lead, int joint) implements TapFault {}

    /// A lead reads nothing.
    record Silent(int lead) implements TapFault {}

    /// None of the leads 1 to S reads anything.
    record AllSilent(int series) implements TapFault {}

    /// Lead 0 reads a few tenths of a volt, so it is not on the pack's negative.
    record FirstFloats(double volts) implements TapFault {}

    /// A run of leads is off by one joint.
    ///
    /// @param hollow group that may hold nothing instead
    record Shifted(int first, int last, Direction direction, OptionalInt hollow)
            implements TapFault {}

    /// Where a row is off to.
    enum Direction {
        TOO_LOW,
        TOO_HIGH
    }

    /// The row is in reverse order.
    record Reversed(int series) implements TapFault {}

    /// A reading fits no joint.
    record NoJoint(int lead, double volts, int series) implements TapFault {}

    /// The readings as a whole fit nothing.
    record NoPattern(int series, Why why) implements TapFault {}

    /// Why readings fit nothing.
    enum Why {
        BELOW_ZERO,
        NOT_A_GROUP_APART,
        NO_PATTERN
    }

    /// Leads are right, but the voltage of one group differs from the others.
    ///
    /// @param group from 1
    /// @param usualVolts of the others, in V
    record GroupOdd(int group, double volts, double usualVolts) implements TapFault {}

    /// Leads are right, but a group is below its end voltage or above its charge limit.
    ///
    /// @param group from 1
    record GroupBeyond(int group, double volts, RestingLevel level, Chemistry chemistry)
            implements TapFault {}

    /// What can be wrong, as it is named in files.
    enum Kind {
        SWAPPED,
        WRONG_TAP,
        OPEN,
        SHIFTED,
        REVERSED,
        UNREADABLE,
        GROUP_ODD,
        GROUP_LIMITS;

        /// The name used in files.
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /// What kind of fault it is.
    default Kind kind() {
        return switch (this) {
            case Swapped swapped -> Kind.SWAPPED;
            case WrongTap wrong -> Kind.WRONG_TAP;
            case Silent silent -> Kind.OPEN;
            case AllSilent silent -> Kind.OPEN;
            case FirstFloats floats -> Kind.OPEN;
            case Shifted shifted -> Kind.SHIFTED;
            case Reversed reversed -> Kind.REVERSED;
            case NoJoint none -> Kind.UNREADABLE;
            case NoPattern none -> Kind.UNREADABLE;
            case GroupOdd odd -> Kind.GROUP_ODD;
            case GroupBeyond beyond -> Kind.GROUP_LIMITS;
        };
    }

    /// Positions in the plug, from 0; empty when it is about a group.
    default List<Integer> leads() {
        return switch (this) {
            case Swapped swapped -> List.of(swapped.one(), swapped.other());
            case WrongTap wrong -> List.of(wrong.lead());
            case Silent silent -> List.of(silent.lead());
            case AllSilent silent -> row(1, silent.series());
            case FirstFloats floats -> List.of(0);
            case Shifted shifted -> row(shifted.first(), shifted.last());
            case Reversed reversed -> row(0, reversed.series());
            case NoJoint none -> List.of(none.lead());
            case NoPattern none -> row(0, none.series());
            case GroupOdd odd -> List.of();
            case GroupBeyond beyond -> List.of();
        };
    }

    /// Groups, from 1; empty when it is about leads.
    default List<Integer> groups() {
        return switch (this) {
            case GroupOdd odd -> List.of(odd.group());
            case GroupBeyond beyond -> List.of(beyond.group());
            case Swapped swapped -> List.of();
            case WrongTap wrong -> List.of();
            case Silent silent -> List.of();
            case AllSilent silent -> List.of();
            case FirstFloats floats -> List.of();
            case Shifted shifted -> List.of();
            case Reversed reversed -> List.of();
            case NoJoint none -> List.of();
            case NoPattern none -> List.of();
        };
    }

    private static List<Integer> row(int first, int last) {
        return IntStream.rangeClosed(first, last).boxed().toList();
    }
}
