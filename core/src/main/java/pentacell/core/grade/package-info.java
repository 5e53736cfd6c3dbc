/// Is a cell fit, and how does it stand in its lot: state of health, limits, statistics, and which
/// stock may be matched.
@NullMarked
package pentacell.core.grade;

import org.jspecify.annotations.NullMarked;
