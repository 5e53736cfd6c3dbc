/// Service: what the history of a pack in use says about its groups.
/// [pentacell.core.service.PackHistory] is what is known of a log, a
/// [pentacell.core.service.Finding] what stands out in it.
@NullMarked
package pentacell.core.service;

import org.jspecify.annotations.NullMarked;
