package pentacell.instruments.bench;

import pentacell.core.cell.CellId;
import pentacell.core.cell.RunEnding;
import pentacell.core.cell.RunFact.RunEnd;
import pentacell.core.judgement.Judged;
import pentacell.core.measure.Analysis;
import pentacell.core.stock.Standing;

/// A run that ended, and what it changed.
///
/// @param ending how it ended
/// @param analysis what its log says
/// @param counts whether what it measured counts; what a stand-in made up does in the demo only
/// @param before how the cell stood before
/// @param after how it stands now, with its reasons
public record Finished(
        CellId cell,
        String run,
        String bay,
        RunEnding ending,
        Analysis analysis,
        boolean counts,
        Standing before,
        Judged<Standing> after) {
    /// The end it came to.
    public RunEnd end() {
        return ending.end();
    }
}
