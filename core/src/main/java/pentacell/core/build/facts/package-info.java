/// How a pack is put together and what was seen while it was: where its cans stand, how they are
/// joined, which steps are done, what its joints read, and whether it is on trial or final. The
/// words of building; [pentacell.core.build] reckons with them.
@NullMarked
package pentacell.core.build.facts;

import org.jspecify.annotations.NullMarked;
