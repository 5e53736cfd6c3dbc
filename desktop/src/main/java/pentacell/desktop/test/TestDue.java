package pentacell.desktop.test;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import pentacell.core.measure.HoldShelf;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.Standing;
import pentacell.core.unit.Count;
import pentacell.desktop.frame.Due;
import pentacell.desktop.kit.When;

/// Readings of the hold shelf that are due or will be, and cells that wait for their test.
public final class TestDue {
    private TestDue() {}

    /// What is due at Test.
    public static List<Due> of(WorkshopState state, JudgedStock judged, Instant now) {
        List<Due> due = new ArrayList<>(holdReadings(state, now));
        int waiting = judged.count(Standing.UNDER_TEST);
        if (waiting > 0)
            due.add(
                    new Due(
                            Count.of(waiting, "cell waits", "cells wait")
                                    + " for a capacity reading",
                            Due.Urgency.NEXT));
        return due;
    }

    private static List<Due> holdReadings(WorkshopState state, Instant now) {
        List<Instant> due =
                HoldShelf.of(state).open().stream()
                        .flatMap(row -> row.test().dueAt().stream())
                        .sorted()
                        .toList();
        if (due.isEmpty()) return List.of();
        int ready = (int) due.stream().filter(at -> !at.isAfter(now)).count();
        return List.of(
                new Due(
                        ready > 0
                                ? Count.of(ready, "hold reading", "hold readings") + " now"
                                : "next hold reading "
                                        + When.WEEKDAY.words(
                                                due.get(0).atZone(ZoneId.systemDefault())),
                        Due.Urgency.TIMED));
    }
}
