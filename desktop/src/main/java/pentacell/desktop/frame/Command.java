package pentacell.desktop.frame;

/// Something that can be done from anywhere, found by its words.
///
/// @param words what a person would call it, such as `Add donor`
/// @param action does it; on the UI thread
public record Command(String words, Runnable action) {}
