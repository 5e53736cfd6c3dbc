package pentacell.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.Chemistry;
import pentacell.core.fact.Cell;
import pentacell.core.fact.CellFact.Decision;
import pentacell.core.fact.WorkshopState;
import pentacell.core.school.BandPolicy;
import pentacell.core.school.IntakeVerdict;

/// A cell that waits for its capacity test, and how it is to be charged.
///
/// @param cell the cell
/// @param chemistry chemistry it is charged as
/// @param instruction what happens to it next
public record WaitingForTest(Cell cell, Chemistry chemistry, Instruction instruction) {

    /// The instruction in words.
    public String words() {
        return instruction.words(chemistry);
    }

    /// Every cell that waits for its capacity test: first voltage read, good enough by its school,
    /// no capacity yet.
    public static List<WaitingForTest> of(WorkshopState state) {
        List<WaitingForTest> waiting = new ArrayList<>();
        for (Cell cell : state.cells().values()) next(cell, state).ifPresent(waiting::add);
        return waiting;
    }

    private static Optional<WaitingForTest> next(Cell cell, WorkshopState state) {
        boolean isOut =
                cell.handedOver().isPresent()
                        || cell.decision()
                                .filter(decided -> decided.decision() == Decision.OUT)
                                .isPresent()
                        || cell.blemishes().stream().anyMatch(each -> each.work().isEmpty());
        if (isOut || cell.firstVolts().isEmpty() || cell.milliampHours().isPresent())
            return Optional.empty();
        Optional<CellModel> model = state.modelOf(cell);
        Chemistry chemistry = CellModel.chemistryOf(model);
        BandPolicy policy = state.schools().bands(chemistry);
        IntakeVerdict verdict = Triage.judge(cell.firstVolts().getAsDouble(), policy).verdict();
        boolean byHand =
                cell.decision().filter(decided -> decided.decision() == Decision.USE).isPresent();
        if (!verdict.goesOn() && !byHand) return Optional.empty();
        // what a person lets through against the figures is charged with all care
        IntakeVerdict careful = verdict.goesOn() ? verdict : IntakeVerdict.SLOW_CHARGE_WATCHED;
        return Optional.of(
                new WaitingForTest(cell, chemistry, Instruction.of(careful, model, policy)));
    }
}
