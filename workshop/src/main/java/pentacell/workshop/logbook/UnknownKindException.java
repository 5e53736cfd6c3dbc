package pentacell.workshop.logbook;

/// A row of the journal of a kind that this program does not know: another one wrote it.
final class UnknownKindException extends UnreadableFactException {
    private static final long serialVersionUID = 1;

    UnknownKindException(String kind) {
        super("kind \"" + kind + "\" is not known", null);
    }
}
