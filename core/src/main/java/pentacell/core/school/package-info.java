/// The schools of the trade as policies: figures that practitioners differ about, which can be
/// chosen, copied and edited.
@NullMarked
package pentacell.core.school;

import org.jspecify.annotations.NullMarked;
