package pentacell.desktop.test;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellId;
import pentacell.core.test.BenchLine;
import pentacell.core.test.facts.Bay;
import pentacell.core.unit.Quantity;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.QuickSource;
import pentacell.instruments.bench.LiveRun;

/// The quick line of Test: ids load, stop ends, a voltage is a reading on the hold shelf.
final class TestQuick implements QuickSource {
    private final Desk desk;
    private final TestModel model;
    private final LogIntake logs;

    TestQuick(Desk desk, TestModel model, LogIntake logs) {
        this.desk = desk;
        this.model = model;
        this.logs = logs;
    }

    @Override
    public String inHand() {
        if (logs.asked().isPresent()) return "Which cell is " + logs.asked().get() + " from?";
        if (model.dueOnShelf().isPresent()) return "Shelf: " + model.dueOnShelf().get();
        return model.bays().isEmpty() ? "No bay" : "Bay " + model.bayInHand();
    }

    @Override
    public String example() {
        if (model.dueOnShelf().isPresent())
            return "4.172 is the reading of the cell in hand · HB03-07 4.172 of another";
        return "HB03-07 loads · HB03-07 0.5A at another current · b3 HB03-07 into bay 3 · stop b3 · HB03-07 4.172 hold reading";
    }

    @Override
    public void onChange(Runnable changed) {
        model.changesProperty().subscribe(count -> changed.run());
    }

    private record Plan(BenchLine line, Optional<Bay> bay, String trouble) {}

    private Plan plan(String text) {
        BenchLine line = BenchLine.read(text, desk.ledger().expected(), model.dueOnShelf());
        if (!line.trouble().isEmpty()) return new Plan(line, Optional.empty(), line.trouble());
        List<Bay> bays = model.bays();
        if (line.bay().isPresent()
                && (line.bay().getAsInt() < 1 || line.bay().getAsInt() > bays.size()))
            return new Plan(
                    line,
                    Optional.empty(),
                    "There is no bay %d; there are %d."
                            .formatted(line.bay().getAsInt(), bays.size()));
        Optional<Bay> named =
                line.bay().isPresent()
                        ? Optional.of(bays.get(line.bay().getAsInt() - 1))
                        : Optional.empty();
        return switch (line.act()) {
            case READ -> new Plan(line, Optional.empty(), "");
            case STOP -> {
                Optional<Bay> running = named.or(() -> line.cell().flatMap(this::bayOf));
                yield new Plan(
                        line, running, running.isEmpty() ? "That cell is not in a bay." : "");
            }
            case LOAD -> {
                if (line.cell().isEmpty() || logs.asked().isPresent())
                    yield new Plan(line, named, "");
                Optional<Bay> free = named.or(() -> model.loading().bayFor(line.cell().get()));
                // what was typed just before may be what the cell waits for
                boolean isToBeSeen = model.isBehind() && !bays.isEmpty();
                yield new Plan(
                        line,
                        free,
                        free.isEmpty() && !isToBeSeen
                                ? bays.isEmpty()
                                        ? "There is no charger yet: under Bench add a stand-in or an instrument."
                                        : Loading.NO_BAY
                                : "");
            }
        };
    }

    private Optional<Bay> bayOf(CellId cell) {
        return model.runs().values().stream()
                .filter(run -> run.cell().equals(cell))
                .map(LiveRun::bay)
                .flatMap(name -> model.bays().stream().filter(bay -> bay.name().equals(name)))
                .findFirst();
    }

    @Override
    public Reading read(String text) {
        if (text.isBlank()) return new Reading(List.of(), "", State.INCOMPLETE, "");
        Plan plan = plan(text);
        List<Chip> chips = new ArrayList<>();
        plan.line()
                .cell()
                .ifPresent(cell ->
                        chips.add(
                                new Chip(
                                        cell.text(),
                                        logs.asked().isPresent()
                                                ? "is in the log"
                                                : switch (plan.line().act()) {
                                                    case LOAD -> "load";
                                                    case STOP -> "stop";
                                                    case READ -> "cell";
                                                },
                                        Look.PLAIN)));
        plan.bay().ifPresent(bay -> chips.add(new Chip(bay.name(), "bay", Look.PLAIN)));
        if (plan.line().volts().isPresent())
            chips.add(
                    new Chip(
                            Quantity.VOLTAGE.text(plan.line().volts().getAsDouble()),
                            "voltage",
                            Look.PLAIN));
        if (plan.line().amps().isPresent())
            chips.add(
                    new Chip(
                            Quantity.CURRENT.text(plan.line().amps().getAsDouble()),
                            "discharge",
                            Look.PLAIN));
        return new Reading(
                chips,
                plan.trouble(),
                plan.trouble().isEmpty() ? State.COMPLETE : State.INCOMPLETE,
                plan.trouble());
    }

    @Override
    public Entered enter(String text) {
        Plan plan = plan(text);
        BenchLine line = plan.line();
        return switch (line.act()) {
            case READ -> read(line.cell().orElseThrow(), line.volts().orElseThrow());
            case STOP ->
                    new Entered.Line(
                            text,
                            (onDone, onFailed) ->
                                    model.stop(plan.bay().orElseThrow(), onDone, onFailed));
            case LOAD -> load(text, plan);
        };
    }

    private Entered read(CellId cell, double volts) {
        return new Entered.Line(
                cell + " " + Quantity.VOLTAGE.number(volts),
                (onLogged, onFailed) -> {
                    desk.ledger()
                            .log(
                                    "Read " + cell,
                                    List.of(new CellFact.VoltageRead(cell, volts)),
                                    onLogged,
                                    onFailed);
                    desk.selection().select(cell);
                });
    }

    private Entered load(String text, Plan plan) {
        BenchLine line = plan.line();
        if (line.cell().isEmpty())
            return Entered.done(text, () -> model.takeBay(line.bay().orElse(1)));
        CellId cell = line.cell().get();
        if (logs.asked().isPresent()) return Entered.done(text, () -> logs.answer(cell));
        Loading loading = model.loading();
        return new Entered.Line(
                text,
                (onLoaded, onFailed) -> {
                    if (model.isBehind() || plan.bay().isEmpty())
                        loading.loadWhenQueued(cell, plan.bay(), line.amps(), onLoaded, onFailed);
                    else loading.load(cell, plan.bay().get(), line.amps(), onLoaded, onFailed);
                    plan.bay().ifPresent(bay -> model.takeBay(nextFree(bay)));
                    desk.selection().select(cell);
                });
    }

    private int nextFree(Bay loaded) {
        List<Bay> bays = model.bays();
        int at = bays.indexOf(loaded);
        for (int step = 1; step <= bays.size(); step++) {
            int next = (at + step) % bays.size();
            if (!model.runs().containsKey(bays.get(next).name())) return next + 1;
        }
        return at + 1;
    }
}
