/// What is logged of a pack in use: histories of its groups, readings by hand, cans that were
/// probed, retests, what was mended. [pentacell.core.service.facts.PackInUse] is all of it, taken
/// together.
@NullMarked
package pentacell.core.service.facts;

import org.jspecify.annotations.NullMarked;
