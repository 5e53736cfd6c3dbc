package pentacell.core.journal;

/// An act that undo or redo would touch.
///
/// @param act its number
/// @param words what it did
public record Step(long act, String words) {}
