package pentacell.core.fact;

import pentacell.core.bay.BenchHours;
import pentacell.core.bay.Instrument;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Tray;
import pentacell.core.donor.Donor;
import pentacell.core.donor.Lot;
import pentacell.core.donor.Price;
import pentacell.core.school.BandPolicy;
import pentacell.core.school.HoldPolicy;
import pentacell.core.school.RepairPolicy;
import pentacell.core.school.TestPolicy;

/// Something that was seen, done or decided. Facts are only ever added to the journal.
public sealed interface Fact {

    /// A model of cell was defined, or defined anew under the same name.
    record ModelDefined(CellModel model) implements Fact {}

    /// A donor was added, or described anew under the same code.
    record DonorAdded(Donor donor) implements Fact {}

    /// A tray was put on the shelf, or given another size.
    record TrayAdded(Tray tray) implements Fact {}

    /// A lot was bought, or described anew under the same code.
    record LotAdded(Lot lot) implements Fact {}

    /// Voltage bands were put in force for their chemistry.
    record BandsChosen(BandPolicy policy) implements Fact {}

    /// A way of dealing with low groups was put in force.
    record RepairChosen(RepairPolicy policy) implements Fact {}

    /// A way of testing was put in force: the workshop's standard conditions.
    record TestChosen(TestPolicy policy) implements Fact {}

    /// A way of finding self-discharge was put in force.
    record HoldChosen(HoldPolicy policy) implements Fact {}

    /// An instrument was put on the bench, or described anew under the same name.
    record InstrumentAdded(Instrument instrument) implements Fact {}

    /// An instrument was taken off the bench.
    record InstrumentRemoved(String name) implements Fact {}

    /// A bay was set aside, or taken into use again.
    ///
    /// @param bay its name, such as `Charger A · 2`
    record BayUseSet(String bay, BayUse use) implements Fact {}

    /// Whether a bay is used.
    enum BayUse {
        IN_USE,
        ASIDE
    }

    /// The hours were stated in which somebody is there to swap cells.
    record BenchHoursSet(BenchHours hours) implements Fact {}

    /// What a new cell would cost was stated.
    ///
    /// @param wattHours what one holds, in Wh
    record NewCellPriced(Price price, double wattHours) implements Fact {
        public NewCellPriced {
            if (!(wattHours > 0 && wattHours < 1000))
                throw new IllegalArgumentException(
                        "a cell holds above 0 and under 1000 Wh, was " + wattHours);
        }
    }

    /// A file of readings was taken in.
    ///
    /// @param name its file name
    /// @param sha256 fingerprint of its bytes, so that the same file twice is noticed
    /// @param cells how many cells came from it
    record FileImported(String name, String sha256, int cells) implements Fact {}

    /// A fact about one cell.
    sealed interface OfCell extends Fact permits CellFact, EntryCorrected, EntryStruck {
        /// The cell it is about.
        CellId cell();
    }

    /// A logged entry was wrong; this one holds in its place. The wrong one stays in the life line.
    ///
    /// @param sequence the entry that was wrong
    /// @param replacement what holds instead, about the same cell
    record EntryCorrected(long sequence, CellFact replacement) implements OfCell {
        @Override
        public CellId cell() {
            return replacement.cell();
        }
    }

    /// A logged entry should not have been; nothing holds in its place.
    ///
    /// @param sequence the entry that was wrong
    /// @param cell the cell it was about
    /// @param reason why, in the person's words
    record EntryStruck(long sequence, CellId cell, String reason) implements OfCell {}

    /// A fact about one donor.
    sealed interface OfDonor extends Fact permits DonorFact {
        /// Code of the donor.
        String donor();
    }

    /// A fact about one pack in the making.
    sealed interface OfPack extends Fact permits PackFact {
        /// The name of the pack.
        String pack();
    }

    /// An act is taken back: none of its facts hold any more.
    record ActUndone(long act) implements Fact {}

    /// An act that was taken back holds again.
    record ActRedone(long act) implements Fact {}
}
