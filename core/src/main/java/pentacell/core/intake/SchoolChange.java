package pentacell.core.intake;

import java.util.ArrayList;
import java.util.List;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.school.BandSchool;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// A cell whose verdict by first voltage changes with the school.
///
/// @param cell the cell
/// @param before its verdict so far
/// @param after its verdict under the other school
public record SchoolChange(CellId cell, IntakeVerdict before, IntakeVerdict after) {

    /// What changes when other bands are put in force for their chemistry.
    public static List<SchoolChange> of(WorkshopState state, BandSchool next) {
        BandSchool now = Schools.of(state).bands(next.chemistry());
        List<SchoolChange> changes = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values()) {
            boolean isConcerned =
                    cell.firstVolts().isPresent()
                            && CellModel.chemistryOf(Catalogue.of(state).modelOf(cell))
                                    == next.chemistry();
            if (!isConcerned) continue;
            double volts = cell.firstVolts().getAsDouble();
            IntakeVerdict before = Triage.judge(volts, now).verdict();
            IntakeVerdict after = Triage.judge(volts, next).verdict();
            if (before != after) changes.add(new SchoolChange(cell.id(), before, after));
        }
        return changes;
    }
}
