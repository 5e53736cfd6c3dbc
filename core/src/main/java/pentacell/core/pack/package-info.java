/// Packs in the making: what a match was to keep to, its groups, and every swap, lock and pick
/// since. Values and their fold; the computation is in `match`.
@NullMarked
package pentacell.core.pack;

import org.jspecify.annotations.NullMarked;
