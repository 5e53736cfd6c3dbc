/// What all of the workshop module shares: where the person's own files lie.
@NullMarked
package pentacell.workshop;

import org.jspecify.annotations.NullMarked;
