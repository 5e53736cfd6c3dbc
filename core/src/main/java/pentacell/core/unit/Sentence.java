package pentacell.core.unit;

import java.util.Locale;

/// Words that a judgement gives, as they stand on their own.
public final class Sentence {
    private Sentence() {}

    /// With a capital in front.
    public static String begin(String words) {
        return words.isEmpty()
                ? words
                : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    /// With a capital in front and a full stop behind.
    public static String whole(String words) {
        return begin(words) + ".";
    }

    /// Without its capital, to go on in the middle of another.
    public static String within(String words) {
        return words.isEmpty()
                ? words
                : words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
    }
}
