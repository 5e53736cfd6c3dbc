/// The logbook file: every act is one SQLite transaction, durable before anyone is told of it. A
/// [pentacell.workshop.logbook.Logbook] is opened, acts are appended, the state is the fold of all
/// of them.
@NullMarked
package pentacell.workshop.logbook;

import org.jspecify.annotations.NullMarked;
