/// The window around the stations: path, top bar, due line, card, and the desk they all share.
@NullMarked
package pentacell.desktop.frame;

import org.jspecify.annotations.NullMarked;
