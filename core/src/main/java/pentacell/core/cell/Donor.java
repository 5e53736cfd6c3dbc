package pentacell.core.cell;

/// A pack that cells came from.
///
/// @param code short code that the ids of its cells begin with, such as `HB03`
/// @param kind what it was: hire-bicycle module, docking pack …
/// @param cellModel name of the model of its cells, empty when not known
/// @param note anything else, may be empty
public record Donor(String code, String kind, String cellModel, String note) {
    public Donor {
        CellId.problem(code)
                .ifPresent(problem -> {
                    throw new IllegalArgumentException("donor code \"" + code + "\" " + problem);
                });
    }
}
