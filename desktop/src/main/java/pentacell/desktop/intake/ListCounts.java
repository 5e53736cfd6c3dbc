package pentacell.desktop.intake;

import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.intake.LookTwice;
import pentacell.core.intake.WaitingForTest;
import pentacell.core.state.WorkshopState;
import pentacell.core.stock.JudgedStock;
import pentacell.core.stock.Preparation;
import pentacell.core.stock.ShelfLists;
import pentacell.core.stock.Standing;

/// How much stands in each list of Intake.
record ListCounts(int loose, int toTest, int toPrepare, int recycle, int lookTwice, int labels) {

    static ListCounts of(WorkshopState state, JudgedStock judged) {
        int recycle = 0;
        for (CellRecord cell : Cells.of(state).all().values())
            if (cell.handedOver().isEmpty() && judged.standing(cell.id()) == Standing.OUT)
                recycle++;
        int labels =
                (int)
                        ShelfLists.toLabel(state).stream()
                                .filter(cell -> judged.standing(cell.id()) != Standing.OUT)
                                .count();
        return new ListCounts(
                ShelfLists.loose(state).size(),
                WaitingForTest.of(state).size(),
                Preparation.of(state, judged).stream().mapToInt(each -> each.cells().size()).sum(),
                recycle,
                LookTwice.of(state).size(),
                labels);
    }

    /// The count of a list by its name; 0 for one that counts nothing.
    int of(String list) {
        return switch (list) {
            case IntakeStation.LOOSE -> loose;
            case IntakeStation.TO_TEST -> toTest;
            case IntakeStation.TO_PREPARE -> toPrepare;
            case IntakeStation.RECYCLE_BOX -> recycle;
            case IntakeStation.LOOK_TWICE -> lookTwice;
            case IntakeStation.LABELS -> labels;
            default -> 0;
        };
    }
}
