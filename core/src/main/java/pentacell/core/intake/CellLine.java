package pentacell.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import pentacell.core.cell.Blemish;
import pentacell.core.cell.CellFact;
import pentacell.core.cell.CellFact.BlemishesSeen;
import pentacell.core.cell.CellFact.CansCounted;
import pentacell.core.cell.CellFact.CapacityMeasured;
import pentacell.core.cell.CellFact.CellNoted;
import pentacell.core.cell.CellFact.ResistanceMethod;
import pentacell.core.cell.CellFact.ResistanceRead;
import pentacell.core.cell.CellFact.VoltageRead;
import pentacell.core.cell.CellId;
import pentacell.core.cell.TestConditions;
import pentacell.core.intake.QuickToken.Kind;
import pentacell.core.judgement.Reason;
import pentacell.core.judgement.Rule;
import pentacell.core.line.Line;
import pentacell.core.line.LineAct;
import pentacell.core.line.Piece;
import pentacell.core.state.Draft;
import pentacell.core.unit.Limit;
import pentacell.core.unit.NumberText;
import pentacell.core.unit.Quantity;

/// A line as written on a can: `HB03-07 3.68 56 2143`, with or without units, point or comma; what
/// is wrong with the can in single keys such as `st` (see [Blemish]); a note after `"`.
///
/// A bare number is taken by its size, which for single cells leaves no doubt: under 6 a voltage in
/// V, from 6 to under 400 a resistance in mΩ, from 400 a capacity in mAh. `56ac` and `56dc` say how
/// a resistance was read; else the workshop's own meter counts.
public final class CellLine {
    static final double VOLTAGE_BELOW = 6;
    static final double RESISTANCE_BELOW = 400;

    private static final Pattern WITH_UNIT =
            Pattern.compile(
                    "([+\\-−]?[\\d.,]+)(v|mv|(?:m|mr|mohm|mω|mΩ|ohm|r)?(?:ac|dc)|m|mr|mohm|mω|mΩ|ohm|r|mah|ah)",
                    Pattern.CASE_INSENSITIVE);

    private static final Pattern CANS = Pattern.compile("[x×](\\d{1,6})", Pattern.CASE_INSENSITIVE);

    private final String text;
    private final List<QuickToken> tokens;
    private final Optional<CellId> cell;
    private final BenchContext bench;

    private CellLine(
            String text, List<QuickToken> tokens, Optional<CellId> cell, BenchContext bench) {
        this.text = text.strip();
        this.tokens = List.copyOf(tokens);
        this.cell = cell;
        this.bench = bench;
    }

    /// Reads a line; never fails, what is not understood becomes a piece that says why.
    public static Line<LineAct> read(String text, BenchContext bench) {
        return text.isBlank() ? Line.blank() : understood(text, bench).line();
    }

    private static CellLine understood(String text, BenchContext bench) {
        List<QuickToken> raw = tokens(text, bench);
        Optional<CellId> named =
                raw.stream()
                        .filter(token -> token.kind() == Kind.CELL)
                        .map(token -> new CellId(token.text()))
                        .findFirst();
        Optional<CellId> cell = named.or(bench::cellInHand);
        int cans =
                raw.stream()
                        .filter(token -> token.kind() == Kind.CANS)
                        .map(token -> (int) token.value())
                        .findFirst()
                        .or(() -> cell.map(bench::cansOf))
                        .orElse(1);
        List<QuickToken> checked = new ArrayList<>();
        Set<Kind> seen = EnumSet.noneOf(Kind.class);
        for (QuickToken token : raw) {
            boolean mayRepeat =
                    token.kind() == Kind.NOT_UNDERSTOOD || token.kind() == Kind.BLEMISHES;
            boolean again = !mayRepeat && !seen.add(token.kind());
            if (again)
                checked.add(
                        refused(
                                token.text(),
                                new Reason(
                                        Rule.READ_TWICE, Double.NaN, Double.NaN, wordFor(token))));
            else checked.add(oddity(token, cell, bench, cans).map(token::odd).orElse(token));
        }
        return new CellLine(text, checked, cell, bench);
    }

    private static String wordFor(QuickToken token) {
        return switch (token.kind()) {
            case CELL -> "A cell id";
            case VOLTAGE -> "A voltage";
            case RESISTANCE -> "A resistance";
            case CAPACITY -> "A capacity";
            case CANS -> "A count of cans";
            case BLEMISHES, NOTE, NOT_UNDERSTOOD -> "A note";
        };
    }

