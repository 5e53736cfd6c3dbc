/// Turns what an instrument logged into comparable numbers.
///
/// A [SampleLog] goes in; [Analyse] finds its steps, the discharge with capacity and energy, direct
/// current resistance and whatever is odd. [Standardise] carries a capacity over to the workshop's
/// standard conditions; [LogSlips] tells what an instrument cannot have read; [InstrumentFigures]
/// says how far each bay reads off; [HoldTest] and [HeatLadder] judge self-discharge and heat from
/// a cell's life line.
@NullMarked
package pentacell.core.measure;

import org.jspecify.annotations.NullMarked;
