/// The one grammar of typed lines. Every station reads its line with a class of its own
/// (`HarvestLine`, `CellLine`, …) into a [pentacell.core.line.Line]: the pieces as understood, then
/// what Enter does or why it cannot. What shows as complete can always be logged.
@NullMarked
package pentacell.core.line;

import org.jspecify.annotations.NullMarked;