    private Line<LineAct> line() {
        List<Piece> pieces = tokens.stream().map(QuickToken::piece).toList();
        Optional<String> refusal =
                tokens.stream()
                        .filter(token -> token.kind() == Kind.NOT_UNDERSTOOD)
                        .flatMap(token -> token.oddity().stream())
                        .map(Reason::sentence)
                        .findFirst();
        if (refusal.isPresent()) return new Line.Incomplete<>(pieces, refusal.get());
        if (cell.isEmpty())
            return new Line.Incomplete<>(pieces, "Which cell? Begin the line with its id.");
        String remark =
                tokens.stream()
                        .flatMap(token -> token.oddity().stream())
                        // that a cell is new matters least
                        .min(Comparator.comparing(reason -> reason.rule() == Rule.CELL_IS_NEW))
                        .map(Reason::sentence)
                        .orElse("");
        return new Line.Complete<>(pieces, remark, act(cell.get()));
    }

    private LineAct act(CellId id) {
        List<CellFact> readings = readings(id);
        if (readings.isEmpty() && bench.isKnown(id))
            return LineAct.takes(new LineAct.Subject.OfCell(id));
        boolean isNamed = tokens.stream().anyMatch(token -> token.kind() == Kind.CELL);
        Draft draft =
                before ->
                        Stream.concat(bench.introduced(before, id).stream(), readings.stream())
                                .toList();
        return LineAct.logs("Log " + id, isNamed ? text : id + " " + text, draft).about(id);
    }

    /// The readings and notes in the line as facts of its cell.
    private List<CellFact> readings(CellId id) {
        List<CellFact> facts = new ArrayList<>();
        for (QuickToken token : tokens) {
            switch (token.kind()) {
                case VOLTAGE -> facts.add(new VoltageRead(id, token.value()));
                case RESISTANCE ->
                        facts.add(
                                new ResistanceRead(
                                        id,
                                        token.value(),
                                        token.method().orElse(bench.schools().meter())));
                case CAPACITY ->
                        facts.add(
                                new CapacityMeasured(id, token.value(), TestConditions.NOT_STATED));
                case CANS -> facts.add(new CansCounted(id, (int) token.value()));
                case BLEMISHES -> facts.add(new BlemishesSeen(id, token.blemishes()));
                case NOTE -> facts.add(new CellNoted(id, token.text()));
                case CELL, NOT_UNDERSTOOD -> {}
            }
        }
        return facts;
    }

    private static List<QuickToken> tokens(String text, BenchContext bench) {
        List<QuickToken> tokens = new ArrayList<>();
        int quote = text.indexOf('"');
        String values = quote < 0 ? text : text.substring(0, quote);
        String[] words = values.strip().split("[\\s;]+");
        for (String word : words) {
            if (word.isEmpty()) continue;
            tokens.add(tokens.isEmpty() ? firstToken(word, bench) : valueToken(word));
        }
        if (quote >= 0) {
            String note = text.substring(quote + 1).replace('"', ' ').strip();
            if (!note.isEmpty())
                tokens.add(new QuickToken(note, Kind.NOTE, Double.NaN, Optional.empty()));
        }
        return tokens;
    }

    private static QuickToken firstToken(String word, BenchContext bench) {
        boolean isId = CellId.problem(word).isEmpty();
        if (isBlemishes(word) && !bench.isKnown(new CellId(word))) return blemishes(word);
        if (CANS.matcher(word).matches() && !(isId && bench.isKnown(new CellId(word))))
            return valueToken(word);
        boolean looksLikeId = Character.isLetter(word.codePointAt(0)) || word.indexOf('-') > 0;
        if (isId && (looksLikeId || bench.isKnown(new CellId(word))))
            return new QuickToken(word, Kind.CELL, Double.NaN, Optional.empty());
        if (looksLikeId)
            return refused(
                    word, "\"" + word + "\" as a cell id " + CellId.problem(word).orElse("") + ".");
        return valueToken(word);
    }

    private static boolean isBlemishes(String word) {
        return word.chars().allMatch(key -> Blemish.ofKey(key).isPresent());
    }

    private static QuickToken blemishes(String word) {
        return new QuickToken(word, Kind.BLEMISHES, Double.NaN, Optional.empty());
    }

    private static QuickToken valueToken(String word) {
        if (isBlemishes(word)) return blemishes(word);
        Matcher cans = CANS.matcher(word);
        if (cans.matches()) return cans(word, Integer.parseInt(cans.group(1)));
        Matcher matcher = WITH_UNIT.matcher(word);
        String digits = matcher.matches() ? matcher.group(1) : word;
        OptionalDouble number = NumberText.parse(digits);
        if (number.isEmpty())
            return refused(
                    word,
                    "\""
                            + word
                            + "\" "
                            + NumberText.whyNot(digits)
                            + "; expected V, mΩ or mAh, a note begins with \".");
        return matcher.matches()
                ? withUnit(word, number.getAsDouble(), matcher.group(2).toLowerCase(Locale.ROOT))
                : bare(word, number.getAsDouble());
    }

