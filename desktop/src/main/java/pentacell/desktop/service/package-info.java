/// Service: a pack in use, over years. [pentacell.desktop.service.ServiceModel] judges the pack in
/// hand; a pane each for what stands out now, its history, the search for a can, its repair, and
/// the years to come.
@NullMarked
package pentacell.desktop.service;

import org.jspecify.annotations.NullMarked;
