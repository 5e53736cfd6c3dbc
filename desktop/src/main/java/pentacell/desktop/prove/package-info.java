/// The station Prove: what a finished pack really gives, and whether it may go into use.
@NullMarked
package pentacell.desktop.prove;

import org.jspecify.annotations.NullMarked;
