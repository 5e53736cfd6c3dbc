package pentacell.desktop.intake;

import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellFact.CellPlaced;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.intake.CellLine;
import pentacell.core.intake.QuickToken;
import pentacell.core.intake.QuickToken.Kind;
import pentacell.core.judgement.Rule;
import pentacell.core.stock.MoveLine;
import pentacell.desktop.frame.Desk;
import pentacell.desktop.frame.Entered;
import pentacell.desktop.frame.QuickSource;

/// The quick line of Intake: readings of a cell, or a move of cells to another place.
final class IntakeLine implements QuickSource {
    private final Desk desk;
    private final IntakeModel model;

    IntakeLine(Desk desk, IntakeModel model) {
        this.desk = desk;
        this.model = model;
    }

    @Override
    public void onChange(Runnable changed) {
        model.cursorProperty().subscribe(cursor -> changed.run());
        desk.ledger().expectedProperty().subscribe(state -> changed.run());
    }

    @Override
    public String inHand() {
        Optional<CellId> hand = model.bench().cellInHand();
        boolean isNew =
                hand.isPresent() && Cells.of(desk.ledger().expected()).cell(hand.get()).isEmpty();
        return hand.map(id -> id + (isNew ? " (new)" : "")).orElse("No cell in hand");
    }

    @Override
    public String example() {
        return "HB03-07 3.68 56 2143 st  then Enter;  \" note;  HB03 > T2 moves";
    }

    @Override
    public Reading read(String text) {
        if (MoveLine.isMove(text)) return move(text);
        CellLine line = CellLine.read(text, model.bench());
        String remark =
                line.tokens().stream()
                        .flatMap(token -> token.oddity().stream())
                        .map(reason -> reason.sentence())
                        .findFirst()
                        .orElse("");
        return new Reading(
                line.tokens().stream().map(IntakeLine::chip).toList(),
                remark,
                line.isComplete() ? State.COMPLETE : State.INCOMPLETE,
                line.cell().isEmpty() ? "Which cell? Begin the line with its id." : "");
    }

    private Reading move(String text) {
        MoveLine line = MoveLine.read(text, desk.ledger().expected(), model.cellAtCursor());
        if (line.problem().isPresent())
            return new Reading(
                    List.of(new Chip(text.strip(), "move", Look.REFUSED)),
                    line.problem().get(),
                    State.INCOMPLETE,
                    line.problem().get());
        List<CellPlaced> moves = line.moves();
        CellPlaced last = moves.get(moves.size() - 1);
        String where =
                moves.size() == 1
                        ? last.place().toString()
                        : moves.get(0).place() + " to " + last.place();
        String remark =
                moves.size() == 2 && line.words().startsWith("Move " + last.cell() + " ")
                        ? "They change places: "
                                + moves.get(0).cell()
                                + " goes to "
                                + moves.get(0).place()
                                + "."
                        : "";
        return new Reading(
                List.of(
                        new Chip(
                                line.words().replaceFirst(" to .*", ""),
                                "to " + where,
                                Look.PLAIN)),
                remark,
                State.COMPLETE,
                "");
    }

    private static Chip chip(QuickToken token) {
        boolean refused = token.kind() == Kind.NOT_UNDERSTOOD;
        boolean odd =
                token.oddity().filter(reason -> reason.rule() != Rule.CELL_IS_NEW).isPresent();
        return new Chip(
                token.chip(),
                words(token.kind()),
                refused ? Look.REFUSED : odd ? Look.ODD : Look.PLAIN);
    }

    private static String words(Kind kind) {
        return switch (kind) {
            case CELL -> "cell";
            case VOLTAGE -> "voltage";
            case RESISTANCE -> "IR";
            case CAPACITY -> "capacity";
            case CANS -> "unit";
            case BLEMISHES -> "the can";
            case NOTE -> "note";
            case NOT_UNDERSTOOD -> "not understood";
        };
    }

    @Override
    public Entered enter(String text) {
        return MoveLine.isMove(text)
                ? model.enterMove(text)
                : model.enter(CellLine.read(text, model.bench()), text);
    }
}
