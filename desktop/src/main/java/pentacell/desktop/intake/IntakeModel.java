package pentacell.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.CellPlaced;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.cell.Tray;
import pentacell.core.cell.Trays;
import pentacell.core.donor.Donors;
import pentacell.core.intake.BenchContext;
import pentacell.core.intake.CellLine;
import pentacell.core.journal.Fact;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.MoveLine;
import pentacell.core.stock.Shelf;
import pentacell.core.unit.Count;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Draft;
import pentacell.desktop.frame.Entered;

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
                .filter(each -> freePlace(state, each, 0).isPresent())
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
        cursor.set(freePlace(desk.ledger().expected(), shown, 0).orElse(0));
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

    private static Optional<Integer> freePlace(WorkshopState state, Tray tray, int from) {
        for (int i = from; i < tray.size(); i++)
            if (Cells.of(state).at(tray.place(i)).isEmpty()) return Optional.of(i);
        return Optional.empty();
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
        WorkshopState state = desk.ledger().expected();
        return new BenchContext() {
            @Override
            public Optional<CellId> cellInHand() {
                return cellAtCursor().or(IntakeModel.this::nextId);
            }

            @Override
            public boolean isKnown(CellId cell) {
                return Cells.of(state).cell(cell).isPresent();
            }

            @Override
            public Optional<CellModel> modelOf(CellId cell) {
                Optional<CellRecord> known = Cells.of(state).cell(cell);
                if (known.isPresent()) return known.flatMap(Catalogue.of(state)::modelOf);
                return expectedModel(state, cell).map(Catalogue.of(state).models()::get);
            }

            @Override
            public int cansOf(CellId cell) {
                return Cells.of(state).cell(cell).map(CellRecord::count).orElse(1);
            }

            @Override
            public double[] neighbourVolts(CellId cell) {
                Optional<String> donor =
                        Cells.of(state)
                                .cell(cell)
                                .flatMap(CellRecord::donor)
                                .or(() -> expectedDonor(state, cell));
                return donor.isEmpty()
                        ? new double[0]
                        : Cells.of(state).ofDonor(donor.get()).stream()
                                .filter(other -> !other.id().equals(cell))
                                .filter(other -> other.firstVolts().isPresent())
                                .mapToDouble(other -> other.firstVolts().getAsDouble())
                                .toArray();
            }

            @Override
            public Schools schools() {
                return Schools.of(state);
            }

            @Override
            public OptionalDouble lastMilliampHours(CellId cell) {
                return Cells.of(state)
                        .cell(cell)
                        .map(CellRecord::milliampHours)
                        .orElse(OptionalDouble.empty());
            }
        };
    }

    /// The donor named by the first part of an id, when there is one.
    private static Optional<String> expectedDonor(WorkshopState state, CellId cell) {
        return cell.donorPart().filter(Donors.of(state).described()::containsKey);
    }

    private static Optional<String> expectedModel(WorkshopState state, CellId cell) {
        return expectedDonor(state, cell)
                .map(code -> Donors.of(state).described().get(code))
                .map(donor -> donor.cellModel())
                .filter(Catalogue.of(state).models()::containsKey);
    }

    /// A complete line with its cell as it is now; a new cell gets its name, donor, model and place
    /// with it.
    Entered enter(CellLine line, String text) {
        CellId cell = line.cell().orElseThrow();
        Optional<Tray> onBench = tray.get();
        int from = cursor.get();
        Draft draft = before -> facts(before, line, onBench, from);
        if (draft.from(desk.ledger().expected()).isEmpty())
            // an id alone: take that cell in hand
            return Entered.done(text, () -> desk.selection().select(cell));
        return new Entered.Line(
                line.namesItsCell() ? text : cell + " " + text.strip(),
                (onLogged, onFailed) -> {
                    // the next cell follows from the line at once, long before it is on the disk
                    lastLogged = Optional.of(cell);
                    desk.ledger().log("Log " + cell, draft, onLogged, onFailed);
                    desk.selection().select(cell);
                    moveTo(cursor.get() + 1);
                });
    }

    private static List<Fact> facts(
            WorkshopState before, CellLine line, Optional<Tray> onBench, int from) {
        CellId cell = line.cell().orElseThrow();
        List<Fact> facts = new ArrayList<>();
        if (Cells.of(before).cell(cell).isEmpty()) {
            facts.add(
                    new CellFact.CellNamed(
                            cell, expectedDonor(before, cell), expectedModel(before, cell)));
            onBench.flatMap(shown ->
                            freePlace(before, shown, from)
                                    .or(() -> freePlace(before, shown, 0))
                                    .map(shown::place))
                    .ifPresent(place -> facts.add(new CellFact.CellPlaced(cell, place)));
        }
        facts.addAll(line.readings());
        return facts;
    }

    /// A line that moves cells; the tray they end in is shown.
    Entered enterMove(String text) {
        Optional<CellId> hand = cellAtCursor();
        MoveLine line = MoveLine.read(text, desk.ledger().expected(), hand);
        if (line.moves().isEmpty()) return Entered.done(text, () -> {});
        Draft draft =
                before -> {
                    MoveLine then = MoveLine.read(text, before, hand);
                    then.problem()
                            .ifPresent(why -> {
                                throw new Draft.NoLongerPossible(why);
                            });
                    return then.moves();
                };
        return new Entered.Line(
                text,
                (onLogged, onFailed) ->
                        desk.ledger()
                                .log(
                                        line.words(),
                                        draft,
                                        () -> {
                                            desk.selection().find(line.moves().getLast().cell());
                                            onLogged.run();
                                        },
                                        onFailed));
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
        return freePlace(desk.ledger().state(), into, 0).map(into::place);
    }
}
