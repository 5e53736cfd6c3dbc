package pentacell.core.fact;

import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Donor;
import pentacell.core.cell.Tray;

/// Something that was seen, done or decided. Facts are only ever added to the journal.
public sealed interface Fact {

    /// A model of cell was defined, or defined anew under the same name.
    record ModelDefined(CellModel model) implements Fact {}

    /// A donor was added, or described anew under the same code.
    record DonorAdded(Donor donor) implements Fact {}

    /// A tray was put on the shelf, or given another size.
    record TrayAdded(Tray tray) implements Fact {}

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
