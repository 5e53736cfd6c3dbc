/// What is measured of a finished pack before it goes into use: load tests, groups alone, the end
/// of a charge, the system around it.
@NullMarked
package pentacell.core.prove.facts;

import org.jspecify.annotations.NullMarked;
