package pentacell.core.test;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import pentacell.core.cell.CellId;

/// What goes where and when, and when it is all done.
///
/// @param planned the tests, the first to be loaded first
/// @param nowhere cells no bay can test
/// @param finish when the last test is done; empty when there is nothing to do
/// @param earliest no plan can be done before this; proven
/// @param shelfFullAt when the hold shelf has no more room, if that happens before the end
public record TestPlan(
        List<TestSlot> planned,
        List<CellId> nowhere,
        Optional<LocalDateTime> finish,
        Optional<LocalDateTime> earliest,
        Optional<LocalDateTime> shelfFullAt) {
    public TestPlan {
        planned = List.copyOf(planned);
        nowhere = List.copyOf(nowhere);
    }

    /// What to load at or before a time.
    public List<TestSlot> toLoad(LocalDateTime now) {
        return planned.stream().filter(each -> !each.loadAt().isAfter(now)).toList();
    }

    /// The cell to load next into a bay.
    public Optional<TestSlot> nextFor(String bay) {
        return planned.stream().filter(each -> each.bay().equals(bay)).findFirst();
    }

    /// What is loaded at one moment.
    public record Swap(LocalDateTime at, List<TestSlot> loads) {}

    /// The moments at which a hand is needed, in their order.
    public List<Swap> swaps() {
        TreeMap<LocalDateTime, List<TestSlot>> moments = new TreeMap<>();
        for (TestSlot each : planned)
            moments.computeIfAbsent(each.loadAt(), at -> new ArrayList<>()).add(each);
        return moments.entrySet().stream()
                .map(each -> new Swap(each.getKey(), List.copyOf(each.getValue())))
                .toList();
    }

    /// The cell of the plan that comes out of the bay when another is loaded.
    public Optional<CellId> before(TestSlot load) {
        return planned.stream()
                .filter(each ->
                        each.bay().equals(load.bay()) && each.loadAt().isBefore(load.loadAt()))
                .max(Comparator.comparing(TestSlot::loadAt))
                .map(TestSlot::cell);
    }
}
