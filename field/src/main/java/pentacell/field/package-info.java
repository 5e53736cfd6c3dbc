/// Packs, cells, plugs and donors that the program knows nothing of: with curves, use, loggers and
/// mistakes of their own. Nothing here is taken from the code that judges them.
@NullMarked
package pentacell.field;

import org.jspecify.annotations.NullMarked;
