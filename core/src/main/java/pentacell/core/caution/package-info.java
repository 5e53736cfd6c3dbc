/// The cautions of the trade, worded once for screen and paper.
@NullMarked
package pentacell.core.caution;

import org.jspecify.annotations.NullMarked;
