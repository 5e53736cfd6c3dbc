/// The two themes and the typeface.
@NullMarked
package pentacell.desktop.theme;

import org.jspecify.annotations.NullMarked;
