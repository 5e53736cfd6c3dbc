/// What was bought: lots of donor packs, each with its label, its arrangement and how it was put
/// together. Values only.
@NullMarked
package pentacell.core.donor;

import org.jspecify.annotations.NullMarked;
