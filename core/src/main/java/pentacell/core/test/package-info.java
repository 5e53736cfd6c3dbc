/// Plans the weeks of testing: which cell goes into which bay when, when somebody must be there,
/// and when it will all be done.
///
/// [PhaseTimes] predicts how long a programme takes, [LearnedTimes] corrects that by the workshop's
/// own past runs, [Planner] lays the jobs into the bays, [HoldCalendar] adds what falls due.
@NullMarked
package pentacell.core.test;

import org.jspecify.annotations.NullMarked;
