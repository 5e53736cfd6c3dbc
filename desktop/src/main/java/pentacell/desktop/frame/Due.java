package pentacell.desktop.frame;

import java.util.ArrayList;
import java.util.List;
import pentacell.core.fact.Pack;
import pentacell.core.fact.WorkshopState;
import pentacell.core.grade.JudgedStock;
import pentacell.core.grade.Standing;

/// What is due next, read off the state.
///
/// @param words what is due
/// @param station number of the station it is done at
public record Due(String words, int station) {

    /// Everything due, most pressing first.
    public static List<Due> of(WorkshopState state, JudgedStock judged) {
        int waiting = judged.count(Standing.UNDER_TEST);
        int unknown = judged.count(Standing.UNKNOWN);
        List<Due> due = new ArrayList<>();
        for (Pack pack : state.packs().values()) {
            int left = pack.cellCount() - pack.picked().size();
            if (left > 0 && !pack.picked().isEmpty())
                due.add(
                        new Due(
                                "%s: %d of %d cells still to pick"
                                        .formatted(pack.name(), left, pack.cellCount()),
                                6));
        }
        if (unknown > 0)
            due.add(
                    new Due(
                            count(unknown, "cell waits", "cells wait")
                                    + " for a first voltage or a model",
                            2));
        if (waiting > 0)
            due.add(
                    new Due(
                            count(waiting, "cell waits", "cells wait") + " for a capacity reading",
                            2));
        for (Pack pack : state.packs().values())
            if (pack.picked().isEmpty())
                due.add(new Due(pack.name() + " is matched, ready to pick", 6));
        return List.copyOf(due);
    }

    private static String count(int number, String one, String many) {
        return number + " " + (number == 1 ? one : many);
    }
}
