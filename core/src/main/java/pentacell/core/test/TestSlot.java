package pentacell.core.test;

import java.time.LocalDateTime;
import pentacell.core.cell.CellId;

/// A test in the plan.
///
/// @param bay name of the bay
/// @param loadAt when the cell is put in; somebody is there then
/// @param doneAt when the instrument is expected to be done
public record TestSlot(CellId cell, String bay, LocalDateTime loadAt, LocalDateTime doneAt) {}
