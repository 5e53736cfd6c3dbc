package pentacell.field.truth;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import pentacell.core.build.TapCheck;
import pentacell.core.build.TapFault;
import pentacell.core.build.TapVerdict;
import pentacell.field.FieldPack.Family;
import pentacell.field.FieldPlug;

/// What is said of balance leads before a board is plugged in.
public final class PlugTruth {
    private PlugTruth() {}

    /// Judges one plug. It is right when every lead or group that is about is named, with its kind,
    /// and no other; nothing that is not right may be called safe.
    public static TruthOutcome of(Family family, FieldPlug.Hidden hidden, long seed, int number) {
        FieldPlug plug =
                FieldPlug.of(
                        family, hidden, Drawn.of(seed, family.ordinal(), hidden.ordinal(), number));
        TapVerdict told = TapCheck.of(plug.readings(), Logs.chemistry(family));
        Set<Integer> leads = new TreeSet<>();
        Set<Integer> groups = new TreeSet<>();
        Set<TapFault.Kind> kinds = EnumSet.noneOf(TapFault.Kind.class);
        for (TapFault fault : told.faults()) {
            kinds.add(fault.kind());
            leads.addAll(fault.leads());
            groups.addAll(fault.groups());
        }
        // a whole row is wrong in two kinds, whatever leads are named
        boolean isRow = hidden == FieldPlug.Hidden.SHIFTED || hidden == FieldPlug.Hidden.REVERSED;
        boolean isNamed =
                isRow
                        || leads.equals(new TreeSet<>(plug.leads()))
                                && groups.equals(new TreeSet<>(plug.groups()));
        // a last reading that is far off is its lead or its group: nothing above it tells
        boolean isLast = groups.isEmpty() && plug.groups().contains(plug.readings().size() - 1);
        boolean isRight =
                kinds.equals(kinds(hidden)) && isNamed
                        || isLast && kinds.equals(EnumSet.of(TapFault.Kind.UNREADABLE));
        List<String> wrong = new ArrayList<>();
        if (!isRight) wrong.add("%s %s %s of %s".formatted(kinds, leads, groups, plug.readings()));
        boolean isSafe = hidden == FieldPlug.Hidden.RIGHT;
        if (told.isSafeToPlugIn() && !isSafe) wrong.add("unsafe: it may be plugged in");
        if (!told.isSafeToPlugIn() && isSafe) wrong.add("it may not be plugged in");
        return new TruthOutcome(
                Logs.kind(family, hidden),
                isRight,
                wrong,
                OptionalDouble.empty(),
                "number " + number);
    }

    private static Set<TapFault.Kind> kinds(FieldPlug.Hidden hidden) {
        return switch (hidden) {
            case RIGHT -> EnumSet.noneOf(TapFault.Kind.class);
            case SWAPPED, SWAPPED_TWICE -> EnumSet.of(TapFault.Kind.SWAPPED);
            case WRONG_TAP -> EnumSet.of(TapFault.Kind.WRONG_TAP);
            case OPEN, NEGATIVE_FLOATS -> EnumSet.of(TapFault.Kind.OPEN);
            case SHIFTED -> EnumSet.of(TapFault.Kind.SHIFTED);
            case REVERSED -> EnumSet.of(TapFault.Kind.REVERSED);
            case OVERCHARGED, EMPTY -> EnumSet.of(TapFault.Kind.GROUP_LIMITS);
        };
    }

    static List<TruthOutcome> all(long seed, int packs) {
        List<TruthOutcome> outcomes = new ArrayList<>();
        for (Family family : Family.values())
            for (FieldPlug.Hidden hidden : FieldPlug.Hidden.values())
                for (int number = 0; number < 50 * packs; number++)
                    outcomes.add(of(family, hidden, seed, number));
        return outcomes;
    }
}
