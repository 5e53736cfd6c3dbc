package pentacell.desktop.harvest;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.Arrangement;
import pentacell.core.donor.DonorFact.DonorWay;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.harvest.Advice;
import pentacell.core.harvest.Diagnose;
import pentacell.core.harvest.Diagnosis;
import pentacell.core.harvest.PackReadings;
import pentacell.core.harvest.Repair;
import pentacell.core.harvest.RepairPlan;
import pentacell.core.harvest.Teardown;
import pentacell.core.journal.Fact;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.desktop.frame.Desk;

/// What Harvest shows of a donor, read off the workshop.
final class HarvestModel {
    private final Desk desk;
    private Optional<String> inHand = Optional.empty();

    HarvestModel(Desk desk) {
        this.desk = desk;
        desk.selection()
                .donorProperty()
                .subscribe(code -> {
                    if (code.isPresent()) inHand = code;
                });
    }

    /// Where a donor stands on its way.
    enum Stage {
        TO_READ("to read"),
        TO_READ_AGAIN("read again"),
        REPAIR("repair"),
        RESTS("rests"),
        TO_OPEN("to open"),
        SCRAP("scrap"),
        IN_USE("in use"),
        OPENED("opened");

        private final String words;

        Stage(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }

        /// Whether something is to be done with it here.
        boolean waits() {
            return this != OPENED && this != IN_USE && this != RESTS && this != SCRAP;
        }
    }

    Optional<DonorRecord> donor() {
        return inHand.flatMap(Donors.of(desk.ledger().state())::record);
    }

    Chemistry chemistry(DonorRecord record) {
        return Repair.chemistry(record, desk.ledger().state());
    }

    Optional<PackReadings> readings(DonorRecord record) {
        return PackReadings.of(
                record, Catalogue.of(desk.ledger().state()).model(record.donor().cellModel()));
    }

    Optional<Diagnosis> diagnosis(DonorRecord record) {
        return readings(record)
                .map(readings -> Diagnose.pack(readings, Schools.of(desk.ledger().state())));
    }

    /// How its low groups are brought up; none where repair is not advised or not wanted.
    List<RepairPlan> plans(DonorRecord record) {
        boolean decidedOtherwise =
                record.decision().filter(decided -> decided.way() != DonorWay.REPAIR).isPresent();
        Optional<PackReadings> readings = readings(record);
        Optional<Diagnosis> diagnosis = diagnosis(record);
        if (readings.isEmpty() || diagnosis.isEmpty() || decidedOtherwise) return List.of();
        return Repair.plans(
                readings.get(),
                diagnosis.get(),
                record.donor()
                        .groupAmpHours(
                                Catalogue.of(desk.ledger().state())
                                        .model(record.donor().cellModel())),
                record.donor().arrangement().map(Arrangement::parallel).orElse(1),
                Schools.of(desk.ledger().state()));
    }

    Repair.Hold hold(DonorRecord record, DonorRecord.Charge charge) {
        return Repair.hold(
                        charge,
                        chemistry(record),
                        Schools.of(desk.ledger().state()).repair(),
                        desk.now())
                .verdict();
    }

    /// What a charged group must still read after the wait, in V.
    double passVolts(DonorRecord record, DonorRecord.Charge charge) {
        return Repair.passVolts(
                charge, chemistry(record), Schools.of(desk.ledger().state()).repair());
    }

    Instant dueAt(DonorRecord.Charge charge) {
        return Repair.dueAt(charge, Schools.of(desk.ledger().state()).repair());
    }

    Stage stage(DonorRecord record) {
        WorkshopState state = desk.ledger().state();
        boolean hasCells = !desk.ledger().judged().ofDonor(record.donor().code()).isEmpty();
        if (hasCells) return Stage.OPENED;
        if (!record.donor().hasCans()) return Stage.SCRAP;
        if (record.decision().isPresent())
            switch (record.decision().get().way()) {
                case USE -> {
                    return Stage.IN_USE;
                }
                case HARVEST -> {
                    return Stage.TO_OPEN;
                }
                case SCRAP -> {
                    return Stage.SCRAP;
                }
                case REPAIR, AS_ADVISED -> {}
            }
        for (DonorRecord.Charge charge : record.charges()) {
            switch (hold(record, charge)) {
                case DUE -> {
                    return Stage.TO_READ_AGAIN;
                }
                case WAITS -> {
                    return Stage.RESTS;
                }
                case FELL -> {
                    return Stage.TO_OPEN;
                }
                case HELD -> {}
            }
        }
        Optional<Advice> advice =
                PackReadings.of(record, Catalogue.of(state).model(record.donor().cellModel()))
                        .map(readings -> Diagnose.pack(readings, Schools.of(state)).advice());
        if (advice.isEmpty()) return Stage.TO_READ;
        return switch (advice.get()) {
            case USE -> Stage.IN_USE;
            case REPAIR -> Stage.REPAIR;
            case HARVEST -> Stage.TO_OPEN;
            case SCRAP -> Stage.SCRAP;
            case READ_AGAIN -> Stage.TO_READ_AGAIN;
        };
    }

    int cellsLeft(DonorRecord record) {
        return Teardown.cellsLeft(desk.ledger().state(), record.donor());
    }

    /// Facts together with how they are called.
    void log(String words, Fact fact) {
        log(words, List.of(fact), () -> {});
    }

    void log(String words, List<? extends Fact> facts, Runnable onLogged) {
        desk.ledger().log(words, new ArrayList<>(facts), onLogged);
    }
}