    private static QuickToken cans(String word, int count) {
        return count >= 1 && count <= CansCounted.MOST
                ? new QuickToken(word, Kind.CANS, count, Optional.empty())
                : refused(
                        word, "\"%s\": a unit has 1 to %d cans.".formatted(word, CansCounted.MOST));
    }

    private static QuickToken withUnit(String word, double number, String unit) {
        if (unit.endsWith("ac") || unit.endsWith("dc")) {
            String rest = unit.substring(0, unit.length() - 2);
            return withUnit(word, number, rest.isEmpty() ? "m" : rest)
                    .by(unit.endsWith("ac") ? ResistanceMethod.AC_1_KHZ : ResistanceMethod.DC);
        }
        return switch (unit) {
            case "v" -> value(word, Kind.VOLTAGE, number);
            case "mv" -> value(word, Kind.VOLTAGE, number / 1000);
            case "ohm", "r" -> value(word, Kind.RESISTANCE, number * 1000);
            case "mah" -> value(word, Kind.CAPACITY, number);
            case "ah" -> value(word, Kind.CAPACITY, number * 1000);
            default -> value(word, Kind.RESISTANCE, number);
        };
    }

    private static QuickToken bare(String word, double number) {
        if (number < VOLTAGE_BELOW) return value(word, Kind.VOLTAGE, number);
        return value(word, number < RESISTANCE_BELOW ? Kind.RESISTANCE : Kind.CAPACITY, number);
    }

    private static QuickToken value(String word, Kind kind, double value) {
        Optional<Limit> limit =
                switch (kind) {
                    case VOLTAGE -> Optional.of(Limit.VOLTAGE);
                    case RESISTANCE -> Optional.of(Limit.RESISTANCE);
                    case CAPACITY -> Optional.of(Limit.CAPACITY);
                    case CANS, CELL, BLEMISHES, NOTE, NOT_UNDERSTOOD -> Optional.empty();
                };
        return limit.filter(each -> !each.holds(value))
                .map(each -> refused(word, "\"" + word + "\" cannot be: " + each.sentence() + "."))
                .orElseGet(() -> new QuickToken(word, kind, value, Optional.empty()));
    }

    private static QuickToken refused(String word, String why) {
        return refused(word, Reason.noted(Rule.NOT_UNDERSTOOD, why));
    }

    private static QuickToken refused(String word, Reason why) {
        return new QuickToken(word, Kind.NOT_UNDERSTOOD, Double.NaN, Optional.of(why));
    }

    private static Optional<Reason> oddity(
            QuickToken token, Optional<CellId> cell, BenchContext bench, int cans) {
        return switch (token.kind()) {
            case VOLTAGE ->
                    OddValues.voltage(token.value(), cell.flatMap(bench::modelOf), bench.schools())
                            .or(() ->
                                    cell.flatMap(id ->
                                            LookTwice.chemistry(
                                                    token.value(),
                                                    bench.modelOf(id),
                                                    bench.neighbourVolts(id))));
            case RESISTANCE ->
                    OddValues.resistance(
                            token.value() * cans, token.method().orElse(bench.schools().meter()));
            case CAPACITY ->
                    OddValues.capacity(
                            token.value(),
                            cell.flatMap(id ->
                                    bench.modelOf(id)
                                            .map(model ->
                                                    bench.cansOf(id) == 1
                                                            ? model.ofCans(cans)
                                                            : model)),
                            cell.map(bench::lastMilliampHours).orElse(OptionalDouble.empty()));
            case CELL ->
                    cell.filter(id -> !bench.isKnown(id))
                            .map(id ->
                                    Reason.noted(
                                            Rule.CELL_IS_NEW,
                                            bench.modelOf(id)
                                                    .map(model ->
                                                            ", "
                                                                    + model.name()
                                                                    + " "
                                                                    + rating(model))
                                                    .orElse(", model not known")));
            case BLEMISHES -> fatal(token);
            case CANS, NOTE, NOT_UNDERSTOOD -> token.oddity();
        };
    }

    private static Optional<Reason> fatal(QuickToken token) {
        String words =
                token.blemishes().stream()
                        .filter(blemish -> blemish.work().isEmpty())
                        .map(Blemish::words)
                        .collect(Collectors.joining(", "));
        return words.isEmpty()
                ? Optional.empty()
                : Optional.of(Reason.noted(Rule.BLEMISH_PUTS_OUT, words));
    }

    private static String rating(pentacell.core.cell.CellModel model) {
        return Quantity.CAPACITY.text(model.ratedMinimumMilliampHours());
    }
}
