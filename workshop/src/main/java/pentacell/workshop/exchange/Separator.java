package pentacell.workshop.exchange;

import java.util.List;

/// What separates the fields of a table: semicolon, tab or comma.
final class Separator {
    private Separator() {}

    /// Whichever there is most of, outside of quotes; comma when there is none. A comma between two
    /// digits may be a decimal mark and says nothing.
    ///
    /// @param lines the first ones of the table
    static char of(List<String> lines) {
        char best = ',';
        long most = 0;
        for (char candidate : new char[] {';', '\t', ','}) {
            long count = lines.stream().mapToLong(line -> count(line, candidate)).sum();
            if (count > most) {
                most = count;
                best = candidate;
            }
        }
        return best;
    }

    private static long count(String line, char candidate) {
        String plain = line.replaceAll("\"[^\"]*\"", "");
        if (candidate == ',') plain = plain.replaceAll("(?<=\\d),(?=\\d)", "");
        return plain.chars().filter(each -> each == candidate).count();
    }
}
