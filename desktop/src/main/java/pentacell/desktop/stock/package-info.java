/// The Stock station: the field of capacity against resistance, its table and statistics.
@NullMarked
package pentacell.desktop.stock;

import org.jspecify.annotations.NullMarked;
