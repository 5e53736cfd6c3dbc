/// The journal: acts and their entries, what undo and redo would do, corrections and strikes. It
/// knows no trade; every room's facts pass through it unread.
@NullMarked
package pentacell.core.journal;

import org.jspecify.annotations.NullMarked;
