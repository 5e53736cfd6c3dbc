package pentacell.desktop.test;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import pentacell.core.measure.HoldShelf;
import pentacell.core.schedule.Planned;
import pentacell.core.schedule.TestPlan;
import pentacell.core.state.WorkshopState;
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
        Map<LocalDateTime, List<String>> swaps = new TreeMap<>();
        for (Planned each : model.plan().map(TestPlan::planned).orElse(List.of()))
            swaps.computeIfAbsent(each.loadAt(), at -> new ArrayList<>())
                    .add(each.cell() + " into " + each.bay());
        swaps.forEach((at, loads) ->
                events.add(
                        new Event(
                                at,
                                "Load %d %s"
                                        .formatted(
                                                loads.size(), loads.size() == 1 ? "cell" : "cells"),
                                String.join("\n", loads))));
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
