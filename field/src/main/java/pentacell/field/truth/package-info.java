/// How often the program's judgements find what is hidden in packs whose truth is known, and how
/// often they say what is not so.
@NullMarked
package pentacell.field.truth;

import org.jspecify.annotations.NullMarked;
