package pentacell.workshop.exchange;

import java.util.List;
import java.util.Optional;
import pentacell.core.unit.Count;

/// Lines with more fields than their head has names: none of their numbers can be trusted, for it
/// is not known which comma was a decimal mark and which a separator.
final class Surplus {
    private final int names;
    private final char separator;
    private long lines;
    private long surplus;
    private boolean couldBeDecimals = true;

    /// @param names how many columns the head names
    Surplus(int names, char separator) {
        this.names = names;
        this.separator = separator;
    }

    /// What is wrong with a line, if anything; empty fields at its end do not count.
    Optional<String> in(List<String> fields) {
        int filled = fields.size();
        while (filled > names && fields.get(filled - 1).isBlank()) filled--;
        lines++;
        if (filled <= names) return Optional.empty();
        surplus++;
        couldBeDecimals &= joins(fields.subList(0, filled)) >= filled - names;
        return Optional.of(sentence(filled, names));
    }

    /// What is wrong with a line of so many fields.
    static String sentence(int fields, int names) {
        return "has %s under %s"
                .formatted(
                        Count.of(fields, "field", "fields"),
                        Count.of(names, "column name", "column names"));
    }

    /// What is wrong with the table as a whole, when all its lines have too many fields.
    Optional<String> verdict() {
        return surplus == 0 || surplus < lines
                ? Optional.empty()
                : Optional.of(verdict(separator, couldBeDecimals));
    }

    /// What is wrong with a table whose lines all have too many fields.
    static String verdict(char separator, boolean couldBeDecimals) {
        String all = "every line has more fields than there are column names";
        return separator == ',' && couldBeDecimals
                ? all
                        + ": numbers with a decimal comma need semicolons between the columns, or quotes around them"
                : all;
    }

    /// How many pairs of neighbours would be one number with a decimal comma between them.
    private static int joins(List<String> fields) {
        int joins = 0;
        for (int i = 0; i + 1 < fields.size(); i++)
            if (fields.get(i).strip().matches("[+\\-−]?\\d+")
                    && fields.get(i + 1).strip().matches("\\d+")) {
                joins++;
                i++;
            }
        return joins;
    }
}
