package pentacell.workshop.logbook;

import java.util.List;
import org.jspecify.annotations.Nullable;

/// An act as it stands in the file.
///
/// @param at when, ISO 8601
/// @param words what a person would call it
/// @param facts in the order of their sequence
/// @param curves seals of the samples of the runs that ended with it, see [CurveSeal]; null when
///   none did
record RawAct(long number, String at, String words, List<RawFact> facts, @Nullable String curves) {}
