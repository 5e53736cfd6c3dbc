package pentacell.core.donor;

import pentacell.core.journal.Fact;

/// What can be logged of what was bought, and what new would cost.
public sealed interface PurchaseFact extends Fact {

    /// A lot was bought, or described anew under the same code.
    record LotAdded(Lot lot) implements PurchaseFact {}

    /// What a new cell would cost was stated.
    ///
    /// @param wattHours what one holds, in Wh
    record NewCellPriced(Price price, double wattHours) implements PurchaseFact {
        public NewCellPriced {
            if (!(wattHours > 0 && wattHours < 1000))
                throw new IllegalArgumentException(
                        "a cell holds above 0 and under 1000 Wh, was " + wattHours);
        }
    }
}
