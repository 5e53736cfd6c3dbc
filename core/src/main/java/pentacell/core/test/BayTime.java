package pentacell.core.test;

import java.time.LocalDateTime;

/// A bay and when it is free.
///
/// @param bay its name
/// @param freeAt when what runs in it ends; now or earlier when it is empty
public record BayTime(String bay, LocalDateTime freeAt) {}
