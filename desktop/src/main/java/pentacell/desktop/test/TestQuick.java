package pentacell.desktop.test;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import pentacell.core.cell.CellId;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.test.BenchLine;
import pentacell.core.test.BenchLine.Act;
import pentacell.core.test.facts.Bay;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.LoggedLines;
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

    @Override
    public Typed read(String text) {
        Line<Act> line =
                BenchLine.read(
                        text, desk.ledger().expected(), model.dueOnShelf(), model.bays().size());
        return switch (line) {
            case Line.Complete<Act> complete -> complete(text, complete);
            case Line.Incomplete<Act> wrong ->
                    new Typed(
                            wrong.pieces(),
                            wrong.remark(),
                            () -> new Entered.Refused(wrong.remark()));
        };
    }

    private Typed complete(String text, Line.Complete<Act> line) {
        return switch (line.act()) {
            case Act.Read(LineAct toLog) ->
                    new Typed(line.pieces(), "", () -> LoggedLines.entered(desk, toLog));
            case Act.TakeBay(int bay) ->
                    onBay(line, bay(bay), () -> Entered.done(text, () -> model.takeBay(bay)));
            case Act.Stop stop -> stop(text, line, stop);
            case Act.Load load ->
                    logs.asked().isPresent() ? answer(text, load) : load(text, line, load);
        };
    }

    private Typed stop(String text, Line.Complete<Act> line, Act.Stop stop) {
        Optional<Bay> running =
                stop.bay().isPresent()
                        ? Optional.of(bay(stop.bay().getAsInt()))
                        : stop.cell().flatMap(this::bayOf);
        return running.map(bay ->
                        onBay(
                                line,
                                bay,
                                () ->
                                        new Entered.Line(
                                                text,
                                                (onDone, onFailed) ->
                                                        model.stop(bay, onDone, onFailed))))
                .orElseGet(() -> refused(line, "That cell is not in a bay."));
    }

    /// The id answers which cell a log is from.
    private Typed answer(String text, Act.Load load) {
        return new Typed(
                List.of(Piece.plain(load.cell().text(), "is in the log")),
                "",
                () -> Entered.done(text, () -> logs.answer(load.cell())));
    }

    private Typed load(String text, Line.Complete<Act> line, Act.Load load) {
        List<Bay> bays = model.bays();
        Optional<Bay> free =
                load.bay().isPresent()
                        ? Optional.of(bay(load.bay().getAsInt()))
                        : model.loading().bayFor(load.cell());
        if (free.isPresent()) return onBay(line, free.get(), () -> loading(text, load, free));
        // what was typed just before may be what the cell waits for
        if (model.isBehind() && !bays.isEmpty())
            return new Typed(line.pieces(), "", () -> loading(text, load, free));
        return refused(
                line,
                bays.isEmpty()
                        ? "There is no charger yet: under Bench add a stand-in or an instrument."
                        : Loading.NO_BAY);
    }

    private Entered loading(String text, Act.Load load, Optional<Bay> free) {
        Loading loading = model.loading();
        return new Entered.Line(
                text,
                (onLoaded, onFailed) -> {
                    if (model.isBehind() || free.isEmpty())
                        loading.loadWhenQueued(load.cell(), free, load.amps(), onLoaded, onFailed);
                    else loading.load(load.cell(), free.get(), load.amps(), onLoaded, onFailed);
                    free.ifPresent(bay -> model.takeBay(nextFree(bay)));
                    desk.selection().select(load.cell());
                });
    }

    private static Typed onBay(Line.Complete<Act> line, Bay bay, Supplier<Entered> onEnter) {
        List<Piece> pieces = new ArrayList<>(line.pieces());
        pieces.add(Math.min(1, pieces.size()), Piece.plain(bay.name(), "bay"));
        return new Typed(pieces, "", onEnter);
    }

    private static Typed refused(Line.Complete<Act> line, String why) {
        return new Typed(line.pieces(), why, () -> new Entered.Refused(why));
    }

    private Bay bay(int number) {
        return model.bays().get(number - 1);
    }

    private Optional<Bay> bayOf(CellId cell) {
        return model.runs().values().stream()
                .filter(run -> run.cell().equals(cell))
                .map(LiveRun::bay)
                .flatMap(name -> model.bays().stream().filter(bay -> bay.name().equals(name)))
                .findFirst();
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
