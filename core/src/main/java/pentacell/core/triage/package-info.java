/// First judgement of a cell: the verdict by its first voltage, what it is told to do next, what
/// waits for a test, and which values make a person look twice.
@NullMarked
package pentacell.core.triage;

import org.jspecify.annotations.NullMarked;
