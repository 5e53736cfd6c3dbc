package pentacell.desktop.test;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import pentacell.core.measure.HoldShelf;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.TestPlan;
import pentacell.core.unit.Count;
import pentacell.instruments.bench.LiveRun;
import pentacell.reports.TestCalendar.Event;

/// What falls due at the bays and on the hold shelf, as events of a calendar.
final class TestEvents {
    private TestEvents() {}

    static List<Event> of(TestModel model, WorkshopState state) {
        List<Event> events = new ArrayList<>();
        for (LiveRun run : model.runs().values())
            events.add(
                    new Event(
                            model.now().plus(model.expectedLeft(run)),
                            run.cell() + " is done in " + run.bay(),
                            run.programme()));
        for (TestPlan.Swap swap : model.plan().map(TestPlan::swaps).orElse(List.of()))
            events.add(
                    new Event(
                            swap.at(),
                            "Load " + Count.of(swap.loads().size(), "cell", "cells"),
                            swap.loads().stream()
                                    .map(each -> each.cell() + " into " + each.bay())
                                    .collect(Collectors.joining("\n"))));
        Map<LocalDateTime, List<String>> readings = new TreeMap<>();
        for (HoldShelf.Row row : HoldShelf.of(state).open())
            row.test()
                    .dueAt()
                    .ifPresent(at ->
                            readings.computeIfAbsent(
                                            TestModel.local(at)
                                                    .withMinute(0)
                                                    .withSecond(0)
                                                    .withNano(0),
                                            hour -> new ArrayList<>())
                                    .add(row.test().cell().id().text()));
        readings.forEach((at, cells) ->
                events.add(
                        new Event(
                                at,
                                "Read %d on the hold shelf".formatted(cells.size()),
                                String.join(", ", cells))));
        return events;
    }
}
