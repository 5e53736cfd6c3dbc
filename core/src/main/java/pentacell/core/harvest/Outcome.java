package pentacell.core.harvest;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.cell.Blemish;

/// How the cells of a donor came out: good unless said otherwise, as `3s 5d 6sl` (cell number and
/// keys) or `all:t`.
///
/// @param blemishes of each cell in order; none for a good one
/// @param problem what is wrong with the text, in a sentence
public record Outcome(List<Set<Blemish>> blemishes, Optional<String> problem) {
    private static final int MOST_CELLS = 2000;
    private static final Pattern ONE = Pattern.compile("(\\d{1,4}):?(\\p{Alpha}+)");
    private static final Pattern ALL = Pattern.compile("all:?(\\p{Alpha}+)");

    public Outcome {
        blemishes = List.copyOf(blemishes);
    }

    /// Reads an outcome.
    ///
    /// @param count how many cells came out, as typed
    /// @param faults the cells that are not good, as typed
    public static Outcome read(String count, String faults) {
        String digits = count.strip();
        if (!digits.matches("\\d{1,4}")
                || Integer.parseInt(digits) < 1
                || Integer.parseInt(digits) > MOST_CELLS)
            return wrong("How many cells? \"" + digits + "\" is not a number from 1 to 2000.");
        List<Set<Blemish>> cells = new ArrayList<>();
        for (int i = 0; i < Integer.parseInt(digits); i++) cells.add(EnumSet.noneOf(Blemish.class));
        for (String word : faults.strip().split("[\\s,;]+")) {
            if (word.isEmpty()) continue;
            Matcher all = ALL.matcher(word);
            Matcher one = ONE.matcher(word);
            if (!all.matches() && !one.matches())
                return wrong(
                        "\""
                                + word
                                + "\" is not an outcome; use one such as 3s for cell 3, sleeve torn.");
            String keys = all.matches() ? all.group(1) : one.group(2);
            Set<Blemish> seen = EnumSet.noneOf(Blemish.class);
            for (int i = 0; i < keys.length(); i++) {
                Optional<Blemish> blemish = Blemish.ofKey(keys.charAt(i));
                if (blemish.isEmpty())
                    return wrong("\"" + word + "\": " + keys.charAt(i) + " stands for no blemish.");
                seen.add(blemish.get());
            }
            if (all.matches()) cells.forEach(cell -> cell.addAll(seen));
            else {
                int number = Integer.parseInt(one.group(1));
                if (number < 1 || number > cells.size())
                    return wrong("\"%s\": the cells are 1 to %d.".formatted(word, cells.size()));
                cells.get(number - 1).addAll(seen);
            }
        }
        return new Outcome(
                cells.stream().map(Collections::unmodifiableSet).toList(), Optional.empty());
    }

    private static Outcome wrong(String sentence) {
        return new Outcome(List.of(), Optional.of(sentence));
    }

    /// How many are good, how many need work, how many are out, in words.
    public String words() {
        long out =
                blemishes.stream()
                        .filter(each -> each.stream().anyMatch(one -> one.work().isEmpty()))
                        .count();
        long good = blemishes.stream().filter(Set::isEmpty).count();
        long work = blemishes.size() - out - good;
        return good
                + " good"
                + (work > 0 ? ", " + work + " need work" : "")
                + (out > 0 ? ", " + out + " out" : "")
                + ".";
    }
}
