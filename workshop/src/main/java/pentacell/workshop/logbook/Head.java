package pentacell.workshop.logbook;

/// Where a journal ends.
///
/// @param act number of the last act, 0 in an empty journal
/// @param sequence number of the last fact, 0 in an empty journal
/// @param digest digest of the last act, empty in an empty journal
record Head(long act, long sequence, String digest) {
    static final Head START = new Head(0, 0, Chain.START);
}
