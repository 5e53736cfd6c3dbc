/// How a cell behaves as an electrical part.
@NullMarked
package pentacell.core.circuit;

import org.jspecify.annotations.NullMarked;
