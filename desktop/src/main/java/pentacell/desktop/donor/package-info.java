/// What several stations show of donors. It knows no station.
@NullMarked
package pentacell.desktop.donor;

import org.jspecify.annotations.NullMarked;
