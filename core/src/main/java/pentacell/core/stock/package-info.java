/// Stock: is a cell fit, and how does it compare with its lot (state of health, limits,
/// statistics); where each cell is and what to do with it (moves between trays, the preparation
/// list, the recycle box); and which stock may be matched.
@NullMarked
package pentacell.core.stock;

import org.jspecify.annotations.NullMarked;
