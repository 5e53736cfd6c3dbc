package pentacell.core.prove.facts;

/// How warm it was around a pack.
///
/// @param celsius in °C
/// @param note what else warmed it, such as the sun; empty for nothing
public record Ambient(double celsius, String note) {}
