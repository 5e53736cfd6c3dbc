package pentacell.core.school;

import java.util.List;
import pentacell.core.cell.CellId;
import pentacell.core.journal.Fact;

/// What can be logged of grading.
public sealed interface GradeFact extends Fact {

    /// Limits were put in force that cells are graded by.
    record GradeLimitsChosen(GradePolicy policy) implements GradeFact {}

    /// Some cells were kept together under a name; one of that name no longer holds.
    record SelectionSaved(String name, List<CellId> cells) implements GradeFact {
        public SelectionSaved {
            if (name.isBlank()) throw new IllegalArgumentException("a selection has a name");
            cells = List.copyOf(cells);
        }
    }

    /// A selection is no longer needed.
    record SelectionDropped(String name) implements GradeFact {}
}
