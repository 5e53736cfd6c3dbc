package pentacell.core.donor;

import java.util.Optional;
import java.util.OptionalDouble;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;

/// A pack that cells come from.
///
/// @param code short code that the ids of its cells begin with, such as `HB03`
/// @param kind what it was: hire-bicycle module, docking pack …
/// @param cellModel name of the model of its cells, empty when not known
/// @param note anything else, may be empty
/// @param lot code of the lot it was bought in
/// @param arrangement how its cells are joined
/// @param construction how it is put together
/// @param rating what is printed on it
/// @param priceShare its own part of the lot's cost; without one all donors of a lot share evenly
public record Donor(
        String code,
        String kind,
        String cellModel,
        String note,
        Optional<String> lot,
        Optional<Arrangement> arrangement,
        Optional<Construction> construction,
        Optional<PackLabel> rating,
        OptionalDouble priceShare) {
    public Donor {
        CellId.problem(code)
                .ifPresent(problem -> {
                    throw new IllegalArgumentException("donor code \"" + code + "\" " + problem);
                });
        if (priceShare.isPresent() && !(priceShare.getAsDouble() >= 0))
            throw new IllegalArgumentException(
                    "a share of the price is 0 or more, was " + priceShare.getAsDouble());
    }

    /// A donor of which only the name is known yet.
    public static Donor of(String code, String kind, String cellModel, String note) {
        return new Donor(
                code,
                kind,
                cellModel,
                note,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty());
    }

    /// What is printed on it; nothing where that is not known.
    public PackLabel label() {
        return rating.orElse(PackLabel.NONE);
    }

    /// The chemistry of its cells: by their model, else by the voltage on its label.
    public Optional<Chemistry> chemistry(Optional<CellModel> model) {
        return model.map(CellModel::chemistry)
                .or(() -> arrangement.flatMap(each -> label().chemistry(each.series())));
    }

    /// What a group holds new, in Ah: by the model of its cells, else by the label.
    public OptionalDouble groupAmpHours(Optional<CellModel> model) {
        if (model.isPresent() && arrangement.isPresent())
            return OptionalDouble.of(
                    model.get().ratedMinimumMilliampHours() * arrangement.get().parallel() / 1000);
        return label().ampHours();
    }

    /// Whether it holds cans, as far as is known: pouch cells are left whole.
    public boolean hasCans() {
        return !construction.equals(Optional.of(Construction.POUCH_CELLS));
    }
}
