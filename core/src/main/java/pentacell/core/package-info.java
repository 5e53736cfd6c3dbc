/// The core: facts in, judgements out. Here stands only the list of its chapters.
@NullMarked
package pentacell.core;

import org.jspecify.annotations.NullMarked;
