package pentacell.core.school;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import pentacell.core.cell.CellId;
import pentacell.core.state.Chapter;
import pentacell.core.state.InOrder;
import pentacell.core.state.WorkshopState;

/// How a workshop grades its cells, and which it keeps together.
///
/// @param policy the limits in force
/// @param selections saved selections by name, in the order they were first saved
public record Grading(GradePolicy policy, Map<String, List<CellId>> selections) {
    /// The chapter of grading.
    public static final Chapter<Grading> CHAPTER =
            Chapter.of(
                    GradeFact.class,
                    Grading.class,
                    new Grading(GradePolicy.USUAL, Map.of()),
                    Grading::plus);

    public Grading {
        selections = InOrder.of(selections);
    }

    /// How a workshop grades.
    public static Grading of(WorkshopState state) {
        return state.slice(Grading.class);
    }

    private Grading plus(GradeFact fact) {
        Map<String, List<CellId>> after = new LinkedHashMap<>(selections);
        return switch (fact) {
            case GradeFact.GradeLimitsChosen chosen -> new Grading(chosen.policy(), selections);
            case GradeFact.SelectionSaved saved -> {
                after.put(saved.name(), saved.cells());
                yield new Grading(policy, after);
            }
            case GradeFact.SelectionDropped dropped -> {
                after.remove(dropped.name());
                yield new Grading(policy, after);
            }
        };
    }
}
