/// The desktop application: opens a workshop and shows it in a frame of stations.
@NullMarked
package pentacell.desktop;

import org.jspecify.annotations.NullMarked;
