package pentacell.field.truth;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;

/// Outcomes counted by kind.
///
/// @param rows one for each kind, in the order they came
public record TruthTable(List<Row> rows) {
    /// So many packs that were judged wrongly are listed under a table.
    private static final int LISTED = 12;

    public TruthTable {
        rows = List.copyOf(rows);
    }

    /// All packs of a kind.
    public record Row(String kind, List<TruthOutcome> outcomes) {
        public Row {
            outcomes = List.copyOf(outcomes);
        }

        /// Number of packs.
        public int packs() {
            return outcomes.size();
        }

        /// How many of them were judged rightly.
        public long right() {
            return outcomes.stream().filter(TruthOutcome::isRight).count();
        }

        /// Of how many something was said that is not so.
        public long wrong() {
            return outcomes.stream().filter(each -> !each.wrong().isEmpty()).count();
        }

        /// Mean size of the errors of the figures; empty when no figure was given.
        public OptionalDouble meanError() {
            return errors().average();
        }

        /// The largest error of a figure, with its sign; empty when no figure was given.
        public OptionalDouble widestError() {
            return outcomes.stream()
                    .flatMapToDouble(each -> each.error().stream())
                    .reduce((a, b) -> Math.abs(b) > Math.abs(a) ? b : a);
        }

        private DoubleStream errors() {
            return outcomes.stream().flatMapToDouble(each -> each.error().stream()).map(Math::abs);
        }
    }

    /// Counts outcomes.
    public static TruthTable of(List<TruthOutcome> outcomes) {
        Map<String, List<TruthOutcome>> kinds =
                outcomes.stream()
                        .collect(
                                Collectors.groupingBy(
                                        TruthOutcome::kind,
                                        LinkedHashMap::new,
                                        Collectors.toList()));
        List<Row> rows = new ArrayList<>();
        kinds.forEach((kind, each) -> rows.add(new Row(kind, each)));
        return new TruthTable(rows);
    }

    /// The table in Markdown, and under it some packs that were judged wrongly.
    public String markdown() {
        StringBuilder text =
                new StringBuilder(
                        """
                        | kind | packs | right | wrongly said | mean error of figures | widest |
                        |---|---|---|---|---|---|
                        """);
        for (Row row : rows)
            text.append(
                    "| %s | %d | %d | %d | %s | %s |%n"
                            .formatted(
                                    row.kind(),
                                    row.packs(),
                                    row.right(),
                                    row.wrong(),
                                    percent(row.meanError(), "%.1f %%"),
                                    percent(row.widestError(), "%+.1f %%")));
        List<TruthOutcome> odd =
                rows.stream()
                        .flatMap(row -> row.outcomes().stream())
                        .filter(each -> !each.isRight() || !each.wrong().isEmpty())
                        .toList();
        text.append('\n');
        for (TruthOutcome each : odd.subList(0, Math.min(LISTED, odd.size())))
            text.append("- %s, %s: %s%n".formatted(each.kind(), each.pack(), said(each)));
        if (odd.size() > LISTED) text.append("- and %d more%n".formatted(odd.size() - LISTED));
        return text.toString();
    }

    private static String said(TruthOutcome each) {
        String wrong = String.join(", ", each.wrong());
        if (each.isRight()) return "right, but also said " + wrong;
        return wrong.isEmpty() ? "not found" : "not found, said " + wrong;
    }

    private static String percent(OptionalDouble part, String format) {
        return part.isPresent() ? String.format(Locale.ROOT, format, 100 * part.getAsDouble()) : "";
    }
}
