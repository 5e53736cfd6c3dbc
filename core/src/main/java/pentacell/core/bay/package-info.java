/// The instruments on the bench, their bays, and the hours in which somebody is there.
@NullMarked
package pentacell.core.bay;

import org.jspecify.annotations.NullMarked;
