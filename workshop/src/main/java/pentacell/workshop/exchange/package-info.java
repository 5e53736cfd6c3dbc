/// Open formats in and out: CSV of cells read with every problem named
/// ([pentacell.workshop.exchange.CellCsv]), matches and pick lists written so that no cell begins a
/// spreadsheet formula.
@NullMarked
package pentacell.workshop.exchange;

import org.jspecify.annotations.NullMarked;
