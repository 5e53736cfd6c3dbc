/// The commands: [pentacell.cli.Main] is where the launcher enters; each command is a class of its
/// own.
@NullMarked
package pentacell.cli;

import org.jspecify.annotations.NullMarked;
