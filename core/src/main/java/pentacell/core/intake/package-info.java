/// First look: reading what is written on a can ([pentacell.core.intake.QuickLine]) and the verdict
/// by first voltage ([pentacell.core.intake.Triage]).
@NullMarked
package pentacell.core.intake;

import org.jspecify.annotations.NullMarked;
