package pentacell.workshop.logbook;

import org.jspecify.annotations.Nullable;

/// A fact could not be written; the file is as it was before. The message is for a person.
public final class LogbookException extends Exception {
    private static final long serialVersionUID = 1;

    LogbookException(String message, @Nullable Throwable cause) {
        super(message, cause);
    }
}
