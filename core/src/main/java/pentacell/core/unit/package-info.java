/// Quantities and how their numbers are read and written: the one formatter, the one number reader.
@NullMarked
package pentacell.core.unit;

import org.jspecify.annotations.NullMarked;
