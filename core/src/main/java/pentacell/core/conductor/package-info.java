/// Wires, strips and bars: what they lose, what they may carry, what melts them. A
/// [pentacell.core.conductor.Conductor] is a material, a section and a length; everything else
/// follows from it.
@NullMarked
package pentacell.core.conductor;

import org.jspecify.annotations.NullMarked;
