package pentacell.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import pentacell.core.plan.facts.LoadItem;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// Loads as they are typed, one a line: `camera cooler 30w 60% peak 45w`.
///
/// @param items what was understood
/// @param problems what was not, with its line
public record LoadText(List<LoadItem> items, List<String> problems) {
    private static final Pattern FIGURE =
            Pattern.compile("([\\d.,]+)\\s*(kw|w|%)", Pattern.CASE_INSENSITIVE);

    public LoadText {
        items = List.copyOf(items);
        problems = List.copyOf(problems);
    }

    /// Reads loads; empty lines are passed over.
    public static LoadText read(String text) {
        List<LoadItem> items = new ArrayList<>();
        List<String> problems = new ArrayList<>();
        int number = 0;
        for (String line : text.split("\\R")) {
            number++;
            if (line.isBlank()) continue;
            try {
                items.add(item(line.strip()));
            } catch (IllegalArgumentException wrong) {
                problems.add(
                        "load %d, \"%s\": %s".formatted(number, line.strip(), wrong.getMessage()));
            }
        }
        return new LoadText(items, problems);
    }

    private static LoadItem item(String line) {
        StringBuilder name = new StringBuilder();
        OptionalDouble watts = OptionalDouble.empty();
        OptionalDouble peak = OptionalDouble.empty();
        double share = 1;
        boolean isPeak = false;
        for (String token : line.split("[\\s;]+")) {
            Matcher figure = FIGURE.matcher(token);
            if (token.equalsIgnoreCase("peak")) {
                isPeak = true;
            } else if (figure.matches()) {
                double value =
                        NumberText.parse(figure.group(1))
                                .orElseThrow(() ->
                                        new IllegalArgumentException(
                                                "\"%s\" is no number".formatted(token)));
                String unit = figure.group(2);
                if (unit.equals("%")) share = value / 100;
                else {
                    double inWatts = unit.equalsIgnoreCase("kw") ? 1000 * value : value;
                    if (isPeak) peak = OptionalDouble.of(inWatts);
                    else watts = OptionalDouble.of(inWatts);
                }
                isPeak = false;
            } else {
                if (!name.isEmpty()) name.append(' ');
                name.append(token);
            }
        }
        if (watts.isEmpty())
            throw new IllegalArgumentException(
                    "what does it draw? Expected such as \"lamp 12w 40%\"");
        return new LoadItem(
                name.toString(),
                watts.getAsDouble(),
                share,
                Math.max(watts.getAsDouble(), peak.orElse(watts.getAsDouble())));
    }

    /// Loads as they would be typed.
    public static String text(List<LoadItem> loads) {
        List<String> lines = new ArrayList<>();
        for (LoadItem load : loads) {
            StringBuilder line = new StringBuilder(load.name());
            if (!line.isEmpty()) line.append(' ');
            line.append(NumberText.plain(load.watts())).append('w');
            if (load.share() < 1)
                line.append(' ').append(Quantity.COUNT.number(100 * load.share())).append('%');
            if (load.peakWatts() > load.watts())
                line.append(" peak ").append(NumberText.plain(load.peakWatts())).append('w');
            lines.add(line.toString());
        }
        return String.join("\n", lines);
    }
}
