/// From a bought pack to its cells: what the readings of its groups say
/// ([pentacell.core.harvest.Diagnosis]), whether it can be repaired
/// ([pentacell.core.harvest.Repair]), how it is opened ([pentacell.core.harvest.Teardown]) and what
/// it cost ([pentacell.core.harvest.HarvestYield]).
@NullMarked
package pentacell.core.harvest;

import org.jspecify.annotations.NullMarked;
