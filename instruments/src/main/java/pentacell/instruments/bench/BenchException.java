package pentacell.instruments.bench;

/// Something could not be done at the bench; the message says what and what to do.
public final class BenchException extends Exception {
    private static final long serialVersionUID = 1;

    BenchException(String message) {
        super(message);
    }
}
