/// Side-by-side comparisons of speed, run by hand.
@NullMarked
package pentacell.benchmarks;

import org.jspecify.annotations.NullMarked;
