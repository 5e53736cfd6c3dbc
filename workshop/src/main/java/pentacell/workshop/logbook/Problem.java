package pentacell.workshop.logbook;

import java.util.Locale;

/// Something that is wrong with a workshop file.
///
/// @param kind what it is
/// @param where the place in the file, such as `act 12` or `entry 431`
/// @param sentence what was found, in words for a person, without a full stop at its end
public record Problem(Kind kind, String where, String sentence) {
    /// The place and what was found there, as one sentence.
    public String line() {
        return where.isEmpty()
                ? sentence + "."
                : Character.toUpperCase(where.charAt(0))
                        + where.substring(1)
                        + ": "
                        + sentence
                        + ".";
    }

    /// What can be wrong with a workshop file.
    public enum Kind {
        /// It is no workshop file.
        NOT_A_WORKSHOP,
        /// A newer program wrote it.
        NEWER_FORMAT,
        /// The file has nothing in it, or is gone.
        EMPTY,
        /// Pages of the file cannot be read.
        UNREADABLE_PAGES,
        /// Act numbers are missing.
        MISSING_ACT,
        /// Entry numbers are missing.
        MISSING_ENTRY,
        /// Numbers do not rise as they were given.
        OUT_OF_ORDER,
        /// An act is not what was written.
        CHANGED_ACT,
        /// An act cannot be read.
        UNREADABLE_ACT,
        /// An entry is of a kind that only another program knows.
        UNKNOWN_KIND,
        /// An entry cannot be read.
        UNREADABLE_ENTRY,
        /// More was in the file once.
        SHORTER_THAN_KNOWN,
        /// The acts are whole, but not those that were in the file before.
        OTHER_HISTORY,
        /// The samples of a run cannot be read.
        UNREADABLE_SAMPLES;

        /// The kind as files and commands name it, such as `changed-act`.
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }
}
