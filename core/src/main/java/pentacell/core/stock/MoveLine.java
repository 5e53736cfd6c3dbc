package pentacell.core.stock;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.cell.CellFact.CellPlaced;
import pentacell.core.cell.CellId;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Place;
import pentacell.core.cell.Tray;
import pentacell.core.cell.Trays;
import pentacell.core.donor.Donors;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.state.Draft;
import pentacell.core.state.WorkshopState;
import pentacell.core.unit.Count;

/// A move as it is typed: `HB05-12 > T3-C04`, `HB05-01..06 > T3`, `HB05 > T3-C01` (a whole donor),
/// `loose > T3` (all that lie nowhere), `T1-A01..A06 > T3` (a row of places).
public final class MoveLine {
    /// Stands for every cell without a place.
    public static final String LOOSE = "loose";

    private static final Pattern RANGE = Pattern.compile("(.+?)\\.\\.(.+)");
    private static final Pattern NUMBERED = Pattern.compile("(.*?)(\\d{1,9})");

    private final List<CellPlaced> moves;
    private final String what;
    private final Place target;

    private MoveLine(List<CellPlaced> moves, String what, Place target) {
        this.moves = List.copyOf(moves);
        this.what = what;
        this.target = target;
    }

    /// Whether a line is meant as a move.
    public static boolean isMove(String text) {
        return text.indexOf('>') >= 0;
    }

    /// Reads a move.
    ///
    /// @param inHand the cell a line without cells is about
    public static Line<LineAct> read(String text, WorkshopState state, Optional<CellId> inHand) {
        return moves(text, state, inHand).then(line -> line.act().line(text, inHand));
    }

    private Line<LineAct> line(String text, Optional<CellId> inHand) {
        // worked out again when it is written: a line before it may have failed
        Draft draft =
                before ->
                        switch (moves(text, before, inHand)) {
                            case Line.Complete<MoveLine> then -> then.act().moves;
                            case Line.Incomplete<MoveLine> wrong ->
                                    throw new Draft.NoLongerPossible(wrong.remark());
                        };
        CellPlaced first = moves.getFirst();
        CellPlaced last = moves.getLast();
        String where =
                moves.size() == 1 ? last.place().toString() : first.place() + " to " + last.place();
        boolean isExchange = moves.size() == 2 && what.equals(last.cell().text());
        return new Line.Complete<>(
                List.of(Piece.plain("Move " + what, "to " + where)),
                isExchange
                        ? "They change places: %s goes to %s."
                                .formatted(first.cell(), first.place())
                        : "",
                LineAct.logs("Move %s to %s".formatted(what, target), text, draft)
                        .about(last.cell()));
    }

    private static Line<MoveLine> moves(String text, WorkshopState state, Optional<CellId> inHand) {
        int arrow = text.indexOf('>');
        String from = text.substring(0, arrow).strip();
        String to = text.substring(arrow + 1).strip();
        Set<CellId> cells = new LinkedHashSet<>();
        if (from.isEmpty()) inHand.ifPresent(cells::add);
        for (String word : from.split("[\\s,;]+")) {
            if (word.isEmpty()) continue;
            List<CellId> named = cells(word, state);
            if (named.isEmpty())
                return wrong(text, "\"" + word + "\" is not a cell, range of cells or donor here.");
            cells.addAll(named);
        }
        if (cells.isEmpty()) return wrong(text, "Which cells? For example HB05-01..06 > T3.");
        Optional<Place> target = target(to, state, cells.size());
        if (target.isEmpty())
            return wrong(
                    text,
                    to.isEmpty()
                            ? "Where to? A tray or a place, such as " + example(state) + "."
                            : "\""
                                    + to
                                    + "\" is not a tray or place on this shelf, or it is full; use one such as "
                                    + example(state)
                                    + ".");
        Optional<List<CellPlaced>> moves = Shelf.move(state, cells, target.get());
        if (moves.isEmpty() || moves.get().isEmpty())
            return wrong(
                    text,
                    "%s has no room for %s from %s on."
                            .formatted(
                                    target.get().tray(),
                                    Count.of(cells.size(), "cell", "cells"),
                                    target.get()));
        String what = cells.size() == 1 ? cells.iterator().next().text() : cells.size() + " cells";
        return new Line.Complete<>(List.of(), "", new MoveLine(moves.get(), what, target.get()));
    }

