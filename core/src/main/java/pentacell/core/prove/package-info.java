/// Prove: what a pack really gives, which group ends it and why. A [pentacell.core.prove.GroupLog]
/// is what was measured, a [pentacell.core.prove.LoadTest] what it says.
@NullMarked
package pentacell.core.prove;

import org.jspecify.annotations.NullMarked;
