package pentacell.cli;

/// What the exit codes of every command mean.
final class Exit {
    static final int DONE = 0;
    static final int FAULT_OF_OURS = 1;
    static final int WRONG_USAGE = 2;
    static final int NO_SOLUTION = 3;
    static final int UNREADABLE_INPUT = 4;

    private Exit() {}
}
