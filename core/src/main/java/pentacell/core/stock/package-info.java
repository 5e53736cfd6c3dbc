/// Stock: is a cell fit, and how does it stand in its lot (state of health, limits, statistics);
/// what lies where and what is to be done to it (moves between trays, the preparation list, the
/// recycle box); and which stock may be matched.
@NullMarked
package pentacell.core.stock;

import org.jspecify.annotations.NullMarked;
