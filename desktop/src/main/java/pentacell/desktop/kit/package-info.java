/// What every station is built from: the way off the UI thread and back, plots whose colours come
/// from the theme, the cell mark, forms.
@NullMarked
package pentacell.desktop.kit;

import org.jspecify.annotations.NullMarked;
