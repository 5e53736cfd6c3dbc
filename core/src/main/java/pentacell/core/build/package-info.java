/// From matched groups to a pack in the hand: the pick walk ([pentacell.core.build.PickWalk]) and
/// its check-off.
@NullMarked
package pentacell.core.build;

import org.jspecify.annotations.NullMarked;
