package pentacell.core.donor;

import java.time.LocalDate;
import pentacell.core.cell.CellId;

/// Packs that were bought together.
///
/// @param code short code, such as `K3`
/// @param source where it came from, in words
/// @param bought when
/// @param price what was paid, without postage
/// @param postage postage and travel, in the currency of the price
/// @param packs how many packs it holds, 1 or more
/// @param minutes time spent on fetching and sorting it
public record Lot(
        String code,
        String source,
        LocalDate bought,
        Price price,
        double postage,
        int packs,
        int minutes) {
    public Lot {
        CellId.problem(code)
                .ifPresent(problem -> {
                    throw new IllegalArgumentException("lot code \"" + code + "\" " + problem);
                });
        if (!(postage >= 0 && postage < 1e9))
            throw new IllegalArgumentException("postage is 0 or more, was " + postage);
        if (packs < 1 || packs > 10_000)
            throw new IllegalArgumentException("a lot holds 1 to 10000 packs, was " + packs);
        if (minutes < 0 || minutes > 100_000)
            throw new IllegalArgumentException("minutes are 0 to 100000, were " + minutes);
    }

    /// Price and postage.
    public double cost() {
        return price.amount() + postage;
    }
}
