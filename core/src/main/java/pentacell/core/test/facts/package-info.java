/// The instruments on the bench, their bays, and the hours in which somebody is there.
@NullMarked
package pentacell.core.test.facts;

import org.jspecify.annotations.NullMarked;
