/// Which files were taken in, so that the same one twice is noticed.
@NullMarked
package pentacell.core.imports;

import org.jspecify.annotations.NullMarked;
