/// Test: bays as instruments with live curves, the time sheet, the hold shelf, curves and their
/// sisters.
@NullMarked
package pentacell.desktop.test;

import org.jspecify.annotations.NullMarked;
