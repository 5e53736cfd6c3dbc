package pentacell.core.schedule;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellId;

/// What goes where and when, and when it is all done.
///
/// @param planned the tests, the first to be loaded first
/// @param nowhere cells no bay can test
/// @param finish when the last test is done; empty when there is nothing to do
/// @param earliest no plan can be done before this; proven
/// @param swaps the next times at which a hand is needed
/// @param shelfFullAt when the hold shelf has no more room, if that happens before the end
public record TestPlan(
        List<Planned> planned,
        List<CellId> nowhere,
        Optional<LocalDateTime> finish,
        Optional<LocalDateTime> earliest,
        List<LocalDateTime> swaps,
        Optional<LocalDateTime> shelfFullAt) {
    public TestPlan {
        planned = List.copyOf(planned);
        nowhere = List.copyOf(nowhere);
        swaps = List.copyOf(swaps);
    }

    /// What to load at or before a time.
    public List<Planned> toLoad(LocalDateTime now) {
        return planned.stream().filter(each -> !each.loadAt().isAfter(now)).toList();
    }

    /// The cell to load next into a bay.
    public Optional<Planned> nextFor(String bay) {
        return planned.stream().filter(each -> each.bay().equals(bay)).findFirst();
    }
}
