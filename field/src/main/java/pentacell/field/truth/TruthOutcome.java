package pentacell.field.truth;

import java.util.List;
import java.util.OptionalDouble;

/// What the program said of one pack, beside what is hidden in it.
///
/// @param kind the row of the table it counts in
/// @param isRight whether it said what is hidden, or nothing where nothing is
/// @param wrong what it said that is not so
/// @param error of the figure it gave, as a part of the true one; empty when it gave none
/// @param pack which one it was, to be made again from the same seed
public record TruthOutcome(
        String kind, boolean isRight, List<String> wrong, OptionalDouble error, String pack) {
    public TruthOutcome {
        wrong = List.copyOf(wrong);
    }
}
