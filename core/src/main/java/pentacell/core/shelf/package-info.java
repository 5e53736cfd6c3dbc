/// What lies where and what is to be done to it: moving cells between trays, the preparation list,
/// the recycle box.
@NullMarked
package pentacell.core.shelf;

import org.jspecify.annotations.NullMarked;
