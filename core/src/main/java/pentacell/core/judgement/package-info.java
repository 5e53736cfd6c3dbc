/// What a judgement is made of: a verdict and its reasons (rule, limit, figure), worded in one
/// place.
@NullMarked
package pentacell.core.judgement;

import org.jspecify.annotations.NullMarked;
