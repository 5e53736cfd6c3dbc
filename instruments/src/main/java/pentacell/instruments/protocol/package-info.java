/// The line protocol between this program and its instruments: one JSON object a line over a
/// loopback socket, described in docs/instrument-protocol.md.
@NullMarked
package pentacell.instruments.protocol;

import org.jspecify.annotations.NullMarked;
