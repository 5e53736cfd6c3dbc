package pentacell.benchmarks;

/// Prints a line: what any command is measured by.
public final class BareLine {
    private BareLine() {}

    /// Prints it.
    public static void main(String[] arguments) {
        System.out.println("ready");
    }
}
