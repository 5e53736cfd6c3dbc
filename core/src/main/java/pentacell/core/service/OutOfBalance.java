package pentacell.core.service;

/// A group that holds more or less charge than the others, and is sound.
///
/// It wears nothing and is no trouble, but the pack gives less by it: what is ahead ends each
/// charge, what is behind each discharge.
///
/// @param group from 0
/// @param aheadAmpHours more than the others, in Ah; negative when it holds less
/// @param share the same as a part of the charge that is used
/// @param orMisread whether it may as well be read wrongly: the history does not tell
public record OutOfBalance(int group, double aheadAmpHours, double share, boolean orMisread) {}
