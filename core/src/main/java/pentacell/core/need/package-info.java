/// What packs must power, what they are planned as, and what their parts cost: the words of
/// planning. A [pentacell.core.need.Need] is what a person says of a device, its loads and what is
/// at hand; [pentacell.core.plan] judges it.
@NullMarked
package pentacell.core.need;

import org.jspecify.annotations.NullMarked;
