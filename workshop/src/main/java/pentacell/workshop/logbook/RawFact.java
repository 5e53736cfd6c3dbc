package pentacell.workshop.logbook;

import org.jspecify.annotations.Nullable;

/// A fact as it stands in the file.
///
/// @param cell the cell it is about, if any
/// @param body JSON
/// @param origin code of how it came into the journal; null in files of format 5 and before
record RawFact(
        long sequence, String kind, @Nullable String cell, String body, @Nullable String origin) {}
