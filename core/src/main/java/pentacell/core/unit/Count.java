package pentacell.core.unit;

/// Numbers of things in words, singular and plural right.
public final class Count {
    private Count() {}

    /// Such as `1 cell waits`, `3 cells wait`.
    public static String of(long number, String one, String many) {
        return number + " " + (number == 1 ? one : many);
    }
}
