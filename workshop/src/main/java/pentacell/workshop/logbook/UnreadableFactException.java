package pentacell.workshop.logbook;

import org.jspecify.annotations.Nullable;

/// A row of the journal that this program cannot read.
class UnreadableFactException extends RuntimeException {
    private static final long serialVersionUID = 1;

    UnreadableFactException(String message, @Nullable Throwable cause) {
        super(message, cause);
    }
}
