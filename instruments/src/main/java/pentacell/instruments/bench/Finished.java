package pentacell.instruments.bench;

import pentacell.core.cell.CellId;
import pentacell.core.fact.RunFact.RunEnd;
import pentacell.core.grade.Standing;
import pentacell.core.judgement.Judged;
import pentacell.core.measure.Analysis;

/// A run that ended, and what it changed.
///
/// @param end how it ended
/// @param words what happened, for a person
/// @param analysis what its log says
/// @param before how the cell stood before
/// @param after how it stands now, with its reasons
public record Finished(
        CellId cell,
        String run,
        String bay,
        RunEnd end,
        String words,
        Analysis analysis,
        Standing before,
        Judged<Standing> after) {}
