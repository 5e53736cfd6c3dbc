/// The Match station: rules, skyline, trade-off curve and the pick walk.
@NullMarked
package pentacell.desktop.match;

import org.jspecify.annotations.NullMarked;
