package pentacell.desktop.frame;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import pentacell.core.fact.DonorRecord;
import pentacell.core.fact.Pack;
import pentacell.core.fact.WorkshopState;
import pentacell.core.grade.JudgedStock;
import pentacell.core.grade.Standing;
import pentacell.core.harvest.Repair;
import pentacell.core.measure.HoldShelf;
import pentacell.core.school.RepairPolicy;
import pentacell.core.unit.Quantity;

/// What is due next, read off the state.
///
/// @param words what is due
/// @param station number of the station it is done at
public record Due(String words, int station) {

    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofPattern("EEE HH:mm", Locale.ENGLISH);

    /// Everything due, most pressing first.
    public static List<Due> of(WorkshopState state, JudgedStock judged, Instant now) {
        int waiting = judged.count(Standing.UNDER_TEST);
        int unknown = judged.count(Standing.UNKNOWN);
        List<Due> due = new ArrayList<>(readAgain(state, now));
        holdReadings(state, now).ifPresent(due::add);
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
                            3));
        for (Pack pack : state.packs().values())
            if (pack.picked().isEmpty())
                due.add(new Due(pack.name() + " is matched, ready to pick", 6));
        return List.copyOf(due);
    }

    /// Cells on the hold shelf that are to be read now, or the next that will be.
    private static Optional<Due> holdReadings(WorkshopState state, Instant now) {
        List<Instant> due =
                HoldShelf.of(state).open().stream()
                        .flatMap(row -> row.test().dueAt().stream())
                        .sorted()
                        .toList();
        if (due.isEmpty()) return Optional.empty();
        int ready = (int) due.stream().filter(at -> !at.isAfter(now)).count();
        return Optional.of(
                new Due(
                        ready > 0
                                ? count(ready, "hold reading", "hold readings") + " now"
                                : "next hold reading "
                                        + WHEN.format(due.get(0).atZone(ZoneId.systemDefault())),
                        3));
    }

    /// Groups that were brought up alone and have rested, or will have, earliest first.
    private static List<Due> readAgain(WorkshopState state, Instant now) {
        RepairPolicy policy = state.schools().repair();
        record Waiting(Instant at, Due due) {}
        List<Waiting> waiting = new ArrayList<>();
        for (DonorRecord record : state.donorRecords().values())
            for (DonorRecord.Charge charge : record.charges()) {
                Repair.Hold hold = Repair.hold(charge, policy, now).verdict();
                if (hold != Repair.Hold.WAITS && hold != Repair.Hold.DUE) continue;
                Instant at = Repair.dueAt(charge, policy);
                String what =
                        "%s group %d: read again %s, passes at %s"
                                .formatted(
                                        record.donor().code(),
                                        charge.group(),
                                        hold == Repair.Hold.DUE
                                                ? "now"
                                                : "from "
                                                        + WHEN.format(
                                                                at.atZone(ZoneId.systemDefault())),
                                        Quantity.VOLTAGE.text(
                                                charge.volts() - policy.passDropVolts()));
                waiting.add(new Waiting(at, new Due(what, 1)));
            }
        return waiting.stream()
                .sorted(Comparator.comparing(Waiting::at))
                .map(Waiting::due)
                .toList();
    }

    private static String count(int number, String one, String many) {
        return number + " " + (number == 1 ? one : many);
    }
}
