package pentacell.core.intake;

import java.util.Optional;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Chemistry;
import pentacell.core.donor.DonorRecord;
import pentacell.core.donor.Donors;
import pentacell.core.state.WorkshopState;

/// What is known of a cell's chemistry, and how far it may be charged by that.
///
/// A cell of unknown chemistry is never charged to the limit of the 4.2 V class: if it is iron
/// phosphate, that destroys it.
public final class KnownChemistry {
    /// Safe for both families, and enough to tell them apart once the cell has rested, in V.
    public static final double EITHER_CHARGE_VOLTS = 3.60;

    /// Rested after a charge to [#EITHER_CHARGE_VOLTS], iron phosphate falls under this, in V
    /// (common practice).
    public static final double TOLD_APART_VOLTS = 3.45;

    private KnownChemistry() {}

    /// The chemistry of a cell: by its model, else by its donor.
    public static Optional<Chemistry> of(CellRecord cell, WorkshopState state) {
        Catalogue catalogue = Catalogue.of(state);
        return catalogue
                .modelOf(cell)
                .map(CellModel::chemistry)
                .or(() ->
                        cell.donor()
                                .flatMap(Donors.of(state)::record)
                                .map(DonorRecord::donor)
                                .flatMap(donor ->
                                        donor.chemistry(catalogue.model(donor.cellModel()))));
    }

    /// How far a cell may be charged, in V: its model's own limit where that is lower than its
    /// chemistry's.
    public static double chargeVolts(Optional<Chemistry> known, Optional<CellModel> model) {
        double byChemistry = known.map(Chemistry::chargeLimitVolts).orElse(EITHER_CHARGE_VOLTS);
        return Math.min(byChemistry, model.map(each -> each.limits().chargeVolts()).orElse(5.0));
    }
}
