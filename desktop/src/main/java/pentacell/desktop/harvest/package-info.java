/// The Harvest station: donors as string sketches, their diagnosis, repair or teardown, yield and
/// cost.
@NullMarked
package pentacell.desktop.harvest;

import org.jspecify.annotations.NullMarked;
