/// Intake: reading what is written on a can ([pentacell.core.intake.CellLine]), the verdict by
/// first voltage ([pentacell.core.intake.Triage]), what a cell is told to do next, what waits for a
/// test, and which values make a person look twice.
@NullMarked
package pentacell.core.intake;

import org.jspecify.annotations.NullMarked;
