package pentacell.desktop.harvest;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.harvest.Repair;
import pentacell.core.school.RepairSchool;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Due;
import pentacell.desktop.kit.When;

/// Groups that were brought up alone and have rested, or will have, earliest first.
public final class HarvestDue {
    private HarvestDue() {}

    private record Waiting(Instant at, Due due) {}

    /// What is due at Harvest.
    public static List<Due> of(WorkshopState state, Instant now) {
        RepairSchool school = Schools.of(state).repair();
        List<Waiting> waiting = new ArrayList<>();
        for (DonorRecord record : Donors.of(state).records().values())
            for (DonorRecord.Charge charge : record.charges()) {
                Repair.Hold hold =
                        Repair.hold(charge, Repair.chemistry(record, state), school, now).verdict();
                if (hold != Repair.Hold.WAITS && hold != Repair.Hold.DUE) continue;
                Instant at = Repair.dueAt(charge, school);
                String what =
                        "%s group %d: read again %s, passes at %s"
                                .formatted(
                                        record.donor().code(),
                                        charge.group(),
                                        hold == Repair.Hold.DUE
                                                ? "now"
                                                : "from "
                                                        + When.WEEKDAY.words(
                                                                at.atZone(ZoneId.systemDefault())),
                                        Quantity.VOLTAGE.text(
                                                Repair.passVolts(
                                                        charge,
                                                        Repair.chemistry(record, state),
                                                        school)));
                waiting.add(new Waiting(at, new Due(what, Due.Urgency.TIMED)));
            }
        return waiting.stream()
                .sorted(Comparator.comparing(Waiting::at))
                .map(Waiting::due)
                .toList();
    }
}
