package pentacell.desktop.frame;

/// Work that is done anew at every change while somebody looks, and once when they come back to
/// what has changed meanwhile.
public final class WhileWatched {
    private final Runnable work;
    private boolean isShown;
    private boolean isStale = true;

    public WhileWatched(Runnable work) {
        this.work = work;
    }

    /// Says whether somebody looks.
    public void watched(boolean isWatched) {
        boolean isBack = isWatched && !isShown;
        isShown = isWatched;
        if (isBack && isStale) now();
    }

    /// Something has changed.
    public void refresh() {
        if (isShown) now();
        else isStale = true;
    }

    /// Does the work, whoever looks.
    public void now() {
        isStale = false;
        work.run();
    }
}
