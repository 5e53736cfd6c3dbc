package pentacell.core.build.facts;

import java.time.Instant;
import java.util.Optional;

/// A step that is done.
///
/// @param remark what was noted, such as a weld setting or how a pull test went; empty for nothing
/// @param photo path of a picture, when one was taken
public record Ticked(Instant at, String remark, Optional<String> photo) {}
