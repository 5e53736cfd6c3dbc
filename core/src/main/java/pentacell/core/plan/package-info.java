/// Which pack: from what it must power to groups in series and cells in parallel. A
/// [pentacell.core.plan.Need] goes in; [pentacell.core.plan.PackPlan] comes out, every option with
/// its figures and with what stands in its way.
@NullMarked
package pentacell.core.plan;

import org.jspecify.annotations.NullMarked;
