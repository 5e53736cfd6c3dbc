/// Service: what the history of a pack in use says about its groups, and what is done about it. A
/// [pentacell.core.service.Timeline] is what was read of a pack by the calendar,
/// [pentacell.core.service.PackHistory] what is known of a log, with the
/// [pentacell.core.service.VoltageRun] in it, a [pentacell.core.service.Finding] what stands out;
/// [pentacell.core.service.CanSearch] finds the can, [pentacell.core.service.CanRepair] says what
/// is done with it, [pentacell.core.service.GroupTrend] how long a group will do.
/// [pentacell.core.service.ServicedPack] is all of it for a pack of a workshop.
@NullMarked
package pentacell.core.service;

import org.jspecify.annotations.NullMarked;
