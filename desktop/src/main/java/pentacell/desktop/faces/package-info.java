/// Both faces of a pack, drawn: for every station that shows where its cans stand.
@NullMarked
package pentacell.desktop.faces;

import org.jspecify.annotations.NullMarked;
