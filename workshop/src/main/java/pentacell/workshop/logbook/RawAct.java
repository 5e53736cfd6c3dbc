package pentacell.workshop.logbook;

import java.util.List;

/// An act as it stands in the file.
///
/// @param at when, ISO 8601
/// @param words what a person would call it
/// @param facts in the order of their sequence
record RawAct(long number, String at, String words, List<RawFact> facts) {}
