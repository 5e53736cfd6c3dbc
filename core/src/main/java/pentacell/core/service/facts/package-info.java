/// The facts of a pack in use: histories of its groups, readings by hand, probed cells, retests and
/// repairs. [pentacell.core.service.facts.PackInUse] collects them all.
@NullMarked
package pentacell.core.service.facts;

import org.jspecify.annotations.NullMarked;
