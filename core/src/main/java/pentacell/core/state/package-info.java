/// What holds in a workshop: the chapters of the trade, each folding its own facts into its own
/// slice. A new room adds a chapter; nothing here changes.
@NullMarked
package pentacell.core.state;

import org.jspecify.annotations.NullMarked;
