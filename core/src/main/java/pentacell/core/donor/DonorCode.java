package pentacell.core.donor;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Proposes codes that are short, unique and easily written on a can.
public final class DonorCode {
    private static final Pattern WORD = Pattern.compile("\\p{L}+");
    private static final String WITHOUT_WORDS = "D";

    private DonorCode() {}

    /// The code of the next donor of a kind: the first letters of its first two words and a number,
    /// such as `HB03` for the third hire-bicycle module. Letters that pass for digits on a can (I
    /// and O) are written as their neighbours J and Q.
    ///
    /// @param kind what it was; may be empty
    /// @param taken codes in use
    public static String propose(String kind, Set<String> taken) {
        Matcher words = WORD.matcher(kind);
        StringBuilder letters = new StringBuilder();
        while (letters.length() < 2 && words.find())
            letters.append(words.group().substring(0, 1).toUpperCase(Locale.ROOT));
        String stem =
                letters.isEmpty()
                        ? WITHOUT_WORDS
                        : letters.toString().replace('I', 'J').replace('O', 'Q');
        return next(stem, 2, taken);
    }

    /// The code of the next lot: `K1`, `K2` …
    public static String proposeLot(Set<String> taken) {
        return next("K", 1, taken);
    }

    private static String next(String stem, int digits, Set<String> taken) {
        for (int number = 1; ; number++) {
            String code = stem + ("%0" + digits + "d").formatted(number);
            if (!taken.contains(code)) return code;
        }
    }
}
