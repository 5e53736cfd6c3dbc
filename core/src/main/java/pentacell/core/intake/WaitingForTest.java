package pentacell.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellFact.Decision;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.cell.Chemistry;
import pentacell.core.school.BandSchool;
import pentacell.core.school.IntakeVerdict;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// A cell that waits for its capacity test, and how it is to be charged.
///
/// @param cell the cell
/// @param chemistry chemistry it is judged as
/// @param instruction what happens to it next
public record WaitingForTest(CellRecord cell, Chemistry chemistry, Instruction instruction) {

    /// The instruction in words.
    public String words() {
        return instruction.words();
    }

    /// Every cell that waits for its capacity test: first voltage read, good enough by its school,
    /// no capacity yet.
    public static List<WaitingForTest> of(WorkshopState state) {
        List<WaitingForTest> waiting = new ArrayList<>();
        for (CellRecord cell : Cells.of(state).all().values())
            next(cell, state).ifPresent(waiting::add);
        return waiting;
    }

    private static Optional<WaitingForTest> next(CellRecord cell, WorkshopState state) {
        boolean isOut =
                cell.handedOver().isPresent()
                        || cell.isDecided(Decision.OUT)
                        || cell.blemishes().stream().anyMatch(each -> each.work().isEmpty());
        if (isOut || cell.firstVolts().isEmpty() || cell.milliampHours().isPresent())
            return Optional.empty();
        Chemistry chemistry = KnownChemistry.of(cell, state).orElse(Chemistry.NMC);
        BandSchool policy = Schools.of(state).bands(chemistry);
        IntakeVerdict verdict = Triage.judge(cell.firstVolts().getAsDouble(), policy).verdict();
        boolean byHand = cell.isDecided(Decision.USE);
        if (!verdict.goesOn() && !byHand) return Optional.empty();
        // what a person lets through against the figures is charged with all care
        IntakeVerdict careful = verdict.goesOn() ? verdict : IntakeVerdict.SLOW_CHARGE_WATCHED;
        return Optional.of(after(careful, cell, state));
    }

    /// A cell that goes to its test after a verdict, by the schools in force.
    public static WaitingForTest after(
            IntakeVerdict verdict, CellRecord cell, WorkshopState state) {
        Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
        Optional<Chemistry> known = KnownChemistry.of(cell, state);
        Chemistry chemistry = known.orElse(Chemistry.NMC);
        Schools schools = Schools.of(state);
        return new WaitingForTest(
                cell,
                chemistry,
                Instruction.of(
                        verdict,
                        model,
                        known,
                        schools.bands(chemistry),
                        schools.hold(),
                        cell.isUnder(chemistry.endVolts())));
    }
}