    private static Line<MoveLine> wrong(String text, String sentence) {
        return new Line.Incomplete<>(
                List.of(new Piece(text.strip(), "move", Piece.Look.REFUSED)), sentence);
    }

    private static String example(WorkshopState state) {
        return Trays.of(state).all().values().stream()
                .findFirst()
                .map(tray -> tray.place(0).toString())
                .orElse("T1-A01 (no tray is on the shelf yet)");
    }

    private static Optional<Place> target(String text, WorkshopState state, int count) {
        Tray tray = Trays.of(state).all().get(text);
        if (tray == null)
            return Place.parse(text)
                    .filter(place -> {
                        Tray there = Trays.of(state).all().get(place.tray());
                        return there != null
                                && place.row() <= there.rows()
                                && place.column() <= there.columns();
                    });
        for (int i = 0; i < tray.size(); i++)
            if (Cells.of(state).at(tray.place(i)).isEmpty()) return Optional.of(tray.place(i));
        return count == 1 ? Optional.empty() : Optional.of(tray.place(0));
    }

    private static List<CellId> cells(String word, WorkshopState state) {
        if (word.toLowerCase(Locale.ROOT).equals(LOOSE))
            return ShelfLists.loose(state).stream().map(CellRecord::id).sorted().toList();
        if (CellId.problem(word).isEmpty() && Cells.of(state).cell(new CellId(word)).isPresent())
            return List.of(new CellId(word));
        if (Donors.of(state).described().containsKey(word))
            return Cells.of(state).ofDonor(word).stream()
                    .filter(cell -> cell.handedOver().isEmpty())
                    .map(CellRecord::id)
                    .sorted()
                    .toList();
        Optional<Place> place = Place.parse(word);
        if (place.isPresent())
            return Cells.of(state).at(place.get()).map(List::of).orElse(List.of());
        Matcher range = RANGE.matcher(word);
        return range.matches() ? range(range.group(1), range.group(2), state) : List.of();
    }

    private static List<CellId> ids(
            WorkshopState state, java.util.function.Predicate<CellRecord> wanted) {
        return Cells.of(state).all().values().stream()
                .filter(wanted)
                .map(CellRecord::id)
                .sorted()
                .toList();
    }

    private static List<CellId> range(String first, String last, WorkshopState state) {
        Optional<Place> begin = Place.parse(first);
        if (begin.isPresent()) {
            Optional<Place> end =
                    Place.parse(last).or(() -> Place.parse(begin.get().tray() + "-" + last));
            return end.map(place -> between(begin.get(), place, state)).orElse(List.of());
        }
        Matcher from = NUMBERED.matcher(first);
        Matcher to = NUMBERED.matcher(last);
        if (!from.matches() || !to.matches()) return List.of();
        String stem = from.group(1);
        boolean sameStem = to.group(1).isEmpty() || to.group(1).equals(stem);
        if (!sameStem) return List.of();
        int low = Integer.parseInt(from.group(2));
        int high = Integer.parseInt(to.group(2));
        return ids(
                state,
                cell -> {
                    Matcher id = NUMBERED.matcher(cell.id().text());
                    if (!id.matches() || !id.group(1).equals(stem)) return false;
                    int number = Integer.parseInt(id.group(2));
                    return number >= low && number <= high;
                });
    }

    private static List<CellId> between(Place first, Place last, WorkshopState state) {
        List<CellId> cells = new ArrayList<>();
        Tray tray = Trays.of(state).all().get(first.tray());
        if (tray == null) return cells;
        for (int i = 0; i < tray.size(); i++) {
            Place place = tray.place(i);
            if (place.compareTo(first) >= 0 && place.compareTo(last) <= 0)
                Cells.of(state).at(place).ifPresent(cells::add);
        }
        return cells;
    }
}
