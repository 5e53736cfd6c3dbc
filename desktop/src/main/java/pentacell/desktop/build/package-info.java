/// Build: where cans stand and what joins them, what flows, the order of the work with its checks,
/// the plug, the trial and the book.
@NullMarked
package pentacell.desktop.build;

import org.jspecify.annotations.NullMarked;
