package pentacell.desktop.intake;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.CellFact.CellPlaced;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.cell.Tray;
import pentacell.core.cell.Trays;
import pentacell.core.intake.BenchContext;
import pentacell.core.intake.WorkshopBench;
import pentacell.core.line.LineAct;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.Shelf;
import pentacell.core.unit.Count;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.LoggedLines;

/// What Intake knows beside the workshop: which tray is on the bench, which place the hand is at,
/// and so which cell is in hand.
final class IntakeModel {
    private static final Pattern ENDS_IN_NUMBER = Pattern.compile("(.*?)(\\d+)");

    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<Tray>> tray =
            new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Integer> cursor = new ReadOnlyObjectWrapper<>(0);
    private Optional<CellId> lastLogged = Optional.empty();

    IntakeModel(Desk desk) {
        this.desk = desk;
        desk.ledger().stateProperty().subscribe(this::keepTray);
        desk.selection()
                .cellProperty()
                .subscribe(selected ->
                        selected.flatMap(Cells.of(desk.ledger().expected())::cell)
                                .flatMap(CellRecord::place)
                                .ifPresent(this::goTo));
    }

    private void keepTray(WorkshopState state) {
        Optional<Tray> same = tray.get().map(Tray::name).map(Trays.of(state).all()::get);
        if (same.isEmpty() && !Trays.of(state).all().isEmpty()) {
            showTray(trayToGoOnWith(state));
        } else if (!same.equals(tray.get())) tray.set(same);
    }

    /// The first tray that has room, at its first free place: where work goes on.
    private Tray trayToGoOnWith(WorkshopState state) {
        List<Tray> trays = List.copyOf(Trays.of(state).all().values());
        return trays.stream()
                .filter(each -> WorkshopBench.firstFree(state, each, 0).isPresent())
                .findFirst()
                .orElse(trays.get(0));
    }

    ReadOnlyObjectProperty<Optional<Tray>> trayProperty() {
        return tray.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Integer> cursorProperty() {
        return cursor.getReadOnlyProperty();
    }

    void showTray(Tray shown) {
        tray.set(Optional.of(shown));
        cursor.set(WorkshopBench.firstFree(desk.ledger().expected(), shown, 0).orElse(0));
    }

    void moveTo(int index) {
        tray.get().ifPresent(shown -> cursor.set(Math.clamp(index, 0, shown.size() - 1)));
    }

    private void goTo(Place place) {
        Tray there = Trays.of(desk.ledger().expected()).all().get(place.tray());
        if (there == null || place.row() > there.rows() || place.column() > there.columns()) return;
        if (!tray.get().equals(Optional.of(there))) tray.set(Optional.of(there));
        cursor.set((place.row() - 1) * there.columns() + place.column() - 1);
    }

    /// The cell at the hand's place.
    Optional<CellId> cellAtCursor() {
        return tray.get()
                .flatMap(shown -> Cells.of(desk.ledger().expected()).at(shown.place(cursor.get())));
    }

    /// The id that follows the last one logged: after HB05-07 comes HB05-08, as long as that is
    /// new.
    Optional<CellId> nextId() {
        if (lastLogged.isEmpty()) return Optional.empty();
        Matcher matcher = ENDS_IN_NUMBER.matcher(lastLogged.get().text());
        if (!matcher.matches() || matcher.group(2).length() > 9) return Optional.empty();
        String digits = matcher.group(2);
        String next =
                matcher.group(1)
                        + ("%0" + digits.length() + "d").formatted(Integer.parseInt(digits) + 1);
        return CellId.problem(next).isEmpty()
                ? Optional.of(new CellId(next))
                        .filter(id -> Cells.of(desk.ledger().expected()).cell(id).isEmpty())
                : Optional.empty();
    }

    /// What the quick line sees of the workshop, with the lines before it in place.
    BenchContext bench() {
        return new WorkshopBench(
                desk.ledger().expected(),
                cellAtCursor().or(this::nextId),
                tray.get(),
                cursor.get());
    }

    /// A line about a cell: the next cell follows from it at once, long before it is on the disk.
    Entered enter(LineAct act) {
        Entered line = LoggedLines.entered(desk, act);
        if (act.toLog().isEmpty() || !(line instanceof Entered.Line(String text, var attempt)))
            return line;
        return new Entered.Line(
                text,
                (onLogged, onFailed) -> {
                    if (act.subject().orElse(null) instanceof LineAct.Subject.OfCell(CellId cell))
                        lastLogged = Optional.of(cell);
                    attempt.log(onLogged, onFailed);
                    moveTo(cursor.get() + 1);
                });
    }

    /// A line that moves cells; the tray they end in is shown.
    Entered enterMove(LineAct act) {
        LineAct.ToLog move = act.toLog().orElseThrow();
        return new Entered.Line(
                move.text(),
                (onLogged, onFailed) ->
                        desk.ledger()
                                .log(
                                        move.words(),
                                        move.draft(),
                                        () -> {
                                            show(act);
                                            onLogged.run();
                                        },
                                        onFailed));
    }

    private void show(LineAct act) {
        if (act.subject().orElse(null) instanceof LineAct.Subject.OfCell(CellId cell))
            desk.selection().find(cell);
    }

    /// Moves cells by hand to a place, or to the free places of a tray.
    void move(List<CellId> cells, Place to) {
        Optional<List<CellPlaced>> moves = Shelf.move(desk.ledger().expected(), cells, to);
        if (moves.isEmpty() || moves.get().isEmpty()) {
            desk.notices()
                    .say(
                            "%s has no room for %s from %s on."
                                    .formatted(
                                            to.tray(),
                                            Count.of(cells.size(), "cell", "cells"),
                                            to));
            return;
        }
        String what = cells.size() == 1 ? cells.get(0).text() : cells.size() + " cells";
        desk.ledger()
                .log(
                        "Move " + what + " to " + to,
                        moves.get(),
                        () -> desk.selection().find(moves.get().getLast().cell()));
    }

    /// The first free place of a tray.
    Optional<Place> firstFree(Tray into) {
        return WorkshopBench.firstFree(desk.ledger().state(), into, 0).map(into::place);
    }
}
