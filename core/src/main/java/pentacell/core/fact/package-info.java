/// Facts as they are logged, and the fold of all facts into the state of the workshop. Acts (the
/// unit of undo) go in, a [pentacell.core.fact.WorkshopState] comes out.
@NullMarked
package pentacell.core.fact;

import org.jspecify.annotations.NullMarked;
