package pentacell.core.stock;

import java.util.Optional;
import pentacell.core.cell.Catalogue;
import pentacell.core.cell.CellModel;
import pentacell.core.cell.CellRecord;
import pentacell.core.cell.Cells;
import pentacell.core.school.GradePolicy;
import pentacell.core.school.Schools;
import pentacell.core.state.WorkshopState;

/// What other limits of grading would do to a stock.
///
/// @param policy the other limits
/// @param goingOut cells that would be out and are not now
/// @param comingIn cells that are out now and would not be
/// @param left cells that would not be out, of those with a capacity
public record GradeEffect(GradePolicy policy, int goingOut, int comingIn, int left) {

    /// Judges every cell by the other limits.
    ///
    /// @param judged how the cells stand now
    public static GradeEffect of(WorkshopState state, JudgedStock judged, GradePolicy policy) {
        int out = 0;
        int in = 0;
        int left = 0;
        for (CellRecord cell : Cells.of(state).all().values()) {
            if (cell.milliampHours().isEmpty()) continue;
            Optional<CellModel> model = Catalogue.of(state).modelOf(cell);
            boolean isOut = judged.standing(cell.id()) == Standing.OUT;
            boolean wouldBe =
                    Grader.judge(cell, model, Schools.of(state), policy).verdict() == Standing.OUT;
            if (wouldBe && !isOut) out++;
            if (isOut && !wouldBe) in++;
            if (!wouldBe) left++;
        }
        return new GradeEffect(policy, out, in, left);
    }
}
