/// Stand-ins for instruments, with virtual cells in them whose truth is hidden from the program.
@NullMarked
package pentacell.instruments.simulated;

import org.jspecify.annotations.NullMarked;
