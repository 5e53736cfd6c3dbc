/// The test bench: speaks with the instruments, keeps every sample, makes facts of what ends.
@NullMarked
package pentacell.instruments.bench;

import org.jspecify.annotations.NullMarked;
