/// What packs must power, what they are planned as, and what their parts cost: the words of
/// planning. A [pentacell.core.plan.facts.Need] is what a person says of a device, its loads and
/// what is at hand; [pentacell.core.plan] judges it.
@NullMarked
package pentacell.core.plan.facts;

import org.jspecify.annotations.NullMarked;
