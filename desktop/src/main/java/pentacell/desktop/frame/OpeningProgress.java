package pentacell.desktop.frame;

import java.nio.file.Path;

/// A workshop file while it is read: how far it is, told by one thread and asked by another.
public final class OpeningProgress {
    private final Path file;
    private volatile double share;

    public OpeningProgress(Path file) {
        this.file = file;
    }

    Path file() {
        return file;
    }

    void tell(double read) {
        share = read;
    }

    /// Which share of the file has been read, 0 to 1.
    double share() {
        return share;
    }
}
