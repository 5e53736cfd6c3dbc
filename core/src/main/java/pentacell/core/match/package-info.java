/// Groups of equal capacity from unequal cells. Candidates and rules go into
/// [pentacell.core.match.Matcher]; a [pentacell.core.match.MatchOutcome] with proven bounds comes
/// out; everything else stays inside.
@NullMarked
package pentacell.core.match;

import org.jspecify.annotations.NullMarked;
