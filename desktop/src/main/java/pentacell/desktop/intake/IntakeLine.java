package pentacell.desktop.intake;

import java.util.Optional;
import pentacell.core.cell.CellId;
import pentacell.core.cell.Cells;
import pentacell.core.intake.CellLine;
import pentacell.core.stock.MoveLine;
import pentacell.desktop.frame.Desk;
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
        model.trayProperty().subscribe(tray -> changed.run());
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
    public Typed read(String text) {
        return MoveLine.isMove(text)
                ? Typed.of(
                        MoveLine.read(text, desk.ledger().expected(), model.cellAtCursor()),
                        model::enterMove)
                : Typed.of(CellLine.read(text, model.bench()), model::enter);
    }
}
