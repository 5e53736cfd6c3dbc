package pentacell.desktop.intake;

import java.util.List;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Count;
import pentacell.desktop.frame.Due;

/// Cells of which too little is known to judge them.
public final class IntakeDue {
    private IntakeDue() {}

    /// What is due at Intake.
    public static List<Due> of(JudgedStock judged) {
        int unknown = judged.count(Standing.UNKNOWN);
        return unknown == 0
                ? List.of()
                : List.of(
                        new Due(
                                Count.of(unknown, "cell waits", "cells wait")
                                        + " for a first voltage or a model",
                                Due.Urgency.FIRST));
    }
}
