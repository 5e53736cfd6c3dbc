package pentacell.core.donor;

import java.util.Map;
import java.util.Optional;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// What was bought, and what new would cost.
///
/// @param lots by code, in the order they were first logged
/// @param newCell what a new cell would cost, when it was stated
public record Purchases(Map<String, Lot> lots, Optional<PurchaseFact.NewCellPriced> newCell) {
    /// The chapter of purchases.
    public static final Chapter<Purchases> CHAPTER =
            Chapter.of(
                    PurchaseFact.class,
                    Purchases.class,
                    new Purchases(Map.of(), Optional.empty()),
                    (purchases, fact) ->
                            switch (fact) {
                                case PurchaseFact.LotAdded added -> purchases.with(added.lot());
                                case PurchaseFact.NewCellPriced priced ->
                                        new Purchases(purchases.lots, Optional.of(priced));
                            });

    public Purchases {
        lots = InOrder.of(lots);
    }

    /// The purchases of a workshop.
    public static Purchases of(WorkshopState state) {
        return state.slice(Purchases.class);
    }

    private Purchases with(Lot lot) {
        return new Purchases(InOrder.with(lots, lot.code(), lot), newCell);
    }
}
