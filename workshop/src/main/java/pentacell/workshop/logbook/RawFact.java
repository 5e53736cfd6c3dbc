package pentacell.workshop.logbook;

import org.jspecify.annotations.Nullable;

/// A fact as it stands in the file.
///
/// @param cell the cell it is about, if any
/// @param body JSON
record RawFact(long sequence, String kind, @Nullable String cell, String body) {}
