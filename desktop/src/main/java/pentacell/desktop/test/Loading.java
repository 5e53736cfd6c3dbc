package pentacell.desktop.test;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import pentacell.core.cell.CellId;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.state.WorkshopState;
import pentacell.core.test.TestQueue;
import pentacell.core.test.facts.Bay;
import pentacell.core.test.facts.Bench;
import pentacell.core.test.facts.Programme;
import pentacell.desktop.frame.Desk;

/// How cells get into bays: which bay a cell goes into, and why it cannot.
final class Loading {
    static final String NO_BAY = "Every bay that suits is busy.";

    private final Desk desk;
    private final TestModel model;

    /// Cells on their way into a bay, by its name.
    private final Map<String, CellId> underWay = new HashMap<>();

    Loading(Desk desk, TestModel model) {
        this.desk = desk;
        this.model = model;
    }

    /// The bay a cell is to go into: the one the plan has for it when that is free, else the one in
    /// hand, else the first free one that suits.
    Optional<Bay> bayFor(CellId cell) {
        return bayFor(model.queue(), cell);
    }

    private Optional<Bay> bayFor(TestQueue queue, CellId cell) {
        Set<String> busy = new HashSet<>(model.runs().keySet());
        busy.addAll(underWay.keySet());
        Optional<WaitingForTest> waiting = queue.waiting(cell);
        List<Bay> free =
                model.bays().stream()
                        .filter(bay -> !busy.contains(bay.name()))
                        .filter(bay -> !model.link(bay.instrument()).isLost())
                        .filter(bay -> waiting.filter(each -> queue.suits(each, bay)).isPresent())
                        .toList();
        Optional<Bay> hand =
                model.bays().size() >= model.bayInHand()
                        ? Optional.of(model.bays().get(model.bayInHand() - 1))
                                .filter(free::contains)
                        : Optional.empty();
        Optional<Bay> byPlan =
                model.plan()
                        .flatMap(each ->
                                each.toLoad(model.now()).stream()
                                        .filter(job -> job.cell().equals(cell))
                                        .flatMap(job ->
                                                free.stream()
                                                        .filter(bay ->
                                                                bay.name().equals(job.bay())))
                                        .findFirst());
        return byPlan.or(() -> hand).or(() -> free.stream().findFirst());
    }

    /// Loads a cell into a bay, as the queue that follows from everything typed so far has it.
    ///
    /// @param named bay a person asks for, else the one that [#bayFor] finds
    /// @param askedAmps discharge current a person asks for
    void loadWhenQueued(
            CellId cell,
            Optional<Bay> named,
            OptionalDouble askedAmps,
            Runnable onLoaded,
            Consumer<String> onFailed) {
        WorkshopState state = desk.ledger().expected();
        desk.work()
                .lane("plan")
                .run(
                        () -> TestQueue.of(state),
                        then -> {
                            Optional<Bay> bay = named.or(() -> bayFor(then, cell));
                            if (bay.isPresent())
                                load(then, cell, bay.get(), askedAmps, onLoaded, onFailed);
                            else onFailed.accept(whyNoBay(then, cell));
                        });
    }

    private String whyNoBay(TestQueue then, CellId cell) {
        return then.waiting(cell).isEmpty() ? whyNot(cell) : NO_BAY;
    }

    /// Loads a cell into a bay.
    ///
    /// @param askedAmps discharge current a person asks for
    void load(
            CellId cell,
            Bay bay,
            OptionalDouble askedAmps,
            Runnable onLoaded,
            Consumer<String> onFailed) {
        load(model.queue(), cell, bay, askedAmps, onLoaded, onFailed);
    }

    private void load(
            TestQueue queue,
            CellId cell,
            Bay bay,
            OptionalDouble askedAmps,
            Runnable onLoaded,
            Consumer<String> onFailed) {
        Optional<WaitingForTest> waiting = queue.waiting(cell);
        if (waiting.filter(each -> queue.suits(each, bay)).isEmpty()) {
            String why = waiting.isEmpty() ? whyNot(cell) : whyNot(queue, cell, bay);
            desk.notices().say(why);
            onFailed.accept(why);
            return;
        }
        Programme programme = queue.programme(waiting.get(), bay, askedAmps);
        underWay.put(bay.name(), cell);
        model.doAtBench(
                each -> each.start(cell, bay, programme),
                () -> {
                    underWay.remove(bay.name(), cell);
                    desk.notices().say("%s is in %s".formatted(cell, bay.name()));
                    onLoaded.run();
                },
                why -> {
                    underWay.remove(bay.name(), cell);
                    onFailed.accept(why);
                });
    }

    private String whyNot(CellId cell) {
        return model.runs().values().stream()
                .filter(run -> run.cell().equals(cell))
                .map(run -> cell + " is in " + run.bay() + " already.")
                .findFirst()
                .orElse(
                        cell
                                + " does not wait for a test: its card says why. A first voltage comes before it.");
    }

    private String whyNot(TestQueue queue, CellId cell, Bay bay) {
        if (Bench.of(desk.ledger().state()).baysAside().contains(bay.name()))
            return bay.name() + " is set aside; put it back in use under Bench.";
        if (queue.waiting(cell).filter(each -> !each.instruction().isChemistryKnown()).isPresent())
            return "The chemistry of %s is not known. Name its model first: charged as the wrong one it is destroyed."
                    .formatted(cell);
        return bay.chargeAmps() == 0
                ? "%s only discharges: charge %s elsewhere first and read its voltage."
                        .formatted(bay.name(), cell)
                : "%s cannot test %s: its chemistry or its currents do not suit."
                        .formatted(bay.name(), cell);
    }
}
