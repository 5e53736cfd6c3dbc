/// The things on the bench: cell identity, model, format, chemistry, donor, tray and place. Values
/// only.
@NullMarked
package pentacell.core.cell;

import org.jspecify.annotations.NullMarked;
